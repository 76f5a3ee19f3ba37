import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { library } from "@/service/shelf/library";
import { revisionsOf } from "@/service/shelf/shelf";
import { theStore } from "@/service/the-store";
import { ProcedureReader } from "@/ui/shelf/procedure-reader";

export const metadata: Metadata = { title: t("procedure") };
export const dynamic = "force-dynamic";

export default async function ProcedurePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { procedures, cables, cautions } = library(theStore());
  const procedure = procedures.find((procedure) => procedure.id === id);
  if (!procedure) notFound();
  return (
    <ProcedureReader
      procedure={procedure}
      cables={cables}
      cautions={cautions}
      revisions={revisionsOf(theStore(), "procedure", id)}
    />
  );
}
