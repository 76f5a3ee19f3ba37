import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findCutList } from "@/service/job/cut-list";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { CutListView } from "@/ui/piece-grid/cut-list-view";

export const metadata: Metadata = { title: t("cut-list") };
export const dynamic = "force-dynamic";

export default async function CutListPage({ params }: { params: Promise<{ id: string }> }) {
  const store = theStore();
  const list = findCutList(store, (await params).id);
  if (!list) notFound();
  const cables = Object.fromEntries(library(store).cables.map(({ id, name }) => [id, name]));
  return <CutListView {...list} cables={cables} day={new Date().toISOString().slice(0, 10)} />;
}
