import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findJobPrint } from "@/service/job/print";
import { theStore } from "@/service/the-store";
import { PrintView } from "@/ui/card/print-view";

export const metadata: Metadata = { title: t("print-centre") };
export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const job = findJobPrint(theStore(), id);
  if (!job) notFound();
  const { name, sheets, labels, cuts, trays, closures } = job;
  const counts = {
    cuts: cuts.length,
    pocket: sheets.length,
    cards: sheets.length,
    closures: closures.length,
    travellers: sheets.length,
    trays: trays.length,
    labels: labels.length,
  };
  return <PrintView job={{ id, name }} counts={counts} />;
}
