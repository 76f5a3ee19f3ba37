import type { Metadata } from "next";
import { styleOf } from "@/core";
import { t } from "@/messages/app";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { styleThumbs } from "@/ui/band/thumb";
import { ShelfView } from "@/ui/shelf/shelf-view";

export const metadata: Metadata = { title: t("shelf") };
export const dynamic = "force-dynamic";

export default function ShelfPage() {
  const { cables, procedures, tools, instruments, meters, entries } = library(theStore());
  return (
    <ShelfView
      cables={cables}
      styles={procedures.map(styleOf)}
      thumbs={styleThumbs(procedures, cables, tools)}
      tools={tools}
      instruments={instruments}
      meters={meters}
      entries={entries}
    />
  );
}
