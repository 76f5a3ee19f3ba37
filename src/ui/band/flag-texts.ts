import { featureOf, type RunSheet, type SheetFeature, toldPlace, um } from "@/core";
import { t } from "@/messages/band";
import { figureText, type Units } from "../words/length-text";
import type { FlagText } from "./flags";
import type { BandGeometry } from "./geometry";

export function flagTexts(
  sheet: RunSheet,
  { features, scale }: BandGeometry,
  line: number,
  lit: readonly string[],
  units: Units,
): FlagText[] {
  const nameOf = (id: string) => sheet.features.find((feature) => feature.id === id)?.name ?? id;
  const root = sheet.features[0]?.id;
  const madeAt = (id: string) => sheet.features.find((feature) => feature.id === id)?.madeAt ?? -1;
  return features.flatMap((feature) => {
    const figure = sheet.lines.find((line) => line.figure?.feature === feature.id)?.figure;
    if (!figure) return [];
    const { datum, distance: toBe } = figure.own;
    const isThere = sheet.features.some(({ id }) => id === datum);
    const distance =
      datum === feature.id || !isThere
        ? toBe
        : toldPlace(um(feature.position - featureOf(sheet, datum).position), toBe);
    const own =
      datum === root || datum === feature.id || madeAt(datum) > feature.madeAt
        ? ""
        : ` · ${figureText(Math.abs(distance), units, figure.own)} ${distance < 0 ? t("before-the", { nameOf: nameOf(datum) }) : t("further-on")}`;
    return [
      {
        id: feature.id,
        x: scale.x(feature.position),
        main: figureText(toldPlace(feature.position, figure.fromEnd), units, figure.own),
        note: `${feature.name}${own}`,
        first: lit.includes(feature.id) || (lit.length === 0 && feature.madeAt === line),
      },
    ];
  });
}

/** A mark drawn and not cut away: shown as a ring on the cable. */
export function isRing({ id, kind, madeAt }: SheetFeature, sheet: RunSheet, line: number): boolean {
  if (madeAt > line || madeAt < 0) return false;
  const cut = sheet.lines.some(({ index, bares }) => index <= line && bares.some(({ edge }) => edge === id));
  return kind === "mark" || (kind === "edge" && !cut);
}
