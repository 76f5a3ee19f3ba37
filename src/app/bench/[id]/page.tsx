import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { findEndById } from "@/service/ends";
import { library } from "@/service/library";
import { theStore } from "@/service/the-store";
import { blades } from "@/service/tools";
import { BenchView } from "@/ui/bench/bench-view";

export const metadata: Metadata = { title: "Bench" };
export const dynamic = "force-dynamic";

export default async function EndPage({ params }: { params: Promise<{ id: string }> }) {
  const end = findEndById(theStore(), (await params).id);
  if (!end) notFound();
  const { instruments, cautions } = library(theStore());
  return (
    <BenchView
      id={end.id}
      sheet={end.sheet}
      rule={end.rule}
      initial={end.entries}
      instruments={instruments}
      cautions={cautions}
      blades={blades(theStore())}
    />
  );
}
