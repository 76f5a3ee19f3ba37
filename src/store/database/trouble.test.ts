import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { describe, expect, it } from "vitest";
import { InputError } from "@/core";
import { openStore } from "../opening/open";
import { troubleOf } from "./trouble";

const folder = () => mkdtempSync(join(tmpdir(), "arlent-trouble-"));
const thrownBy = (work: () => unknown): unknown => {
  try {
    work();
  } catch (error) {
    return error;
  }
  throw new Error("nothing was thrown");
};
const codeOf = (work: () => unknown) => troubleOf(thrownBy(work))?.problem.code;

describe("what is the matter with the record's file", () => {
  it("is damage where it is no database, or one whose pages are torn", () => {
    const file = join(folder(), "a.db");
    writeFileSync(
      file,
      "This is a letter, not a database, and it is long enough to be read as one. ".repeat(20),
    );
    expect(codeOf(() => openStore(file))).toBe("damaged");
  });
  it("is a full disk where SQLite may take no further page", () => {
    const store = openStore(join(folder(), "a.db"));
    store.$client.exec("CREATE TABLE filler (t text)");
    store.$client.pragma(`max_page_count = ${store.$client.pragma("page_count", { simple: true })}`);
    const fill = store.$client.prepare("INSERT INTO filler VALUES (?)");
    expect(codeOf(() => fill.run("x".repeat(100_000)))).toBe("disk-full");
  });
  it("is a record that cannot be written where it was opened to be read alone", () => {
    const file = join(folder(), "a.db");
    openStore(file).$client.close();
    const read = new Database(file, { readonly: true });
    expect(codeOf(() => read.exec("CREATE TABLE filler (t text)"))).toBe("read-only");
  });
  it("is something else writing where the lock is not given up", () => {
    const file = join(folder(), "a.db");
    const store = openStore(file);
    store.$client.exec("BEGIN IMMEDIATE");
    const other = new Database(file, { timeout: 1 });
    expect(codeOf(() => other.exec("BEGIN IMMEDIATE"))).toBe("busy");
  });
  it("is nothing where an input was refused or a program is wrong", () => {
    expect(troubleOf(new InputError("bad-input", "x", [], { cause: { code: "ENOSPC" } }))).toBeNull();
    expect(troubleOf(new TypeError("x is not a function"))).toBeNull();
    expect(troubleOf("SQLITE_FULL")).toBeNull();
  });
  it.each([
    ["ENOSPC", "disk-full"],
    ["EROFS", "read-only"],
    ["EIO", "disk-failed"],
  ])("%s of the system is %s, however deep it lies", (code, reported) => {
    const deep = Object.assign(new Error("the system says so"), { code });
    expect(troubleOf(new Error("could not", { cause: deep }))?.problem.code).toBe(reported);
  });
});
