import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { endState } from "@/core";
import { findEndById } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { RecordView } from "@/ui/ledger/record-view";

export async function generateMetadata({ params }: { params: Promise<{ id: string }> }): Promise<Metadata> {
  const end = findEndById(theStore(), (await params).id);
  if (!end) return { title: "Record" };
  const { job, label } = endState(end.entries);
  return { title: `Record · ${[job, label].filter(Boolean).join(" · ") || end.styleName}` };
}
export const dynamic = "force-dynamic";

export default async function RecordPage({ params }: { params: Promise<{ id: string }> }) {
  const end = findEndById(theStore(), (await params).id);
  if (!end) notFound();
  return <RecordView end={end} />;
}
