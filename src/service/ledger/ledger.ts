import type { z } from "zod";
import {
  drawnEnd,
  type EndId,
  endState,
  InputError,
  type Person,
  type RecordDocument,
  type RunSheet,
  type zLedgerQuery,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { signersOf } from "@/store/record/ends";
import {
  countSigned,
  type LedgerFilter,
  type SignedRow,
  secondSigned,
  signedEnds,
  signedStyles,
} from "@/store/record/signed";
import { allPeople } from "@/store/workshop/people";
import { type End, getEnd } from "../end/ends";
import { sheetOf } from "../end/kept-sheets";
import { photosOf } from "../end/photos";
import { endRecord, recordJson, recordsOf } from "../end/record";
import {
  dayAfter,
  type LedgerDay,
  type LedgerTotals,
  type LineDetails,
  ledgerDay,
  ledgerTotals,
  lineDetails,
} from "./ledger-lines";
import { csvPieces } from "./record-csv";

/** A page of the ledger. */
const LEDGER_PAGE = 60;

type LedgerQuery = z.output<typeof zLedgerQuery>;

export interface LedgerPage {
  readonly rows: readonly (SignedRow & { readonly sheet: RunSheet })[];
  readonly count: number;
  readonly styles: readonly { style: string; styleName: string }[];
  /** Where the next page goes on, or null at the end. */
  readonly next: string | null;
}

/** The query of a ledger of one end, the oldest on record; of none where there are not two. */
export function ledgerOfOne(store: Store): string {
  const second = secondSigned(store);
  return second
    ? `before=${encodeURIComponent(`${second.signedAt}~${second.id}`)}`
    : "find=warm-before-anybody-asks";
}

/** A query of the ledger as the store filters by it. */
export function filterOf({ result, style, purpose, find, from, to, before }: LedgerQuery): LedgerFilter {
  const [signedAt, id] = before?.split("~") ?? [];
  return {
    result,
    style,
    purpose,
    words: find?.split(/\s+/).filter(Boolean),
    since: from,
    until: to && dayAfter(to),
    before: signedAt && id ? { signedAt, id } : undefined,
  };
}

/** Ends on record, newest first, a page at a time. @throws InputError for a query it cannot read. */
export function ledgerPage(store: Store, query: LedgerQuery): LedgerPage {
  const filter = filterOf(query);
  const rows = signedEnds(store, filter, LEDGER_PAGE + 1);
  const shown = rows.slice(0, LEDGER_PAGE);
  const last = shown.at(-1);
  return {
    rows: shown.map((row) => ({ ...row, sheet: sheetOf(store, row) })),
    count: countSigned(store, { ...filter, before: undefined }),
    styles: signedStyles(store),
    next: rows.length > LEDGER_PAGE && last ? `${last.signedAt}~${last.id}` : null,
  };
}

/** A page of the ledger with each end's details, sums over all ends of the query, and a day of it drawn. */
interface LedgerShown extends LedgerPage {
  readonly details: readonly LineDetails[];
  readonly sum: LedgerTotals;
  /** The day asked for, or the last one with an end; null where the query finds none. */
  readonly day: LedgerDay | null;
}

/** A page of the ledger as it is shown. @throws InputError for a query it cannot read. */
export function ledgerShown(store: Store, query: LedgerQuery): LedgerShown {
  const page = ledgerPage(store, query);
  const filter = filterOf(query);
  const isOneDay = query.from !== undefined && query.from === query.to;
  const day = isOneDay ? query.from : page.rows[0]?.signedAt?.slice(0, 10);
  return {
    ...page,
    details: lineDetails(
      store,
      page.rows.map(({ id }) => id),
    ),
    sum: ledgerTotals(store, filter),
    day: day ? ledgerDay(store, filter, day) : null,
  };
}

/** Connectors with an end of work on record, by name. */
export const stylesOnRecord = (store: Store): LedgerPage["styles"] => signedStyles(store);

/** Everyone who signed work off, by name. */
export function signers(store: Store): Person[] {
  const signed = new Set(signersOf(store));
  return allPeople(store)
    .filter(({ ids }) => ids.some((id) => signed.has(id)))
    .sort((a, b) => a.name.localeCompare(b.name));
}

function* allSigned(store: Store, wanted: LedgerFilter): Generator<End> {
  let filter = wanted;
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

/** A record for paper: as it is shown, the sheet it was worked by, its photographs. */
interface RecordForPaper {
  readonly record: RecordDocument;
  readonly sheet: RunSheet;
  readonly photos: ReadonlyMap<string, Buffer>;
  readonly form: "page" | "log";
}

/** The filtered ledger's records for paper, one at a time. @throws InputError when there are too many to be read on paper. */
export function ledgerForPaper(store: Store, query: LedgerQuery): Generator<RecordForPaper> {
  const filter = filterOf(query);
  if (countSigned(store, filter) > MOST_ON_PAPER)
    throw new InputError("too-many", say("a-pdf-can-have-at-most-records", { mostOnPaper: MOST_ON_PAPER }));
  return forPaper(store, filter);
}

/** One end's record for paper, signed off or not. @throws InputError `not-found`. */
export function onPaper(store: Store, id: EndId, form: RecordForPaper["form"] = "page"): RecordForPaper {
  const end = getEnd(store, id);
  const record = recordJson(endRecord(store, end.id));
  return {
    record,
    sheet: drawnEnd(end.sheet, endState(end.events), end.rule).sheet,
    photos: photosOf(store, [record]),
    form,
  };
}

function* forPaper(store: Store, filter: LedgerFilter): Generator<RecordForPaper> {
  for (const { record, end } of recordsOf(store, allSigned(store, filter))) {
    const json = recordJson(record);
    yield {
      record: json,
      sheet: drawnEnd(end.sheet, endState(end.events), end.rule).sheet,
      photos: photosOf(store, [json]),
      form: "log" as const,
    };
  }
}

function* recordsFor(store: Store, filter: LedgerFilter): Generator<RecordDocument> {
  for (const { record } of recordsOf(store, allSigned(store, filter))) yield recordJson(record);
}

/**
 * The filtered ledger piece by piece, an end at a time, so that none of it need be held: as JSON, one record an end, or as
 * CSV. A query it cannot read is refused at once, before the first piece.
 */
export function ledgerPieces(store: Store, format: "json" | "csv", query: LedgerQuery): Generator<string> {
  const records = recordsFor(store, filterOf(query));
  return format === "csv" ? csvPieces(records) : jsonPieces(records);
}

function* jsonPieces(records: Iterable<RecordDocument>): Generator<string> {
  let before = "[";
  for (const record of records) {
    yield before + JSON.stringify(record);
    before = ",\n";
  }
  yield before === "[" ? "[]" : "]";
}

/** The filtered ledger as JSON, one record an end. */
export const ledgerJson = (store: Store, query: LedgerQuery): RecordDocument[] => [
  ...recordsFor(store, filterOf(query)),
];

/** The filtered ledger as CSV. */
export const ledgerCsv = (store: Store, query: LedgerQuery): string =>
  [...ledgerPieces(store, "csv", query)].join("");
