import { randomUUID } from "node:crypto";
import type Database from "better-sqlite3";
import type { EventInput } from "@/core";
import { check, zAddInside, zStart } from "@/core";
import { actOn } from "@/service/act";
import { addEvents, getEnd, startEnd } from "@/service/end/ends";
import { canonical } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { eventHash, foundingHash } from "@/store/record/chain";
import { findEnd } from "@/store/record/ends";
import { enterHead } from "@/store/record/heads";
import { addToRegister } from "@/store/record/register";

type Row = Record<string, unknown>;

const MINUTE = 60_000;
const FIRST = Date.parse("2024-01-08T07:00:00Z");

/** Styles of the library and a cable each, so that filters have something to choose from. */
const STYLES = [
  { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" },
  { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" },
  { cable: "distribution-900", procedure: "stub-wedge-release-900", core: "9/125" },
] as const;

/** One end as the program itself makes it, with so many readings, signed off or not. */
function original(store: Store, style: (typeof STYLES)[number], readings: number, signed: boolean): string {
  const { id } = startEnd(actOn(store), check(zStart, style));
  const { checks, parts, lines } = getEnd(store, id).sheet;
  const add = (events: readonly EventInput[]) =>
    addEvents(
      actOn(store),
      id,
      check(zAddInside, {
        client: "perf",
        after: 0,
        events: events.map((event) => ({ id: randomUUID(), event })),
      }),
    );
  add([
    { kind: "label", job: "Pad 04", label: "port 01" },
    ...parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })),
    { kind: "step", to: lines.findIndex(({ step }) => step.kind === "measure") },
  ]);
  const all = Array.from({ length: readings }, (_, i): EventInput => {
    const check = checks[i % checks.length];
    const value = (check?.nominal ?? 0) + (i % 7) * 10;
    return {
      kind: "reading",
      check: check?.id ?? "",
      value,
      typed: String(value / 1000),
      unit: "mm",
      instrument: { id: "digital-calliper", name: "Digital calliper", resolution: 10, repeatability: 20 },
    };
  });
  for (let i = 0; i < all.length; i += 100) add(all.slice(i, i + 100));
  if (signed) add([{ kind: "sign", name: "Wyn Harrow", outcome: "kept" }]);
  return id;
}

const rowsOf = (db: Database.Database, table: string, end: string): Row[] =>
  db.prepare<[string], Row>(`SELECT * FROM ${table} WHERE end_id = ?`).all(end);

/** A statement that writes rows of one table as they are. */
function writer(db: Database.Database, table: string) {
  const columns = db
    .prepare<[], { name: string }>(`SELECT name FROM pragma_table_info('${table}')`)
    .all()
    .map(({ name }) => name);
  const write = db.prepare(
    `INSERT INTO ${table} (${columns.map((name) => `"${name}"`).join(", ")}) VALUES (${columns.map((name) => `@${name}`).join(", ")})`,
  );
  return (row: Row) => write.run(row);
}

const parsed = (text: unknown): Row => JSON.parse(String(text));

interface CopyOf {
  readonly id: string;
  readonly at: string;
  readonly names: { readonly job: string; readonly label: string };
  /** The hash of the event before it. */
  readonly before: string;
}

/** An event of an end, chained to its copy. */
function copiedEvent(event: Row, { id, at, names, before }: CopyOf) {
  const eventId = randomUUID();
  const envelope = parsed(event.body);
  const said = envelope.event as Row;
  const named = said.kind === "label" ? { ...said, ...names } : said;
  const body = canonical({ ...envelope, id: eventId, end: id, at, event: named });
  const of = { id: eventId, seq: Number(event.seq), v: Number(event.v), at, body, before };
  const hash = eventHash({ ...of, endId: id, client: "perf" });
  const row = { ...event, n: null, id: eventId, end_id: id, at, body, before, hash };
  return { row, signs: said.kind === "sign" };
}

/**
 * Fills a database with copies of ends the program made itself, each with ids, times, names and chain of its own: a year's
 * work in a minute.
 */
export function manyEnds(
  store: Store,
  {
    ends,
    readings,
    signed = true,
  }: { readonly ends: number; readonly readings: number; readonly signed?: boolean },
): void {
  const db = store.$client;
  db.pragma("synchronous = OFF");
  const write = {
    ends: writer(db, "ends"),
    events: writer(db, "events"),
    readings: writer(db, "readings"),
    verdicts: writer(db, "verdicts"),
  };
  const originals = STYLES.map((style) => {
    const id = original(store, style, readings, signed);
    const [end] = db.prepare<[string], Row>("SELECT * FROM ends WHERE id = ?").all(id);
    return {
      end: end ?? {},
      events: rowsOf(db, "events", id),
      readings: rowsOf(db, "readings", id),
      verdicts: rowsOf(db, "verdicts", id),
    };
  });
  const copy = (i: number): void => {
    const from = originals[i % originals.length];
    if (!from) return;
    const id = randomUUID();
    const at = new Date(FIRST + i * 10 * MINUTE).toISOString();
    const names = { job: `Pad ${String((i % 90) + 1).padStart(2, "0")}`, label: `port ${i}` };
    write.ends({
      ...from.end,
      id,
      created_at: at,
      founding: canonical({ ...parsed(from.end.founding), id, at }),
      ...names,
      signed_at: signed ? at : null,
    });
    const row = findEnd(store, id);
    if (!row) throw new Error("an end was not written");
    const begun = foundingHash(row);
    addToRegister(store, "end", id, begun);
    const ids = new Map<unknown, string>();
    let before = begun;
    for (const event of from.events) {
      const copied = copiedEvent(event, { id, at, names, before });
      ids.set(event.id, copied.row.id);
      before = copied.row.hash;
      write.events(copied.row);
      if (copied.signs) addToRegister(store, "signed", id, before);
    }
    for (const reading of from.readings)
      write.readings({ ...reading, event_id: ids.get(reading.event_id), end_id: id, at });
    for (const verdict of from.verdicts) write.verdicts({ ...verdict, end_id: id });
    db.prepare("UPDATE ends SET last_hash = ? WHERE id = ?").run(before, id);
    enterHead(store, id, before);
  };
  for (let i = 0; i < ends; i += 500)
    db.transaction(() => {
      for (let at = i; at < Math.min(i + 500, ends); at++) copy(at);
    })();
}
