import { spawnSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdtempSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type SQL, sql } from "drizzle-orm";
import sharp from "sharp";
import { beforeEach, describe, expect, it } from "vitest";
import { openStore, type Store } from "@/store/database";
import { getEnd, startEnd } from "./ends";
import { addTo, CAM, endRead, signedEnd } from "./fixtures/made-ends";
import { addPhoto } from "./photos";
import { checkWholeRecord } from "./record-check";

let file: string;
let store: Store;
let end: string;
beforeEach(() => {
  file = join(mkdtempSync(join(tmpdir(), "arlent-chain-")), "a.db");
  store = openStore(file);
  signedEnd(store, "Wyn Harrow", 0);
  end = endRead(store, "measure", { "glass-end": 1300 });
});

/** Changes the file as somebody with a database tool would: the guards taken away first. */
function tamper(...changes: SQL[]): void {
  for (const trigger of store.all<{ name: string }>(
    sql`SELECT name FROM sqlite_master WHERE type = 'trigger'`,
  ))
    store.run(sql.raw(`DROP TRIGGER ${trigger.name}`));
  for (const change of changes) store.run(change);
}
const found = () =>
  [...checkWholeRecord(store)].flatMap(({ altered }) =>
    altered.map((one) => ({ seq: one.seq, what: one.what, here: one.end === end })),
  );

describe("the record as it was written", () => {
  it("is found whole, every end and entry counted", () => {
    const [all] = [...checkWholeRecord(store)];
    expect(all).toMatchObject({ ends: 2, of: 2, altered: [], next: null });
    expect(all?.entries).toBe(store.all(sql`SELECT 1 FROM entries`).length);
  });
  it.each<[string, () => SQL, number | null, RegExp]>([
    [
      "a reading changed",
      () =>
        sql`UPDATE entries SET entry = json_set(entry, '$.value', 8600) WHERE end_id = ${end} AND seq = 4`,
      4,
      /was changed/,
    ],
    [
      "a time changed",
      () => sql`UPDATE entries SET at = '2026-01-01T00:00:00.000Z' WHERE end_id = ${end} AND seq = 2`,
      2,
      /was changed/,
    ],
    ["an entry taken out", () => sql`DELETE FROM entries WHERE end_id = ${end} AND seq = 3`, 4, /taken out/],
    [
      "the first entry taken out",
      () => sql`DELETE FROM entries WHERE end_id = ${end} AND seq = 1`,
      null,
      /first entry/,
    ],
    [
      "the last entry taken off",
      () =>
        sql`DELETE FROM entries WHERE end_id = ${end} AND seq = (SELECT max(seq) FROM entries WHERE end_id = ${end})`,
      null,
      /gone/,
    ],
    [
      "the rule of acceptance changed",
      () => sql`UPDATE ends SET rule = '{"kind":"simple"}' WHERE id = ${end}`,
      null,
      /started as/,
    ],
    [
      "the label changed beside its entries",
      () => sql`UPDATE ends SET label = 'pad 9' WHERE id = ${end}`,
      null,
      /label/,
    ],
    [
      "a sign-off written into the row",
      () => sql`UPDATE ends SET signed_by = 'Nobody', signed_at = '2026' WHERE id = ${end}`,
      null,
      /signedBy/,
    ],
    ["a kept verdict changed", () => sql`UPDATE ends SET result = 'in' WHERE id = ${end}`, null, /verdict/],
    [
      "a document changed",
      () => sql`UPDATE documents SET body = replace(body, 'boot', 'cap') WHERE kind = 'procedure'`,
      null,
      /document/,
    ],
  ])("%s: found, at its place", (_what, change, seq, says) => {
    tamper(change());
    const [first] = found().filter(({ here }) => here);
    expect(first?.what).toMatch(says);
    expect(first?.seq).toBe(seq);
  });
  it("a change with its hash worked out anew breaks the link to the next", () => {
    tamper(sql`UPDATE entries SET hash = ${"0".repeat(64)} WHERE end_id = ${end} AND seq = 2`);
    expect(found()).toMatchObject([{ seq: 2 }]);
  });
  it("a photograph changed beside the database is found", async () => {
    const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: "#d77" } })
      .png()
      .toBuffer();
    await addPhoto(store, end, { client: "test" }, picture);
    expect(found()).toEqual([]);
    const folder = join(file, "../photos");
    writeFileSync(join(folder, readdirSync(folder)[0] as string), "another picture");
    expect(found()[0]?.what).toMatch(/photograph/);
  });
  it("is checked on the command line: 0 when whole, 1 and where when not, 2 without a file", {
    timeout: 60_000,
  }, () => {
    const run = (path: string) =>
      spawnSync(process.execPath, ["node_modules/tsx/dist/cli.mjs", "src/cli/check-record.ts", path], {
        encoding: "utf8",
      });
    expect(run(file)).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/^2 ends, \d+ entries: all as written/),
    });
    tamper(sql`UPDATE entries SET entry = json_set(entry, '$.value', 1) WHERE end_id = ${end} AND seq = 4`);
    expect(run(file)).toMatchObject({
      status: 1,
      stdout: expect.stringContaining(`${end} , entry 4: This entry was changed.`),
    });
    expect(run(join(file, "../none.db")).status).toBe(2);
  });
});

describe("a file from before entries carried hashes", () => {
  it("is chained when it is opened, guards and all, and a change after that is found", () => {
    tamper(sql`UPDATE entries SET hash = '', "before" = ''`, sql`UPDATE ends SET last_hash = ''`);
    store.run(
      sql`CREATE TRIGGER entries_keep_words BEFORE UPDATE ON entries BEGIN SELECT RAISE(ABORT, 'entries are only ever added'); END`,
    );
    store = openStore(file);
    expect(found()).toEqual([]);
    expect(() => store.run(sql`UPDATE entries SET at = ''`)).toThrow();
    tamper(sql`UPDATE entries SET at = '' WHERE end_id = ${end} AND seq = 1`);
    expect(found()).toMatchObject([{ seq: 1 }]);
  });
});

describe("an end started and never worked on", () => {
  it("is in the chain too", () => {
    end = startEnd(store, { ...CAM, id: randomUUID() }).id;
    expect(found()).toEqual([]);
    tamper(sql`UPDATE ends SET created_at = '2020-01-01T00:00:00.000Z' WHERE id = ${end}`);
    expect(found()[0]?.what).toMatch(/started as/);
    expect(getEnd(store, end).entries).toEqual([]);
    addTo(store, end, { kind: "label", job: "Moor", label: "pad 4" });
  });
});
