import type { Metadata } from "next";
import { cookies } from "next/headers";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findEndById } from "@/service/end/ends";
import { whereById } from "@/service/job/where";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { instrumentsOf } from "@/service/workshop/studies";
import { blades } from "@/service/workshop/tools";
import { BenchView } from "@/ui/bench/bench-view";
import { PREFS_COOKIE, readPrefs } from "@/ui/prefs/prefs";

export const metadata: Metadata = { title: t("bench") };
export const dynamic = "force-dynamic";

export default async function EndPage({ params }: { params: Promise<{ id: string }> }) {
  const end = findEndById(theStore(), (await params).id);
  if (!end) notFound();
  const { cautions } = library(theStore());
  const { person } = readPrefs((await cookies()).get(PREFS_COOKIE)?.value);
  return (
    <BenchView
      id={end.id}
      sheet={end.sheet}
      rule={end.rule}
      purpose={end.purpose}
      initial={end.events}
      instruments={instrumentsOf(theStore(), person)}
      cautions={cautions}
      blades={blades(theStore())}
      where={whereById(theStore(), end.id)}
    />
  );
}
