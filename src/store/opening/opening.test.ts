import { spawn } from "node:child_process";
import { mkdtempSync, readdirSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it } from "vitest";
import { openStore } from "./open";

it("three processes that create one database at once make one whole database", async () => {
  const folder = mkdtempSync(join(tmpdir(), "arlent-opening-"));
  const file = join(folder, "a.db");
  const open = () =>
    new Promise<number | null>((done) =>
      spawn(process.execPath, [".arlent/run/open-once.mjs", file], {
        stdio: ["ignore", "inherit", "inherit"],
      }).once("exit", done),
    );
  expect(await Promise.all([open(), open(), open()])).toEqual([0, 0, 0]);
  const store = openStore(file);
  expect(store.$client.pragma("integrity_check", { simple: true })).toBe("ok");
  expect(store.$client.prepare("SELECT count(*) FROM register WHERE kind = 'file'").pluck().get()).toBe(1);
  store.$client.close();
  expect(readdirSync(folder)).toEqual(["a.db"]);
});
