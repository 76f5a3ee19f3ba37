import { mkdirSync, mkdtempSync, readdirSync, utimesSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { describe, expect, it } from "vitest";
import { COPIED_WITHIN_S, copyPhotographs, replicaState } from "./replica";

const folder = () => mkdtempSync(join(tmpdir(), "arlent-copy-"));
const at = (path: string, seconds: number) => {
  writeFileSync(path, "x");
  utimesSync(path, seconds, seconds);
};

describe("a standing copy", () => {
  it("takes each photograph once, whole, and nothing else of the folder", async () => {
    const [home, copy] = [folder(), folder()];
    mkdirSync(join(home, "photos"));
    for (const name of ["a", "b"]) writeFileSync(join(home, "photos", `${name.repeat(64)}.jpg`), name);
    writeFileSync(join(home, "photos", `${"c".repeat(64)}.jpg.123.part`), "half");
    expect(await copyPhotographs(join(home, "a.db"), copy)).toBe(2);
    expect(await copyPhotographs(join(home, "a.db"), copy)).toBe(0);
    expect(readdirSync(join(copy, "photos")).sort()).toEqual([
      `${"a".repeat(64)}.jpg`,
      `${"b".repeat(64)}.jpg`,
    ]);
  });
  it("is behind only where something was written since, and is told where that is too long", () => {
    const [home, copy] = [folder(), folder()];
    const now = 2_000_000_000;
    const file = join(home, "a.db");
    mkdirSync(join(copy, "record", "generations"), { recursive: true });
    at(file, now - 5_000);
    at(join(copy, "record", "generations", "1"), now - 900);
    expect(replicaState(file, copy, now * 1000)).toMatchObject({ behind: 0, problem: null });
    at(`${file}-wal`, now - 2);
    expect(replicaState(file, copy, now * 1000)).toMatchObject({
      behind: 900,
      problem: expect.stringContaining("Nothing was copied for a while"),
    });
    at(join(copy, "record", "generations", "2"), now - 4);
    expect(replicaState(file, copy, now * 1000)).toMatchObject({ behind: 4, problem: null });
    expect(COPIED_WITHIN_S).toBeGreaterThanOrEqual(4);
  });
  it("is none where none is kept", () => {
    expect(replicaState("a.db", undefined)).toBeNull();
  });
});
