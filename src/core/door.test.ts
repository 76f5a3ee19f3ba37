import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, it } from "vitest";

const OUTSIDE = ["src", "library", "demo", "e2e", "perf", "harness", "scripts"];

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(join(folder, entry.name)) : [join(folder, entry.name)],
  );

const DOOR = "src/core/index.ts";

/** The names a file lists between braces, of an import or an export. */
const namesIn = (list: string): string[] =>
  list
    .split(",")
    .map((name) =>
      name
        .replace(/^\s*type\s+/, "")
        .replace(/\s+as\s+.*$/s, "")
        .trim(),
    )
    .filter((name) => name !== "");

describe("the core's door", () => {
  it("lists every name, and each is used outside", () => {
    const door = readFileSync(DOOR, "utf8");
    expect(door).not.toMatch(/export \*/);
    const listed = [...door.matchAll(/export \{([^}]*)\}/g)].flatMap(([, list = ""]) => namesIn(list));
    const files = OUTSIDE.flatMap(filesUnder).filter(
      (file) => /\.tsx?$/.test(file) && file !== DOOR && file !== "src/core/door.test.ts",
    );
    const used = new Set(
      files.flatMap((file) =>
        [
          ...readFileSync(file, "utf8").matchAll(/\{([^{}]*)\}\s*from\s*"(?:@\/core|[./]*src\/core)"/g),
        ].flatMap(([, list = ""]) => namesIn(list)),
      ),
    );
    expect(listed.length).toBeGreaterThan(400);
    expect(listed.filter((name) => !used.has(name))).toEqual([]);
  });
});
