import { mkdirSync, mkdtempSync, readFileSync, rmdirSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeEach, describe, expect, it } from "vitest";
import { GUARDS } from "@/store/database/guards";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { openToLook } from "@/store/opening/read-only";
import { addTo, endRead, signedEnd } from "../fixtures/made-ends";
import { checkKeptSeals, keepSeal, sealIfDue, sealIfJobDone, sealsFile, siteKeyFile } from "./kept-seals";
import { checkWholeRecord } from "./record-check";

const DAY = 86_400_000;
const START = Date.parse("2026-11-26T08:00:00Z");
const at = (days: number) => new Date(START + days * DAY);

let file: string;
let store: Store;
beforeEach(() => {
  file = join(mkdtempSync(join(tmpdir(), "arlent-seals-")), "a.db");
  store = openStore(file);
  signedEnd(store, "Wyn Harrow", 0);
});
const findings = () => checkKeptSeals(store).map(({ what: detail }) => detail);

describe("seals a server takes by itself", () => {
  it("are taken once a day while the record grows, and none for a record that stands", () => {
    expect(sealIfDue(store, file, at(0))).toBe(true);
    signedEnd(store, "Osla Brandt", 0);
    expect(sealIfDue(store, file, at(0.99))).toBe(false);
    expect(sealIfDue(store, file, at(1))).toBe(true);
    expect(sealIfDue(store, file, at(3))).toBe(false);
    expect(readFileSync(sealsFile(file), "utf8").trim().split("\n")).toHaveLength(2);
  });
  it("are taken as the last open end of a job is signed, and not before", () => {
    sealIfJobDone(store, file, at(0));
    const [first, second] = ["pad 4", "pad 5"].map((label) => {
      const id = endRead(store, "measure");
      addTo(store, id, { kind: "label", job: "Moor", label });
      return id;
    });
    addTo(store, first ?? "", { kind: "sign", name: "Wyn Harrow", outcome: "kept" });
    expect(sealIfJobDone(store, file, at(1))).toBe(false);
    addTo(store, second ?? "", { kind: "sign", name: "Wyn Harrow", outcome: "kept" });
    expect(sealIfJobDone(store, file, at(2))).toBe(true);
    expect(sealIfJobDone(store, file, at(3))).toBe(false);
  });
  it("are missed once the first is on the disk, and not before: a check may come between key and seal", () => {
    const key = siteKeyFile(file);
    keepSeal(store, file, at(0));
    const used = readFileSync(key, "utf8");
    rmSync(sealsFile(file));
    expect(findings()).toMatchObject([expect.stringMatching(/are gone/)]);
    // A key that a kill left before its first seal.
    rmSync(key);
    mkdirSync(sealsFile(file));
    expect(() => keepSeal(store, file, at(0))).toThrow();
    rmdirSync(sealsFile(file));
    const unused = readFileSync(key, "utf8");
    expect(unused).not.toBe(used);
    expect(findings()).toEqual([]);
    keepSeal(store, file, at(0));
    expect(unused.endsWith(readFileSync(key, "utf8"))).toBe(true);
    expect(findings()).toEqual([]);
    writeFileSync(sealsFile(file), "");
    expect(findings()).toMatchObject([expect.stringMatching(/are gone/)]);
  });
  it("that a kill cut short were never given to anybody: noted, no alteration, and gone with the next", () => {
    keepSeal(store, file, at(0));
    const whole = readFileSync(sealsFile(file), "utf8");
    for (let length = 1; length < whole.length; length += 7) {
      writeFileSync(sealsFile(file), `${whole}${whole.slice(0, length)}`);
      expect(checkKeptSeals(store)).toMatchObject([
        { note: true, what: expect.stringMatching(/cannot be read/) },
      ]);
    }
    signedEnd(store, "Osla Brandt", 0);
    keepSeal(store, file, at(1));
    expect(findings()).toEqual([]);
  });
  it("hold over what comes later, and are part of the record's check", () => {
    keepSeal(store, file, at(0));
    const open = endRead(store, "measure");
    keepSeal(store, file, at(1));
    addTo(store, open, { kind: "label", job: "Moor", label: "pad 4" });
    signedEnd(store, "Osla Brandt", 0);
    expect([...checkWholeRecord(store)].flatMap(({ findings: all }) => all)).toEqual([]);
  });
  it("tell of an end and its lines of the register taken off the end of the file", () => {
    const id = signedEnd(store, "Osla Brandt", 0);
    keepSeal(store, file, at(0));
    const { $client: database } = store;
    database.pragma("foreign_keys = OFF");
    for (const { name } of GUARDS) database.exec(`DROP TRIGGER ${name}`);
    for (const table of ["events", "readings", "verdicts", "attempts", "uses"])
      database.prepare(`DELETE FROM ${table} WHERE end_id = ?`).run(id);
    database.prepare("DELETE FROM ends WHERE id = ?").run(id);
    database.prepare("DELETE FROM register WHERE n >= (SELECT min(n) FROM register WHERE ref = ?)").run(id);
    for (const table of ["events", "register"])
      database.exec(`UPDATE sqlite_sequence SET seq = (SELECT max(n) FROM ${table}) WHERE name = '${table}'`);
    for (const { sql } of GUARDS) database.exec(sql);
    expect(findings()).toEqual([expect.stringMatching(/not as it was sealed/)]);
    const all = [...checkWholeRecord(store)].flatMap((stretch) => stretch.findings);
    expect(all).toContainEqual(
      expect.objectContaining({ what: expect.stringMatching(/not as it was sealed/) }),
    );
  });
  it("that are taken while a file is looked at are later than what is seen, and no alteration", () => {
    keepSeal(store, file);
    const looked = openToLook(file);
    signedEnd(store, "Osla Brandt", 0);
    keepSeal(store, file, new Date(Date.now() + 1_000));
    const all = [...checkWholeRecord(looked.store, looked.at)].flatMap((stretch) => stretch.findings);
    looked.close();
    expect(all).toEqual([
      expect.objectContaining({ note: true, what: expect.stringMatching(/taken after/) }),
    ]);
  });
  it("that were changed, cut short or taken away are told", () => {
    keepSeal(store, file, at(0));
    const text = readFileSync(sealsFile(file), "utf8");
    writeFileSync(sealsFile(file), text.replace("2026-11-26", "2026-11-25"));
    expect(findings()).toEqual([expect.stringMatching(/not signed by this site/)]);
    writeFileSync(sealsFile(file), text.slice(0, 40));
    expect(findings()).toEqual([expect.stringMatching(/Line 1 .* cannot be read/)]);
    rmSync(sealsFile(file));
    expect(findings()).toEqual([expect.stringMatching(/are gone/)]);
  });
  it("are signed by a key nobody else on the machine reads; a file never served has none and needs none", () => {
    expect(findings()).toEqual([]);
    keepSeal(store, file, at(0));
    for (const path of [siteKeyFile(file), sealsFile(file)]) expect(statSync(path).mode & 0o777).toBe(0o600);
  });
});
