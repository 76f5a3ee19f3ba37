import Papa from "papaparse";
import { z } from "zod";
import { check, InputError, type Result, type RunSheet } from "@/core";
import type { Store } from "@/store/database";
import { countSigned, signedEnds, signedStyles, signersOf } from "@/store/ends";
import { type End, type EndSummary, getEnd, sheetOf } from "./ends";
import { type EndRecord, endRecord } from "./record";

export const RESULTS = [
  "in",
  "out",
  "unsure",
  "unmeasured",
  "cut-off",
  "discarded",
] as const satisfies readonly Result[];

/** A page of the ledger. */
export const LEDGER_PAGE = 60;

/** A day as a calendar writes it; the ledger counts days in UTC. */
const zDay = z.iso.date("A day is written year-month-day: 2026-11-26");

export const zLedgerQuery = z.strictObject({
  result: z.enum(RESULTS, { error: `A result is one of ${RESULTS.join(", ")}` }).optional(),
  style: z.string().max(80).optional(),
  find: z.string().max(200, "At most 200 characters can be looked for").optional(),
  from: zDay.optional(),
  to: zDay.optional(),
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/, "The place to go on from is not one this ledger gave")
    .optional(),
});

export interface LedgerPage {
  readonly rows: readonly (EndSummary & { readonly sheet: RunSheet })[];
  readonly count: number;
  readonly styles: readonly { style: string; styleName: string }[];
  /** Where the next page goes on, or null at the end. */
  readonly next: string | null;
}

function filterOf(query: unknown) {
  const { result, style, find, from, to, before } = check(zLedgerQuery, query);
  const [signedAt, id] = before?.split("~") ?? [];
  return {
    result,
    style,
    words: find?.split(/\s+/).filter(Boolean),
    since: from,
    until: to && dayAfter(to),
    before: signedAt && id ? { signedAt, id } : undefined,
  };
}

const dayAfter = (day: string): string => new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10);

/** Ends on record, newest first, a page at a time. @throws InputError for a query it cannot read. */
export function ledgerPage(store: Store, query: unknown): LedgerPage {
  const filter = filterOf(query);
  const rows = signedEnds(store, filter, LEDGER_PAGE + 1);
  const shown = rows.slice(0, LEDGER_PAGE);
  const last = shown.at(-1);
  return {
    rows: shown.map((row) => ({ ...row, sheet: sheetOf(store, row).sheet })),
    count: countSigned(store, { ...filter, before: undefined }),
    styles: signedStyles(store),
    next: rows.length > LEDGER_PAGE && last ? `${last.signedAt}~${last.id}` : null,
  };
}

/** Everyone who signed an end off, by name. */
export const signers = (store: Store): string[] => signersOf(store);

function* allSigned(store: Store, query: unknown): Generator<End> {
  let filter = filterOf(query);
  for (;;) {
    const rows = signedEnds(store, filter, LEDGER_PAGE);
    for (const { id } of rows) yield getEnd(store, id);
    const last = rows.at(-1);
    if (!last?.signedAt || rows.length < LEDGER_PAGE) return;
    filter = { ...filter, before: { signedAt: last.signedAt, id: last.id } };
  }
}

/** The most records put on paper at once: about a page each. */
export const MOST_ON_PAPER = 60;

/** The filtered ledger's records for paper. @throws InputError when there are too many to be read on paper. */
export function ledgerForPaper(store: Store, query: unknown): { record: EndRecord; sheet: RunSheet }[] {
  const records: { record: EndRecord; sheet: RunSheet }[] = [];
  for (const end of allSigned(store, query)) {
    if (records.length === MOST_ON_PAPER)
      throw new InputError(
        "too-many",
        `A PDF holds at most ${MOST_ON_PAPER} records: narrow the ledger by result or style first.`,
      );
    records.push({ record: endRecord(end), sheet: end.sheet });
  }
  return records;
}

/** The filtered ledger as JSON, one record an end. */
export const ledgerJson = (store: Store, query: unknown): unknown[] =>
  [...allSigned(store, query)].map(endRecord);

/** How a cell starts that a spreadsheet would run; the library's own test misses one with a line break in it. */
const RUNS = /^[=+\-@\t\r]/;

/** The filtered ledger as CSV, one row a reading; a cell that a spreadsheet would run is made plain text. */
export function ledgerCsv(store: Store, query: unknown): string {
  const rows = [...allSigned(store, query)].flatMap((end): Record<string, string | number>[] => {
    const { lengths, signed, ...record } = endRecord(end);
    const common = {
      end: record.id,
      job: record.job,
      label: record.label,
      style: record.style.name,
      as: record.as.join(", "),
      revision: record.style.revision,
      figures: record.style.figures.kind,
      cable: record.cable.name,
      core: record.cable.core,
      signed_by: signed?.name ?? "",
      signed_at: signed?.at ?? "",
      outcome: signed?.outcome ?? "",
      result: record.result,
      looks: record.looks.map(({ asks, sees }) => `${asks} ${sees ?? "not answered"}`).join("; "),
      corrections: record.corrections.map(({ says, why, name }) => `${says} (${why}; ${name})`).join("; "),
    };
    const blank = {
      length: "",
      leg: "",
      nominal_mm: "",
      min_mm: "",
      max_mm: "",
      reading_mm: "",
      typed: "",
      instrument: "",
      read_at: "",
      verdict: "",
    };
    const readings = lengths.flatMap(({ name, leg, nominal, min, max, verdict, readings: list }) =>
      list.map(({ value, typed, instrument, at }) => ({
        ...common,
        length: name,
        leg,
        nominal_mm: nominal,
        min_mm: min ?? "",
        max_mm: max ?? "",
        reading_mm: value,
        typed,
        instrument,
        read_at: at,
        verdict: verdict ?? "",
      })),
    );
    return readings.length ? readings : [{ ...common, ...blank }];
  });
  return `${Papa.unparse(rows, { escapeFormulae: RUNS, newline: "\r\n" })}\r\n`;
}
