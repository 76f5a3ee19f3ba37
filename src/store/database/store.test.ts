import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sql } from "drizzle-orm";
import { describe, expect, it } from "vitest";
import { openStore } from "../opening/open";
import { keepDocument, keptProcedure } from "../record/documents";
import { mustHaveText, shippedLibrary } from "../shelf/shipped";

const file = () => join(mkdtempSync(join(tmpdir(), "arlent-store-")), "deep/er/a.db");

describe("the database file", () => {
  it("is made with its folders, and opened again as it was left", () => {
    const path = file();
    const hash = keepDocument(openStore(path), "tools", "[]");
    expect(openStore(path).all(sql`SELECT hash FROM documents`)).toEqual([{ hash }]);
  });
  it("answers only after the disk has it: full synchronisation, write-ahead log, references kept", () => {
    const store = openStore(file());
    expect(store.get(sql`PRAGMA synchronous`)).toEqual({ synchronous: 2 });
    expect(store.get(sql`PRAGMA journal_mode`)).toEqual({ journal_mode: "wal" });
    expect(store.get(sql`PRAGMA foreign_keys`)).toEqual({ foreign_keys: 1 });
  });
});

describe("documents an end was made by", () => {
  it("are kept once, word for word, under the hash of their text", () => {
    const store = openStore(":memory:");
    const [procedure] = shippedLibrary().procedures;
    if (!procedure) throw new Error("the library has a procedure");
    const hashes = [1, 2].map(() =>
      keepDocument(store, "procedure", mustHaveText(shippedLibrary(), "procedure", procedure.id)),
    );
    expect(new Set(hashes).size).toBe(1);
    expect(store.all(sql`SELECT count(*) AS n FROM documents`)).toEqual([{ n: 1 }]);
    expect(keptProcedure(store, hashes[0] as string)).toEqual(procedure);
  });
  it("only what is on the shelf has a text to keep", () => {
    expect(() => mustHaveText(shippedLibrary(), "procedure", "moon")).toThrow(
      /no text of the procedure moon/,
    );
  });
});
