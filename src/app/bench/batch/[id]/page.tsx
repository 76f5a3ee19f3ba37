import type { Metadata } from "next";
import { cookies } from "next/headers";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findBatchById } from "@/service/end/batches";
import { whereById } from "@/service/job/where";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { instrumentsOf } from "@/service/workshop/studies";
import { blades } from "@/service/workshop/tools";
import { BatchView } from "@/ui/batch/batch-view";
import { PREFS_COOKIE, readPrefs } from "@/ui/prefs/prefs";

export const metadata: Metadata = { title: t("batch") };
export const dynamic = "force-dynamic";

interface BatchProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ end?: string | string[] }>;
}

export default async function BatchPage({ params, searchParams }: BatchProps) {
  const batch = findBatchById(theStore(), (await params).id);
  if (!batch) notFound();
  const { end } = await searchParams;
  const { cautions } = library(theStore());
  const { person } = readPrefs((await cookies()).get(PREFS_COOKIE)?.value);
  return (
    <BatchView
      id={batch.id}
      name={batch.name}
      sheet={batch.sheet}
      rule={batch.rule}
      purpose={batch.purpose}
      ends={batch.ends}
      instruments={instrumentsOf(theStore(), person)}
      cautions={cautions}
      blades={blades(theStore())}
      wheres={Object.fromEntries(
        batch.ends.map((batchMember) => [batchMember.id, whereById(theStore(), batchMember.id)]),
      )}
      openedFor={typeof end === "string" ? end : null}
    />
  );
}
