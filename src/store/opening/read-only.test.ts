import { existsSync, mkdirSync, mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { describe, expect, it } from "vitest";
import { signedEnd } from "@/service/fixtures/made-ends";
import { checkWholeRecord } from "@/service/keeping/record-check";
import { goldenFile } from "@/store/fixtures/golden";
import { openStore } from "./open";
import { openToLook } from "./read-only";

const fresh = () => join(mkdtempSync(join(tmpdir(), "arlent-look-test-")), "a.db");

describe("a file looked at beside the server that writes it", () => {
  it("is seen as it stood at one moment: no check finds an end half there", () => {
    const file = fresh();
    const writer = openStore(file);
    signedEnd(writer, "Wyn Harrow", 0);
    const looked = openToLook(file);
    const findings = [];
    for (const stretch of checkWholeRecord(looked.store)) {
      findings.push(...stretch.findings);
      // Between any two looks of the check an end is begun, worked and signed off.
      signedEnd(writer, "Osla Brandt", 0);
    }
    expect(findings).toEqual([]);
    looked.close();
    writer.$client.close();
  });
  it("of an older schema is copied as it stands, what is not folded in yet included", () => {
    const file = fresh();
    writeFileSync(file, goldenFile(6));
    const looked = openToLook(file);
    expect(looked.lifted).toBe(true);
    expect(
      [...checkWholeRecord(looked.store)].flatMap(({ findings }) => findings.filter(({ note }) => !note)),
    ).toEqual([]);
    looked.close();
  });
});

describe("a file on a disk that takes nothing", () => {
  it("is whole: it is read from a copy, and nothing stays of that", () => {
    const file = fresh();
    const store = openStore(file);
    signedEnd(store, "Wyn Harrow", 0);
    store.$client.close();
    // Where a folder lies in its place, the file that reading needs beside the database cannot be made.
    mkdirSync(`${file}-wal`);
    const looked = openToLook(file);
    expect(looked.lifted).toBe(false);
    expect([...checkWholeRecord(looked.store)].reduce((sum, { ends }) => sum + ends, 0)).toBe(1);
    const copy = looked.store.$client.name;
    expect(copy).not.toBe(file);
    looked.close();
    expect(existsSync(dirname(copy))).toBe(false);
  });
});
