import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { problemOf, stripMarks } from "@/core";
import { t } from "@/messages/app";
import { cardSheet } from "@/service/shelf/card-sheet";
import { theStore } from "@/service/the-store";
import { CardView } from "@/ui/card/card-view";
import { readSelection, writeSelection } from "@/ui/sheet/selection";
import { asText } from "@/ui/words/length-text";

export const metadata: Metadata = { title: t("strip-card") };
export const dynamic = "force-dynamic";

type Params = Record<string, string | string[] | undefined>;

/** The strip card of the sheet its address names. */
export default async function Page({ searchParams }: { searchParams: Promise<Params> }) {
  const pairs = Object.entries(await searchParams).flatMap(([key, value]) =>
    typeof value === "string" ? [[key, value] as const] : [],
  );
  const selection = readSelection(pairs);
  const { cable, style, core, choices } = selection;
  if (!cable || !style) notFound();
  const wanted = { cable, procedure: style, ...(core ? { core } : {}), choices: JSON.stringify(choices) };
  try {
    const sheet = cardSheet(theStore(), wanted);
    return (
      <CardView
        wanted={wanted}
        name={asText(sheet)}
        marks={stripMarks(sheet).length}
        sheetHref={`/?${writeSelection(selection)}`}
      />
    );
  } catch (error) {
    if (problemOf(error)) notFound();
    throw error;
  }
}
