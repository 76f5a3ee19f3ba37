import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { findEndById } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { RecordView } from "@/ui/ledger/record-view";

export const metadata: Metadata = { title: "Record" };
export const dynamic = "force-dynamic";

export default async function RecordPage({ params }: { params: Promise<{ id: string }> }) {
  const end = findEndById(theStore(), (await params).id);
  if (!end) notFound();
  return <RecordView end={end} />;
}
