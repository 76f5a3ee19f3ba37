import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { migrate } from "drizzle-orm/better-sqlite3/migrator";
import { describe, expect, it } from "vitest";
import { EVENT_VERSION, endState, judgementOf, recordOf, type Step, standings } from "@/core";
import { missingGuards } from "@/store/database/guards";
import { GOLDEN, goldenFile } from "@/store/fixtures/golden";
import { noteLiftFrom } from "@/store/opening/lift";
import { beginBringing, isUnderWay, openStore, schemaOf } from "@/store/opening/open";
import { openToLook } from "@/store/opening/read-only";
import { findDocument, keptProcedure } from "@/store/record/documents";
import { findEnd } from "@/store/record/ends";
import { allPeople } from "@/store/workshop/people";
import { getEnd } from "../end/ends";
import { recordJson } from "../end/record";
import { addTo } from "../fixtures/made-ends";
import { recordsCsv } from "../ledger/record-csv";
import { rebuild } from "./rebuild";
import { checkWholeRecord } from "./record-check";

const placed = (schema: (typeof GOLDEN)[number]): string => {
  const file = join(mkdtempSync(join(tmpdir(), "arlent-golden-")), "old.db");
  writeFileSync(file, goldenFile(schema));
  return file;
};

/** From this schema on events lie in their envelopes. */
const ENVELOPED = 9;

/** The version each age wrote its events by. */
function versionOf(schema: number): number {
  if (schema < ENVELOPED) return 1;
  if (schema < 13) return 2;
  return schema < 14 ? 4 : 5;
}

/** What the file says of each event, in the words of its own day. */
const before = (file: string, schema: number) => {
  const old = new Database(file, { readonly: true });
  const events = old
    .prepare(
      schema < ENVELOPED
        ? "SELECT id, end_id, seq, at, client, entry FROM entries ORDER BY rowid"
        : "SELECT id, end_id, seq, at, client, body AS entry FROM events ORDER BY n",
    )
    .all();
  const ends = old.prepare("SELECT id, label, result, signed_by FROM ends ORDER BY id").all();
  old.close();
  return { events, ends };
};

describe.each(GOLDEN)("a database of schema %i", (schema) => {
  const file = placed(schema);
  const was = before(file, schema);
  const version = versionOf(schema);
  const store = openStore(file);

  it("keeps every event word for word, under the version it was written by", () => {
    const now = store.$client
      .prepare("SELECT id, end_id, seq, at, client, body AS entry FROM events ORDER BY n")
      .all();
    expect(now).toEqual(was.events);
    expect(store.$client.prepare("SELECT DISTINCT v FROM events").pluck().all()).toEqual([version]);
    expect(store.$client.prepare("SELECT id, label, result, signed_by FROM ends ORDER BY id").all()).toEqual(
      was.ends,
    );
  });
  it("is found as it was written, and again when it is opened a second time", () => {
    const search = () => [...checkWholeRecord(store)].flatMap(({ findings }) => findings);
    expect(search()).toEqual([]);
    store.$client.close();
    const again = openStore(file);
    expect([...checkWholeRecord(again)].flatMap(({ findings }) => findings)).toEqual([]);
    again.$client.close();
  });
  it("shows every end: its record, on paper and as CSV, from its kept sheet", () => {
    const own = openStore(file);
    const ids = own.$client.prepare<[], string>("SELECT id FROM ends").pluck().all();
    for (const id of ids) {
      const end = getEnd(own, id);
      expect(end.events.every(({ event }) => event.kind !== "unread")).toBe(true);
      const record = recordOf(end, allPeople(own));
      expect(record.lengths).toHaveLength(end.sheet.checks.length);
      expect(recordsCsv([recordJson(record)])).toContain(id);
      expect(standings(end.sheet, endState(end.events), end.rule)).toHaveLength(end.sheet.checks.length);
    }
    own.$client.close();
  });
  it.runIf(schema < ENVELOPED)("has a person for every name that signed, once", () => {
    const own = openStore(file);
    const names = new Set(was.ends.flatMap((end) => (end as { signed_by: string | null }).signed_by ?? []));
    const people = allPeople(own).map(({ name }) => name);
    for (const name of names) expect(people.filter((person) => person === name)).toHaveLength(1);
    expect(
      own.$client
        .prepare("SELECT count(*) FROM ends WHERE signed_by IS NOT NULL AND signer IS NULL")
        .pluck()
        .get(),
    ).toBe(0);
    own.$client.close();
  });
  it("goes on by the version of today, in the same chain", () => {
    const own = openStore(file);
    const open = own.$client.prepare<[], string>("SELECT id FROM ends WHERE signed_at IS NULL").pluck().get();
    addTo(
      own,
      open ?? "",
      { kind: "label", job: "Moor", label: "gone on" },
      { kind: "sign", name: "Tove Marsh", outcome: "cut-off" },
    );
    expect(own.$client.prepare("SELECT DISTINCT v FROM events ORDER BY v").pluck().all()).toEqual([
      ...new Set([version, EVENT_VERSION]),
    ]);
    expect([...checkWholeRecord(own)].flatMap(({ findings }) => findings)).toEqual([]);
    own.$client.close();
  });
});

describe("a file brought on and ended in between, its tables new and its guards not yet in", () => {
  it.each(GOLDEN.filter((schema) => schema < 12))(
    "of schema %i is lifted the next time, and nothing found amiss",
    (schema) => {
      const file = placed(schema);
      const killed = new Database(file);
      beginBringing(killed);
      noteLiftFrom(killed, schemaOf(killed).steps);
      migrate(drizzle(killed), { migrationsFolder: "src/store/migrations" });
      expect(isUnderWay(killed)).toBe(true);
      killed.close();
      const looked = openToLook(file);
      expect([...checkWholeRecord(looked.store)].flatMap(({ findings }) => findings)).toEqual([]);
      looked.close();
      const store = openStore(file);
      expect(isUnderWay(store.$client)).toBe(false);
      expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
      expect(missingGuards(store)).toEqual([]);
      store.$client.close();
    },
  );
  it("still tells of guards that were gone before it was begun", () => {
    const file = placed(11);
    const killed = new Database(file);
    killed.exec("DROP TRIGGER events_keep_rows");
    beginBringing(killed);
    migrate(drizzle(killed), { migrationsFolder: "src/store/migrations" });
    killed.close();
    const store = openStore(file);
    const match = [...checkWholeRecord(store)].flatMap(({ findings }) => findings);
    expect(match.map(({ what: subject }) => subject).join()).toMatch(
      /Guards had been taken off.*events_keep_rows/,
    );
    store.$client.close();
  });
});

describe("a rework of version 2, which wrote what was seen as text", () => {
  const store = openStore(placed(12));
  const id =
    store.$client
      .prepare<[], string>("SELECT end_id FROM events WHERE body LIKE '%glass-end: bad-cleave%'")
      .pluck()
      .get() ?? "";

  it("says on which feature what was seen, in the record and its history", () => {
    const { events } = getEnd(store, id);
    expect(events.flatMap(({ event }) => (event.kind === "rework" ? event.cause.faults : []))).toEqual([
      { feature: "glass-end", what: "bad-cleave" },
    ]);
    expect(recordOf(getEnd(store, id)).reworks.map(({ why }) => why)).toEqual(["bad cleave"]);
  });
  it("goes by a sheet whose answers still say what to try, and a procedure of version 1 that does", () => {
    const tried = ({ steps }: { readonly steps: readonly Step[] }) =>
      steps.flatMap((step) => judgementOf(step)?.answers ?? []).flatMap(({ retries }) => retries);
    const hash = findEnd(store, id)?.procedureHash ?? "";
    expect(findDocument(store, hash)).toMatchObject({ v: 1, body: expect.stringContaining('"redo"') });
    expect(tried(keptProcedure(store, hash))).not.toEqual([]);
    expect(tried({ steps: getEnd(store, id).sheet.lines.map(({ step }) => step) })).not.toEqual([]);
  });
});

describe("an edit of an old file with its hash blanked", () => {
  it("is not made good by opening it: only what never had hashes is chained", () => {
    const file = placed(6);
    const hand = new Database(file);
    for (const name of hand
      .prepare<[], string>("SELECT name FROM sqlite_master WHERE type = 'trigger'")
      .pluck()
      .all())
      hand.exec(`DROP TRIGGER ${name}`);
    const end =
      hand.prepare<[], string>("SELECT id FROM ends WHERE result = 'in' LIMIT 1").pluck().get() ?? "";
    hand
      .prepare(
        "UPDATE entries SET entry = json_set(entry, '$.value', 1) WHERE end_id = ? AND json_extract(entry, '$.kind') = 'reading'",
      )
      .run(end);
    hand.prepare("UPDATE entries SET hash = '', \"before\" = '' WHERE end_id = ?").run(end);
    hand.prepare("UPDATE ends SET last_hash = '' WHERE id = ?").run(end);
    hand.close();
    const store = openStore(file);
    const match = [...checkWholeRecord(store)].flatMap(({ findings }) => findings);
    expect(match.filter((item) => item.end === end)).not.toEqual([]);
    expect(match.some(({ what: subject }) => /Guards had been taken off/.test(subject))).toBe(true);
  });
});

describe("an event of a newer version, or of no kind there is", () => {
  it("is kept and shown as such, stops nobody from reading the rest, and nothing is added after it", () => {
    const store = openStore(placed(6));
    const end =
      store.$client.prepare<[], string>("SELECT id FROM ends WHERE signed_at IS NULL").pluck().get() ?? "";
    const seq = getEnd(store, end).events.length;
    const put = (n: number, v: number, body: string) =>
      store.$client
        .prepare(
          "INSERT INTO events (id, end_id, seq, v, at, client, body, \"before\", hash) VALUES (?, ?, ?, ?, '2031-01-01T00:00:00.000Z', 'x', ?, '', '')",
        )
        .run(`00000000-0000-4000-8000-00000000000${n}`, end, seq + n, v, body);
    put(1, 9, '{"event":{"kind":"laser"},"v":9}');
    put(2, 2, '{"event":{"kind":"dance"},"v":2}');
    store.$client.prepare("UPDATE ends SET last_hash = 'of a newer one' WHERE id = ?").run(end);
    const { events } = getEnd(store, end);
    expect(events.slice(-2).map(({ event }) => event)).toEqual([
      { kind: "unread", why: "newer", v: 9, says: "laser" },
      { kind: "unread", why: "strange", v: 2, says: "dance" },
    ]);
    expect(recordOf(getEnd(store, end)).unread).toHaveLength(2);
    expect(() => addTo(store, end, { kind: "spare", length: 1 })).toThrow(/newer version of Arlent/);
  });
  it("a file of a newer program is refused with nothing changed", () => {
    const file = placed(6);
    openStore(file).$client.close();
    const hand = new Database(file);
    hand.exec("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)");
    hand.close();
    expect(() => openStore(file)).toThrow(/newer version of Arlent/);
  });
});

describe("lists that follow from events", () => {
  it("are written anew by one command, whatever became of them, and then agree with the record", () => {
    const store = openStore(placed(6));
    const tables = ["readings", "verdicts", "attempts", "uses"] as const;
    const all = () =>
      tables.map((table) => store.$client.prepare(`SELECT * FROM ${table} ORDER BY 1, 2`).all());
    const was = all();
    for (const table of tables) store.$client.exec(`DELETE FROM ${table}`);
    store.$client.exec("UPDATE ends SET label = 'gone', at = 99");
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).not.toEqual([]);
    expect([...rebuild(store)].flatMap(({ failed }) => failed)).toEqual([]);
    expect(all()).toEqual(was);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
  });
});
