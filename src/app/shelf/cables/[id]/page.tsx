import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { styleOf } from "@/core";
import { t } from "@/messages/app";
import { library } from "@/service/shelf/library";
import { revisionsOf } from "@/service/shelf/shelf";
import { theStore } from "@/service/the-store";
import { CableReader } from "@/ui/shelf/cable-reader";

export const metadata: Metadata = { title: t("cable") };
export const dynamic = "force-dynamic";

export default async function CablePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const { procedures, cables } = library(theStore());
  const cable = cables.find((cable) => cable.id === id);
  if (!cable) notFound();
  return (
    <CableReader
      cable={cable}
      styles={procedures.map(styleOf)}
      revisions={revisionsOf(theStore(), "cable", id)}
    />
  );
}
