import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it } from "vitest";
import { clearLitter, ownMark } from "./litter";

it("what a killed process left is cleared, what a running one works under stays, and so does all else", () => {
  const folder = mkdtempSync(join(tmpdir(), "arlent-litter-"));
  const { pid } = spawnSync(process.execPath, ["-e", ""]);
  mkdirSync(join(folder, `arlent-backup.${pid}.a1`));
  writeFileSync(join(folder, `arlent-backup.${pid}.a1`, "record.db"), "");
  writeFileSync(join(folder, `arlent-2026.tar.${pid}.part`), "");
  mkdirSync(join(folder, `arlent-backup${ownMark()}b2`));
  writeFileSync(join(folder, `somebody-else.${pid}.part`), "");
  writeFileSync(join(folder, "arlent-2026.tar"), "");
  clearLitter(folder, (name) => name.startsWith("arlent-"));
  expect(readdirSync(folder).sort()).toEqual([
    "arlent-2026.tar",
    `arlent-backup${ownMark()}b2`,
    `somebody-else.${pid}.part`,
  ]);
  expect(clearLitter(join(folder, "not there"), () => true)).toEqual([]);
});
