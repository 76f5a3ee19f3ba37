import { spawn } from "node:child_process";
import { existsSync, linkSync, mkdtempSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { describe, expect, it } from "vitest";
import { problemOf } from "@/core";
import { takeToServe } from "./serving";

const fresh = () => join(mkdtempSync(join(tmpdir(), "arlent-serving-")), "moor.db");
const refusal = (file: string): string | undefined => {
  try {
    takeToServe(file, "");
  } catch (error) {
    return `${problemOf(error)?.code}: ${problemOf(error)?.message}`;
  }
  return undefined;
};

describe("a database that is served", () => {
  it("is refused to a second server, by name, and free again once given back", () => {
    const file = fresh();
    const giveBack = takeToServe(file, "http://127.0.0.1:4310", new Date("2026-11-26T08:00:00Z"));
    expect(refusal(file)).toBe(
      `in-use: moor.db is served already by http://127.0.0.1:4310 (process ${process.pid}, since 2026-11-26 08:00 UTC). One server writes a record: use that one, or stop it first.`,
    );
    giveBack();
    expect(existsSync(`${file}.serving`)).toBe(false);
    takeToServe(file, "")();
  });
  it("is free again when its server was killed", async () => {
    const file = fresh();
    const holder = spawn(
      process.execPath,
      [
        "-e",
        `const D=require("better-sqlite3");const d=new D(${JSON.stringify(`${file}.lock`)});d.pragma("journal_mode = MEMORY");d.exec("BEGIN EXCLUSIVE");console.log("held");setInterval(()=>{},1000)`,
      ],
      { stdio: ["ignore", "pipe", "inherit"] },
    );
    await new Promise((held) => holder.stdout.once("data", held));
    expect(refusal(file)).toMatch(/^in-use/);
    const gone = new Promise((done) => holder.once("exit", done));
    holder.kill("SIGKILL");
    await gone;
    takeToServe(file, "")();
  });
  it("is the same database by whichever link it is come to", () => {
    const file = fresh();
    writeFileSync(file, "");
    const link = join(dirname(fresh()), "link.db");
    symlinkSync(file, link);
    const giveBack = takeToServe(file, "");
    expect(refusal(link)).toMatch(/^in-use: moor\.db is served already/);
    giveBack();
    const twin = join(dirname(file), "twin.db");
    linkSync(file, twin);
    expect(refusal(twin)).toMatch(/^in-use: twin\.db has a second name on this disk/);
    expect(refusal(file)).toMatch(/second name/);
  });
});
