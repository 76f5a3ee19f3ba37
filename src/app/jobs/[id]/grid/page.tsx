import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findGrid } from "@/service/job/piece-grid";
import { pulse } from "@/service/pulse";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { Fresh } from "@/ui/live/fresh";
import { GridView } from "@/ui/piece-grid/grid-view";

export const metadata: Metadata = { title: t("pieces") };
export const dynamic = "force-dynamic";

export default async function GridPage({ params }: { params: Promise<{ id: string }> }) {
  const store = theStore();
  const grid = findGrid(store, (await params).id);
  if (!grid) notFound();
  return (
    <>
      <Fresh seen={pulse(store).n} />
      <GridView
        {...grid}
        cables={library(store).cables.filter(({ construction }) => construction !== "mid-span")}
      />
    </>
  );
}
