import { execFileSync } from "node:child_process";
import { mkdtempSync, rmSync, statSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, describe, expect, it } from "vitest";
import { bundle, programFile } from "./bundle.mjs";

const folder = mkdtempSync(join(tmpdir(), "arlent-bundle-"));
const entry = join(folder, `program-${process.pid}.ts`);
const said = () => execFileSync(process.execPath, [bundle(entry)], { encoding: "utf8" }).trim();

afterAll(() => {
  rmSync(folder, { recursive: true });
  for (const end of ["", ".from.json"]) rmSync(`${programFile(entry)}${end}`, { force: true });
});

describe("a program put together", () => {
  it("is left as it lies while nothing of it changed, and is built again once anything did", () => {
    writeFileSync(join(folder, "word.ts"), `export const word: string = "glass";`);
    writeFileSync(entry, `import { word } from "./word"; console.log(word);`);
    expect(said()).toBe("glass");
    const builtAt = statSync(programFile(entry)).mtimeMs;
    expect(said()).toBe("glass");
    expect(statSync(programFile(entry)).mtimeMs).toBe(builtAt);
    writeFileSync(join(folder, "word.ts"), `export const word: string = "buffer";`);
    expect(said()).toBe("buffer");
  });
  it("is built again where it was lost", () => {
    rmSync(programFile(entry));
    expect(said()).toBe("buffer");
  });
});
