import Papa from "papaparse";
import type { Insight } from "@/core";
import { BYTE_ORDER_MARK, CSV_SETTINGS } from "../ledger/record-csv";

const COLUMNS = ["card", "name", "about", "ends", "failed", "figure", "unit", "ids"] as const;
type Row = Partial<Record<(typeof COLUMNS)[number], string | number>>;

const UNITS = { length: "mm", loss: "dB", minutes: "min" } as const;

function rowsOf({ causes, runs, ways, weeks, blades, people }: Insight): Row[] {
  return [
    ...causes.map(
      ({ question, value, under, failedUnder, ends }): Row => ({
        ...{ card: "cause", name: question, about: value, ends: under, failed: failedUnder },
        ids: ends.join(" "),
      }),
    ),
    ...runs.map(({ of, name, styleName, tool, person, signal, moved, ends }): Row => {
      const figure = moved === null ? "" : Number((of === "length" ? moved / 1_000 : moved).toFixed(3));
      const since = signal === null ? [] : ends.slice(signal - 1);
      return {
        ...{ card: "moved", name: [styleName, name, tool].filter(Boolean).join(", "), about: person },
        ...{ ends: ends.length, figure, unit: UNITS[of], ids: since.map(({ id }) => id).join(" ") },
      };
    }),
    ...ways.map(
      ({ name, good, tried, minutes }): Row => ({
        ...{ card: "way", name, ends: tried, failed: tried - good, unit: "min" },
        figure: minutes === null ? "" : Number(minutes.toFixed(1)),
      }),
    ),
    ...weeks.map(
      ({ week, first: { good, tried }, fresh }): Row => ({
        ...{ card: "week", name: week, ends: tried, failed: tried - good },
        about: fresh.map(({ question, value }) => `${question} ${value}`).join("; "),
      }),
    ),
    ...blades.flatMap(({ name, ages }) =>
      ages.map(
        ({ upTo, ends, failed, failedEnds }): Row => ({
          ...{ card: "blade", name, ends, failed, figure: Math.round(upTo), unit: "cleaves" },
          ids: failedEnds.join(" "),
        }),
      ),
    ),
    ...people.map(
      ({ name, first: { good, tried }, beside }): Row => ({
        ...{ card: "person", name, about: beside, ends: tried, failed: tried - good },
      }),
    ),
  ];
}

/** Findings of the record as CSV: a row each, with the ids of its ends. */
export const insightCsv = (insight: Insight): string =>
  `${BYTE_ORDER_MARK}${Papa.unparse(rowsOf(insight), { ...CSV_SETTINGS, columns: [...COLUMNS] })}\r\n`;
