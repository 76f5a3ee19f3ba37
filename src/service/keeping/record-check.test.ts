import { spawnSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { getTableColumns, getTableName, is } from "drizzle-orm";
import { SQLiteTable } from "drizzle-orm/sqlite-core";
import fc from "fast-check";
import sharp from "sharp";
import { beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { RecordFinding } from "@/core";
import {
  check,
  mustHoldAt,
  NEW_FEEDER,
  zAddClosureEvents,
  zBatch,
  zMerge,
  zNewClosure,
  zNewFeeder,
  zNewJob,
  zNewPerson,
  zNewPieces,
  zNewReference,
  zNewToolCheck,
  zPhotoQuery,
  zSave,
  zSavePlan,
  zStart,
  zStudy,
  zToolEvent,
} from "@/core";
import { GUARDS } from "@/store/database/guards";
import type { Store } from "@/store/database/store";
import { goldenFile } from "@/store/fixtures/golden";
import { openStore } from "@/store/opening/open";
import { eventHash, eventRows, foundingHash } from "@/store/record/chain";
import { findEnd } from "@/store/record/ends";
import * as schema from "@/store/schema";
import { CLOSURE, PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { enter } from "../crew/log";
import { addPerson, mergePerson } from "../crew/people";
import { startBatch } from "../end/batches";
import { getEnd, startEnd } from "../end/ends";
import { addPhoto } from "../end/photos";
import { codeOf } from "../fixtures/code-of";
import { addTo, CAM, endRead, signedEnd } from "../fixtures/made-ends";
import { addClosureEvents } from "../job/closure-events";
import { addClosure } from "../job/closures";
import { addFeeder } from "../job/feeders";
import { addPieces, newJob, savePlan } from "../job/jobs";
import { documentText, saveDocument } from "../shelf/shelf";
import { shareReference } from "../workshop/light-references";
import { addStudy } from "../workshop/studies";
import { checkTool } from "../workshop/tool-checks";
import { seeToBlade } from "../workshop/tools";
import { checkWholeRecord } from "./record-check";
import { checkSeal, makeSeal } from "./seal";

const findings = (store: Store): RecordFinding[] =>
  [...checkWholeRecord(store)].flatMap(({ findings: all }) => [...all]);
const alterations = (store: Store): RecordFinding[] => findings(store).filter(({ note }) => !note);
/** Whether anything is found to be altered: what comes after the first is not looked at. */
function isAltered(store: Store): boolean {
  for (const { findings: all } of checkWholeRecord(store)) if (all.some(({ note }) => !note)) return true;
  return false;
}

/** Changes the file as somebody with a database tool would, the guards taken away first; undone when it was looked at. */
function tampered<T>(store: Store, change: (database: Database.Database) => void, look: () => T): T {
  const database = store.$client;
  database.pragma("foreign_keys = OFF");
  database.exec("BEGIN");
  try {
    for (const { name } of GUARDS) database.exec(`DROP TRIGGER ${name}`);
    change(database);
    for (const guard of GUARDS) database.exec(guard.sql);
    return look();
  } finally {
    database.exec("ROLLBACK");
    database.pragma("foreign_keys = ON");
  }
}

/** Changes what a column of the first or the last row of a table says. */
function changeColumn(
  database: Database.Database,
  {
    table,
    column,
    order,
  }: { readonly table: string; readonly column: string; readonly order: "ASC" | "DESC" },
): void {
  const row = database
    .prepare(`SELECT rowid AS r, "${column}" AS v FROM ${table} ORDER BY rowid ${order}`)
    .get();
  const { r, v } = row as { r: number; v: unknown };
  const changed =
    typeof v === "number" ? v + 7_000 : typeof v === "string" && v.length > 3 ? `${v.slice(0, -2)}zz` : "zz";
  database.prepare(`UPDATE ${table} SET "${column}" = ? WHERE rowid = ?`).run(changed, r);
}

const picture = () =>
  sharp({ create: { width: 40, height: 30, channels: 3, background: "#d77" } })
    .png()
    .toBuffer();

/** A record with something in every table: what an older Arlent left, lifted, and what came since. */
async function fullStore(file: string): Promise<Store> {
  writeFileSync(file, goldenFile(6));
  const store = openStore(file);
  const people = addPerson(actOn(store), check(zNewPerson, { name: "Tove Marsh" }));
  const [person] = people;
  const other = addPerson(actOn(store), check(zNewPerson, { name: "T. Marsh" })).find(
    ({ name }) => name === "T. Marsh",
  );
  if (person && other) mergePerson(actOn(store), other.id, check(zMerge, { into: person.id }));
  signedEnd(store, "Wyn Harrow", 0);
  signedEnd(store, "Osla Brandt", 1300);
  const end = endRead(store, "measure", { "glass-end": 1300 });
  await addPhoto(actOn(store), end, check(zPhotoQuery, { client: "test" }), await picture());
  startBatch(actOn(store), check(zBatch, { ...CAM, count: 2, job: "Moor" }));
  startEnd(actOn(store), check(zStart, { ...CAM, purpose: "practice" }));
  if (person)
    addStudy(
      actOn(store),
      check(zStudy, {
        person: person.id,
        instrument: "digital-calliper",
        readings: [9, 9.01, 9.02, 9, 9.01],
      }),
    );
  seeToBlade(actOn(store), "bench-cleaver", check(zToolEvent, { action: "turn" }));
  const text = JSON.parse(documentText(store, "cable", "distribution-900"));
  saveDocument(
    actOn(store),
    "cable",
    check(zSave, {
      document: { ...text, id: "moor-900", name: "Moor 900" },
      basis: null,
    }),
  );
  const act = { ...actOn(store), actor: person?.id ?? null };
  enter(act, { kind: "names", rule: "known" });
  enter(act, { kind: "names", rule: "free" });
  for (const name of ["Moor", "Hills"]) {
    const job = newJob(act, check(zNewJob, { name })).id;
    const [piece] = addPieces(act, job, check(zNewPieces, { pieces: [{ plan: PLAN }, { plan: PLAN }] }));
    for (let i = 0; i < 2; i++) {
      const { id } = addClosure(act, job, check(zNewClosure, { plan: CLOSURE }));
      const event = { id: randomUUID(), event: { kind: "done", item: "permission" } };
      addClosureEvents(act, id, check(zAddClosureEvents, { client: "window", events: [event] }));
    }
    savePlan(act, piece?.id ?? "", check(zSavePlan, { basis: 1, plan: null }));
    addFeeder(act, job, check(zNewFeeder, { plan: NEW_FEEDER }));
    const reference = { taken: act.now.toISOString(), wavelength: 1310, source: "S", cord: "C" };
    shareReference(act, check(zNewReference, { reference: { ...reference, dBm: [-20], celsius: null } }));
    const sights = { answers: { arc: name === "Moor" ? "passed" : "failed" } };
    checkTool(act, check(zNewToolCheck, { tool: "fusion-splicer", sights }));
  }
  return store;
}

const TABLES = Object.values(schema)
  .filter((table) => is(table, SQLiteTable))
  // Results of drills are no record: whoever practised may have them removed.
  .filter((table) => table !== schema.drillResults)
  .map((table) => ({
    name: getTableName(table),
    columns: Object.values(getTableColumns(table)).map((column) => column.name),
  }));

let file: string;
let store: Store;
beforeAll(async () => {
  file = join(mkdtempSync(join(tmpdir(), "arlent-check-")), "a.db");
  store = await fullStore(file);
}, 60_000);

describe("a record with something in every table", () => {
  it("is found whole, every end and event counted", () => {
    expect(alterations(store)).toEqual([]);
    const stretches = [...checkWholeRecord(store)];
    const sum = (of: "ends" | "events") => stretches.reduce((all, stretch) => all + stretch[of], 0);
    expect(sum("ends")).toBe(store.$client.prepare("SELECT count(*) AS n FROM ends").pluck().get());
    expect(sum("events")).toBe(store.$client.prepare("SELECT count(*) AS n FROM events").pluck().get());
    for (const { name } of TABLES)
      expect(store.$client.prepare(`SELECT count(*) FROM ${name}`).pluck().get(), name).not.toBe(0);
  });
  const columns = TABLES.flatMap(({ name, columns: all }) => all.map((column) => ({ table: name, column })));
  it.each(columns)("%o changed in the first row and in the last: found", ({ table, column }) => {
    for (const order of ["ASC", "DESC"] as const)
      tampered(
        store,
        (database) => changeColumn(database, { table, column, order }),
        () => expect(isAltered(store), `${table}.${column} ${order}`).toBe(true),
      );
  });
  it("two changes at once, of columns and of rows, in any tables: found, none hides the other", () => {
    const any = fc.oneof(
      fc.record({
        ...{ kind: fc.constant("column" as const), at: fc.nat(columns.length - 1) },
        order: fc.constantFrom("ASC" as const, "DESC" as const),
      }),
      fc.record({
        kind: fc.constantFrom("out" as const, "exchanged" as const),
        at: fc.nat(TABLES.length - 1),
      }),
    );
    type Change = typeof any extends fc.Arbitrary<infer T> ? T : never;
    const apply = (database: Database.Database, change: Change) => {
      if (change.kind === "column")
        return changeColumn(database, { ...mustHoldAt(columns, change.at), order: change.order });
      const { name, columns: all } = mustHoldAt(TABLES, change.at);
      const [first, last] = ["min", "max"].map((pick) => `(SELECT ${pick}(rowid) FROM ${name})`);
      if (change.kind === "out") return database.exec(`DELETE FROM ${name} WHERE rowid = ${last}`);
      // What two rows say, exchanged: all but what each goes by.
      const [, column = ""] = all;
      const value = (of: string | undefined) =>
        database.prepare(`SELECT "${column}" FROM ${name} WHERE rowid = ${of}`).pluck().get();
      const [here, there] = [value(first), value(last)];
      if (here === there) return changeColumn(database, { table: name, column, order: "ASC" });
      database.prepare(`UPDATE ${name} SET "${column}" = ? WHERE rowid = ${first}`).run(there);
      database.prepare(`UPDATE ${name} SET "${column}" = ? WHERE rowid = ${last}`).run(here);
    };
    fc.assert(
      fc.property(any, any, (here, there) => {
        // Exchanged twice, two rows say what they said.
        fc.pre(JSON.stringify(here) !== JSON.stringify(there));
        const change = (database: Database.Database) => {
          for (const each of [here, there])
            try {
              apply(database, each);
            } catch (error) {
              // A change the tables themselves refuse, as two rows of one id, is none.
              if (!/UNIQUE|NOT NULL/.test(String(error))) throw error;
              changeColumn(database, { table: "events", column: "body", order: "ASC" });
            }
        };
        tampered(store, change, () => expect(isAltered(store)).toBe(true));
      }),
      { numRuns: 60 },
    );
  }, 120_000);
  it.each(TABLES)("a row of $name taken out, the first, the last or one between: found", ({ name }) => {
    for (const pick of ["min(rowid)", "max(rowid)", "(min(rowid) + max(rowid)) / 2"])
      tampered(
        store,
        (database) =>
          database.exec(
            `DELETE FROM ${name} WHERE rowid = (SELECT rowid FROM ${name} WHERE rowid >= (SELECT ${pick} FROM ${name}) LIMIT 1)`,
          ),
        () => expect(isAltered(store), `${name} ${pick}`).toBe(true),
      );
  });
  it("an end taken out with all that is its own: found, by name", () => {
    const id = store.$client
      .prepare("SELECT id FROM ends WHERE signed_at IS NOT NULL ORDER BY rowid DESC")
      .pluck()
      .get();
    tampered(
      store,
      (database) => {
        for (const table of ["events", "readings", "verdicts", "attempts", "uses"])
          database.prepare(`DELETE FROM ${table} WHERE end_id = ?`).run(id);
        database.prepare("DELETE FROM ends WHERE id = ?").run(id);
      },
      () =>
        expect(alterations(store)).toContainEqual(
          expect.objectContaining({ end: id, what: expect.stringMatching(/taken out whole/) }),
        ),
    );
  });
  it("an event cut off the end of an open history, the row put in order with it: found", () => {
    tampered(
      store,
      (database) => {
        const last = database.prepare("SELECT * FROM events ORDER BY n DESC").get() as {
          n: number;
          end_id: string;
          before: string;
        };
        database.prepare("DELETE FROM events WHERE n = ?").run(last.n);
        database.prepare("UPDATE ends SET last_hash = ? WHERE id = ?").run(last.before, last.end_id);
      },
      () => expect(alterations(store).some(({ what: subject }) => /^Rows are gone/.test(subject))).toBe(true),
    );
  });
  /** Makes the chain of an end anew after its events were changed, and puts its row in order with it. */
  const rechained = (database: Database.Database, end: string) => {
    const row = findEnd(store, end);
    let before = row ? foundingHash(row) : "";
    for (const event of eventRows(store, end)) {
      const hash = eventHash({ ...event, before });
      database.prepare("UPDATE events SET before = ?, hash = ? WHERE n = ?").run(before, hash, event.n);
      before = hash;
    }
    database.prepare("UPDATE ends SET last_hash = ? WHERE id = ?").run(before, end);
  };
  const lastEventOf = (condition: string) =>
    store.$client
      .prepare(
        `SELECT n, end_id AS "end" FROM events WHERE n = (SELECT max(n) FROM events JOIN ends ON ends.id = end_id WHERE ${condition})`,
      )
      .get() as { n: number; end: string };
  it("the last event of an open end removed, its row and the numbers put in order: found", () => {
    const { n, end } = lastEventOf("signed_at IS NULL");
    tampered(
      store,
      (database) => {
        database.prepare("DELETE FROM events WHERE n = ?").run(n);
        database.prepare("UPDATE events SET n = n - 1 WHERE n > ?").run(n);
        database.exec("UPDATE sqlite_sequence SET seq = (SELECT max(n) FROM events) WHERE name = 'events'");
        rechained(database, end);
      },
      () =>
        expect(alterations(store)).toContainEqual(
          expect.objectContaining({ end, what: expect.stringMatching(/^Its history is not as far/) }),
        ),
    );
  });
  it("a correction after the sign-off removed in the same way: found", () => {
    const own = openStore(":memory:");
    const end = signedEnd(own, "Wyn Harrow", 0);
    const [first] = getEnd(own, end).events;
    addTo(own, end, {
      kind: "correction",
      corrects: first?.id ?? "",
      says: "Pad 5",
      why: "wrong pad",
      name: "Wyn Harrow",
    });
    expect(alterations(own)).toEqual([]);
    tampered(
      own,
      (database) => {
        const last = database.prepare("SELECT n, before FROM events ORDER BY n DESC").get() as {
          n: number;
          before: string;
        };
        database.prepare("DELETE FROM events WHERE n = ?").run(last.n);
        database.exec("UPDATE sqlite_sequence SET seq = (SELECT max(n) FROM events) WHERE name = 'events'");
        database.prepare("UPDATE ends SET last_hash = ? WHERE id = ?").run(last.before, end);
      },
      () =>
        expect(alterations(own)).toMatchObject([
          { end, what: expect.stringMatching(/^Its history is not as far/) },
        ]),
    );
  });
  it("the times of an open end changed and its chain made anew: found", () => {
    const { end } = lastEventOf(
      "signed_at IS NULL AND (SELECT count(*) FROM events WHERE end_id = ends.id) > 2",
    );
    tampered(
      store,
      (database) => {
        for (const event of eventRows(store, end)) {
          const at = event.at.replace("T", "T0").replace("T00", "T01").slice(0, 24);
          const moved = event.body.replaceAll(event.at, at);
          database.prepare("UPDATE events SET at = ?, body = ? WHERE n = ?").run(at, moved, event.n);
        }
        rechained(database, end);
      },
      () =>
        expect(alterations(store)).toContainEqual(
          expect.objectContaining({ end, what: expect.stringMatching(/^Its history is not as far/) }),
        ),
    );
  });
  it.each(["picked", "rule", "verdicts"])("a blank put into the text of %s: found", (column) => {
    tampered(
      store,
      (database) =>
        database.exec(
          `UPDATE ends SET ${column} = replace(${column}, ':', ': ') WHERE rowid = (SELECT max(rowid) FROM ends WHERE ${column} LIKE '%:%')`,
        ),
      () =>
        expect(alterations(store).map(({ what: detail }) => detail)).toContainEqual(
          expect.stringContaining(column),
        ),
    );
  });
  it.each([
    "UPDATE __drizzle_migrations SET hash = 'zz' WHERE rowid = 2",
    "UPDATE __drizzle_migrations SET created_at = created_at + 7 WHERE rowid = 1",
    "DELETE FROM __drizzle_migrations WHERE rowid = 1",
  ])("the list of its tables' steps changed (%s): found", (change) => {
    tampered(
      store,
      (database) => database.exec(change),
      () =>
        expect(alterations(store).map(({ what: subject }) => subject)).toContain(
          "The list of the steps its tables came by was changed.",
        ),
    );
  });
  it("a finding does not keep the rest from being found", () => {
    tampered(
      store,
      (database) => {
        database.exec("UPDATE documents SET body = 'not JSON' WHERE kind = 'procedure'");
        database.exec("UPDATE ends SET picked = '{' WHERE rowid = 1");
        database.exec("UPDATE events SET body = '[' WHERE n = (SELECT max(n) FROM events)");
        database.exec("DELETE FROM studies");
      },
      () => {
        const match = alterations(store);
        for (const subject of [
          /procedure document was changed/,
          /cannot be read/,
          /This event was changed/,
          /taken out/,
        ])
          expect(
            match.some((item) => subject.test(item.what)),
            String(subject),
          ).toBe(true);
      },
    );
  });
  it("a hash worked out anew for what was changed breaks the link to the next", () => {
    tampered(
      store,
      (database) => database.exec(`UPDATE events SET hash = '${"0".repeat(64)}' WHERE n = 2`),
      () => expect(isAltered(store)).toBe(true),
    );
  });
});

describe("guards", () => {
  it("refuse changing, deleting and replacing, whatever the row", () => {
    const row = store.$client.prepare("SELECT * FROM events WHERE n = 1").get() as Record<string, unknown>;
    const keys = Object.keys(row);
    const replace = () =>
      store.$client
        .prepare(`INSERT OR REPLACE INTO events (${keys.join()}) VALUES (${keys.map(() => "?").join()})`)
        .run(Object.values({ ...row, body: "{}" }));
    expect(replace).toThrow(/only ever added/);
    for (const change of [
      "DELETE FROM ends",
      "UPDATE ends SET rule = '{}'",
      "UPDATE register SET digest = ''",
      "DELETE FROM people_events",
      "UPDATE meta SET value = '0'",
      "REPLACE INTO documents SELECT hash, kind, '{}', v FROM documents",
    ])
      expect(() => store.$client.exec(change), change).toThrow(/SqliteError|added|kept/);
  });
  it("taken off are missed by the check, put back by the next opening, and told ever after", () => {
    const path = join(mkdtempSync(join(tmpdir(), "arlent-guard-")), "a.db");
    const first = openStore(path);
    signedEnd(first, "Wyn Harrow", 0);
    first.$client.exec("DROP TRIGGER events_keep_words");
    expect(alterations(first)).toMatchObject([
      { name: "a guard", what: expect.stringMatching(/events_keep_words/) },
    ]);
    first.$client.close();
    const again = openStore(path);
    expect(() => again.$client.exec("UPDATE events SET at = ''")).toThrow(/only ever added/);
    expect(alterations(again)).toMatchObject([
      { what: expect.stringMatching(/had been taken off.*events_keep_words/) },
    ]);
  });
  it("a trigger somebody put in is told", () => {
    const own = openStore(":memory:");
    own.$client.exec("CREATE TRIGGER quiet AFTER INSERT ON events BEGIN UPDATE ends SET label = ''; END");
    expect(alterations(own)).toMatchObject([{ what: expect.stringMatching(/quiet/) }]);
  });
});

describe("the file's tables, indexes and views", () => {
  const HIDING = "CREATE INDEX ends_on_record ON ends (purpose, signed_at, id) WHERE signed_at IS NULL";
  it.each([
    ["an index taken away", "DROP INDEX ends_on_record", /index ends_on_record is missing/],
    [
      "an index that leaves ends out",
      `DROP INDEX ends_on_record; ${HIDING}`,
      /index ends_on_record is not as this program makes it/,
    ],
    ["an index of somebody's own", "CREATE INDEX mine ON ends (label)", /index mine was put in/],
    ["a view", "CREATE VIEW quiet AS SELECT * FROM ends", /view quiet was put in/],
    ["a table", "CREATE TABLE quiet (a)", /table quiet was put in/],
  ])("%s: found", (_change, change, finding) => {
    tampered(
      store,
      (database) => database.exec(change),
      () =>
        expect(alterations(store).map(({ what: detail }) => detail)).toContainEqual(
          expect.stringMatching(finding),
        ),
    );
  });
  it("an index whose rows were changed beneath it: found", () => {
    const path = join(mkdtempSync(join(tmpdir(), "arlent-index-")), "a.db");
    const own = openStore(path);
    signedEnd(own, "Wyn Harrow", 0);
    const { $client: database } = own;
    database.unsafeMode(true);
    database.pragma("writable_schema = ON");
    const named = "WHERE name = 'ends_on_record'";
    const words = database.prepare(`SELECT sql FROM sqlite_master ${named}`).pluck().get();
    // As one who changes what the file says of the index, has its rows left out, and puts the words back.
    database.prepare(`UPDATE sqlite_master SET sql = ? ${named}`).run(`${HIDING} AND 0`);
    database.pragma("writable_schema = RESET");
    database.exec("REINDEX ends_on_record");
    database.pragma("writable_schema = ON");
    database.prepare(`UPDATE sqlite_master SET sql = ? ${named}`).run(words);
    database.close();
    const looked = openStore(path);
    expect(alterations(looked).map(({ what: detail }) => detail)).toContainEqual(
      expect.stringMatching(/It is damaged/),
    );
  });
  it("an index taken away is put back by the next opening, and told ever after", () => {
    const path = join(mkdtempSync(join(tmpdir(), "arlent-index-")), "a.db");
    const first = openStore(path);
    signedEnd(first, "Wyn Harrow", 0);
    first.$client.exec(`DROP INDEX ends_on_record; ${HIDING}`);
    first.$client.close();
    const again = openStore(path);
    expect(alterations(again)).toMatchObject([
      { what: expect.stringMatching(/had been taken off and were put back.*ends_on_record/) },
    ]);
  });
});

describe("a photograph", () => {
  it("changed beside the database is found, and so is one taken away", async () => {
    const path = join(mkdtempSync(join(tmpdir(), "arlent-photo-")), "a.db");
    const own = openStore(path);
    const end = endRead(own, "measure");
    await addPhoto(actOn(own), end, check(zPhotoQuery, { client: "test" }), await picture());
    expect(alterations(own)).toEqual([]);
    const folder = join(path, "../photos");
    const [name] = readdirSync(folder);
    const photo = join(folder, name ?? "");
    writeFileSync(photo, "another picture");
    expect(alterations(own)).toMatchObject([{ end, what: expect.stringMatching(/photograph/) }]);
    rmSync(photo);
    expect(alterations(own)).toMatchObject([{ end, what: expect.stringMatching(/photograph/) }]);
  });
});

describe("a seal", () => {
  let own: Store;
  beforeEach(() => {
    own = openStore(":memory:");
    signedEnd(own, "Wyn Harrow", 0);
    endRead(own, "measure", { "glass-end": 1300 });
  });
  it("tells of the newest end taken out with the last lines of the register, which nothing in the file can", () => {
    const { id } = startEnd(actOn(own), check(zStart, CAM));
    const seal = makeSeal(own);
    tampered(
      own,
      (database) => {
        database.prepare("DELETE FROM verdicts WHERE end_id = ?").run(id);
        database.prepare("DELETE FROM ends WHERE id = ?").run(id);
        database.exec("DELETE FROM register WHERE n = (SELECT max(n) FROM register)");
        database.exec(
          "UPDATE sqlite_sequence SET seq = (SELECT max(n) FROM register) WHERE name = 'register'",
        );
      },
      () => {
        expect(alterations(own)).toEqual([]);
        expect(checkSeal(own, JSON.stringify(seal))).not.toEqual([]);
        expect(checkSeal(own, seal.short)).not.toEqual([]);
      },
    );
  });
  it("holds over what came since, by its file and by its one line", () => {
    const seal = makeSeal(own);
    signedEnd(own, "Osla Brandt", 0);
    addTo(own, seal.ends?.[1]?.[0] ?? "", { kind: "label", job: "Moor", label: "pad 4" });
    expect(checkSeal(own, JSON.stringify(seal))).toEqual([]);
    expect(checkSeal(own, seal.short)).toEqual([]);
  });
  it("finds an end taken away with its every trace, and names it", () => {
    const seal = makeSeal(own);
    const gone = seal.ends?.[0]?.[0] ?? "";
    tampered(
      own,
      (database) => {
        for (const table of ["events", "readings", "verdicts", "attempts", "uses"])
          database.prepare(`DELETE FROM ${table} WHERE end_id = ?`).run(gone);
        database.prepare("DELETE FROM ends WHERE id = ?").run(gone);
        database.prepare("DELETE FROM register WHERE ref = ?").run(gone);
      },
      () => {
        expect(checkSeal(own, JSON.stringify(seal))).toMatchObject([
          { end: gone, what: expect.stringMatching(/gone/) },
        ]);
        expect(checkSeal(own, seal.short)).toMatchObject([
          { end: "", what: expect.stringMatching(/taken away or rewritten/) },
        ]);
      },
    );
  });
  it("finds a history written anew, hashes and all, which no check of the file alone can", () => {
    const seal = makeSeal(own);
    const end = seal.ends?.[1]?.[0] ?? "";
    tampered(
      own,
      (database) =>
        database
          .prepare(
            "UPDATE events SET hash = ? WHERE end_id = ? AND seq = (SELECT max(seq) FROM events WHERE end_id = ?)",
          )
          .run("f".repeat(64), end, end),
      () =>
        expect(checkSeal(own, JSON.stringify(seal))).toMatchObject([
          { end, what: expect.stringMatching(/not as it was sealed/) },
        ]),
    );
  });
  it("that is none is refused", () => {
    for (const text of ["", "{}", "arlent-seal 2 x", JSON.stringify({ ...makeSeal(own), root: "short" })])
      expect(
        codeOf(() => checkSeal(own, text)),
        text,
      ).toBe("not-a-seal");
  });
});

describe("on the command line", { timeout: 120_000 }, () => {
  const command = (name: string, ...args: string[]) =>
    spawnSync(process.execPath, [`.arlent/run/${name}.mjs`, ...args], {
      encoding: "utf8",
    });
  const run = (...args: string[]) => command("check-record", ...args);
  const folder = () => mkdtempSync(join(tmpdir(), "arlent-cli-"));
  it("a whole record ends 0 and leaves no trace; an altered one ends 1 and says where; a seal is held", () => {
    const path = join(folder(), "a.db");
    const own = openStore(path);
    const end = endRead(own, "measure", { "glass-end": 1300 });
    own.$client.close();
    writeFileSync(join(path, "../seal.json"), command("seal", path).stdout);
    expect(command("seal", path, "--line").stdout).toMatch(/^arlent-seal 1 \S+ \d+ \d+ [0-9a-f]{64}\n$/);
    const before = {
      bytes: readFileSync(path),
      names: readdirSync(join(path, "..")),
      at: statSync(path).mtimeMs,
    };
    expect(run(path, "--seal", join(path, "../seal.json"))).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/^1 ends, \d+ events: all as written/),
    });
    expect(readFileSync(path).equals(before.bytes)).toBe(true);
    expect(readdirSync(join(path, ".."))).toEqual(before.names);
    expect(statSync(path).mtimeMs).toBe(before.at);
    const hand = new Database(path);
    hand.exec("DROP TRIGGER events_keep_words");
    hand
      .prepare("UPDATE events SET body = replace(body, '\"boot\"', '\"cap\"') WHERE end_id = ? AND seq = 1")
      .run(end);
    hand.close();
    expect(run(path)).toMatchObject({
      status: 1,
      stdout: expect.stringContaining(`${end}, event 1: This event was changed.`),
    });
  });
  it("an older schema is lifted in a copy; the file stays as it was", () => {
    const path = join(folder(), "old.db");
    writeFileSync(path, goldenFile(2));
    const answer = run(path);
    expect(answer.stdout).toMatch(/Of an older schema[\s\S]*4 ends, 92 events: all as written/);
    expect(answer.status).toBe(0);
    expect(readFileSync(path).equals(goldenFile(2))).toBe(true);
    expect(readdirSync(join(path, ".."))).toEqual(["old.db"]);
  });
  it("what is no whole Arlent database is refused and left as it was: none, empty, another program's, half of one", () => {
    const none = run(join(folder(), "none.db"));
    expect(none).toMatchObject({ status: 2, stderr: expect.stringMatching(/no file/) });
    const empty = join(folder(), "empty.db");
    writeFileSync(empty, "");
    const text = join(folder(), "text.db");
    writeFileSync(text, "Not a database at all, but long enough to be looked at as one.".repeat(20));
    const other = join(folder(), "other.db");
    new Database(other).exec("CREATE TABLE ends (id TEXT)").close();
    const half = join(folder(), "half.db");
    openStore(half).$client.exec("DROP TABLE studies").close();
    for (const path of [empty, text, other, half]) {
      const bytes = readFileSync(path);
      expect(run(path), path).toMatchObject({
        status: 2,
        stderr: expect.stringMatching(/not a whole Arlent database/),
      });
      expect(readFileSync(path).equals(bytes), path).toBe(true);
    }
  });
});

describe("an end started and never worked on", () => {
  it("is in the chain too", () => {
    const own = openStore(":memory:");
    const { id } = startEnd(actOn(own), check(zStart, { ...CAM, id: randomUUID() }));
    expect(alterations(own)).toEqual([]);
    tampered(
      own,
      (database) =>
        database.prepare("UPDATE ends SET created_at = '2020-01-01T00:00:00.000Z' WHERE id = ?").run(id),
      () => expect(alterations(own)[0]?.what).toMatch(/started as was changed/),
    );
  });
});
