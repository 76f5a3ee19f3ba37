import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findEndById } from "@/service/end/ends";
import { recordOfEnd } from "@/service/end/record";
import { whereById } from "@/service/job/where";
import { theStore } from "@/service/the-store";
import { RecordView } from "@/ui/ledger/record-view";

interface RecordProps {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: RecordProps): Promise<Metadata> {
  const end = findEndById(theStore(), (await params).id);
  if (!end) return { title: t("record") };
  const { job, label, style } = recordOfEnd(theStore(), end);
  return { title: t("record-2", { value: [job, label].filter(Boolean).join(" · ") || style.name }) };
}
export const dynamic = "force-dynamic";

export default async function RecordPage({ params }: RecordProps) {
  const end = findEndById(theStore(), (await params).id);
  if (!end) notFound();
  return (
    <RecordView
      record={recordOfEnd(theStore(), end)}
      sheet={end.sheet}
      events={end.events}
      where={whereById(theStore(), end.id)}
    />
  );
}
