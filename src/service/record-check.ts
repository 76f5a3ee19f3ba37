import { createHash } from "node:crypto";
import { z } from "zod";
import { check, type Entry, endState, type Recorded } from "@/core";
import { type EntryRow, entryHash, entryRows, foundingHash } from "@/store/chain";
import type { Store } from "@/store/database";
import { bodyOf } from "@/store/documents";
import { countEnds, type EndRow, endsFrom } from "@/store/ends";
import { photoBytes } from "@/store/photos";
import { columnsOf, sheetOf } from "./ends";

/** Something in the record that is not as it was written. */
export interface Altered {
  readonly end: string;
  /** Job and label, as the row has them. */
  readonly name: string;
  /** Place in the end's history, where it is an entry. */
  readonly seq: number | null;
  readonly what: string;
}

export interface RecordChecked {
  readonly ends: number;
  readonly entries: number;
  readonly altered: readonly Altered[];
  /** Where the next stretch goes on; null at the end. */
  readonly next: string | null;
  /** Ends there are in all. */
  readonly of: number;
}

/** Ends checked in one stretch, so that a long record shows how far it is and can be stopped. */
export const STRETCH = 50;

export const zRecordCheck = z.strictObject({ after: z.string().max(60).default("") });

/**
 * Checks a stretch of the record: every end's chain of hashes from what it was started as to its last entry, the
 * documents it was made by, the columns that follow from its entries, its photographs.
 */
export function checkRecord(store: Store, input: unknown): RecordChecked {
  const { after } = check(zRecordCheck, input);
  const rows = endsFrom(store, after, STRETCH);
  let count = 0;
  const altered = rows.flatMap((row) => {
    const entries = entryRows(store, row.id);
    count += entries.length;
    const name = [row.job, row.label].filter(Boolean).join(" · ");
    return checkEnd(store, row, entries).map(({ seq = null, what }) => ({ end: row.id, name, seq, what }));
  });
  return {
    ends: rows.length,
    entries: count,
    altered,
    next: rows.length === STRETCH ? (rows.at(-1)?.id ?? null) : null,
    of: countEnds(store),
  };
}

type Found = { readonly seq?: number; readonly what: string };

function checkEnd(store: Store, row: EndRow, entries: readonly EntryRow[]): Found[] {
  const broken = brokenLink(row, entries);
  if (broken) return [broken];
  const documents = [row.procedureHash, row.cableHash, row.toolsHash].filter(
    (hash) => createHash("sha256").update(bodyOf(store, hash)).digest("hex") !== hash,
  );
  if (documents.length > 0) return [{ what: "A document it was made by is not as it was." }];
  const history = entries.map(
    ({ id, seq, at, client, entry }): Recorded => ({
      id,
      seq,
      at,
      client,
      entry: JSON.parse(entry) as Entry,
    }),
  );
  return [...photosGone(store, history), ...rowAltered(store, row, history)];
}

/** The first link that does not hold: an entry changed, put in, taken out, or the end itself changed. */
function brokenLink(row: EndRow, entries: readonly EntryRow[]): Found | null {
  let before = foundingHash(row);
  for (const [i, entry] of entries.entries()) {
    if (i === 0 && entry.before !== before)
      return { what: "What the end was started as was changed, or its first entry is gone." };
    if (entry.before !== before)
      return { seq: entry.seq, what: "An entry before this one was taken out or changed." };
    if (entryHash(entry) !== entry.hash) return { seq: entry.seq, what: "This entry was changed." };
    before = entry.hash;
  }
  if (before === row.lastHash) return null;
  return entries.length === 0
    ? { what: "What the end was started as was changed, or its entries are gone." }
    : { what: "Entries at the end of its history are gone." };
}

const photosGone = (store: Store, history: readonly Recorded[]): Found[] =>
  history.flatMap(({ seq, entry }) =>
    entry.kind === "photo" && !photoBytes(store, entry.sha256)
      ? [{ seq, what: "Its photograph is gone or was changed." }]
      : [],
  );

/** The row beside the entries: what it says of the sign-off must be what they say. */
function rowAltered(store: Store, row: EndRow, history: readonly Recorded[]): Found[] {
  const { sheet } = sheetOf(store, row);
  const follows = columnsOf(sheet, endState(history), row.rule);
  const said = (["job", "label", "signedBy", "signedAt", "at"] as const).filter(
    (key) => row[key] !== follows[key],
  );
  if (said.length > 0) return [{ what: `Its row was changed: ${said.join(", ")}.` }];
  if (row.result !== follows.result || JSON.stringify(row.verdicts) !== JSON.stringify(follows.verdicts))
    return [
      { what: "Its kept verdicts are not what its readings give: changed, or judged by an older version." },
    ];
  return [];
}

/** Checks the whole record, stretch by stretch. */
export function* checkWholeRecord(store: Store): Generator<RecordChecked> {
  for (let after: string | null = ""; after !== null; ) {
    const stretch: RecordChecked = checkRecord(store, { after });
    yield stretch;
    after = stretch.next;
  }
}
