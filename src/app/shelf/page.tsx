import type { Metadata } from "next";
import { type RunSheet, styleOf } from "@/core";
import { t } from "@/messages/app";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { exampleSheets, thumbOf } from "@/ui/band/thumb";
import type { StyleExample } from "@/ui/shelf/procedures";
import { ShelfView } from "@/ui/shelf/shelf-view";

export const metadata: Metadata = { title: t("shelf") };
export const dynamic = "force-dynamic";

/** Width a finished end is drawn at on the shelf, and lengths shown with it at most. */
const WIDE = 340;
const MOST_LENGTHS = 3;

const drawn = new WeakMap<RunSheet, StyleExample>();

function exampleOf(sheet: RunSheet): StyleExample {
  const example = drawn.get(sheet) ?? {
    thumb: thumbOf(sheet, WIDE),
    representative: sheet.procedure.representative,
    lengths: sheet.lengths
      .filter(({ stage, stated }) => stage === "prepared" && stated !== null)
      .slice(0, MOST_LENGTHS)
      .map(({ name, nominal }) => ({ name, nominal })),
  };
  drawn.set(sheet, example);
  return example;
}

export default function ShelfPage() {
  const { cables, procedures, tools, instruments, meters, entries } = library(theStore());
  return (
    <ShelfView
      cables={cables}
      styles={procedures.map(styleOf)}
      examples={Object.fromEntries(
        [...exampleSheets({ procedures, cables, tools })].map(([id, sheet]) => [id, exampleOf(sheet)]),
      )}
      tools={tools}
      instruments={instruments}
      meters={meters}
      entries={entries}
    />
  );
}
