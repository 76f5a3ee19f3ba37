import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { library } from "@/service/library";
import { findGrid } from "@/service/piece-grid";
import { pulse } from "@/service/pulse";
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
