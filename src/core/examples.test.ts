import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import ts from "typescript";
import { describe, expect, it } from "vitest";
import * as core from ".";
import { WORLD } from "./fixtures/example-world";

const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(join(folder, entry.name)) : [join(folder, entry.name)],
  );

interface Example {
  readonly file: string;
  readonly name: string;
  readonly expression: string | null;
  readonly result: string;
}

/** The exported functions of a file with the example in their docstring: `@example expression // result`. */
function examplesIn(file: string): Example[] {
  const text = readFileSync(file, "utf8");
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  return source.statements.flatMap((statement) => {
    const declared = ts.isVariableStatement(statement)
      ? statement.declarationList.declarations[0]
      : undefined;
    const name = ts.isFunctionDeclaration(statement)
      ? statement.name?.text
      : declared?.initializer && ts.isArrowFunction(declared.initializer)
        ? declared.name.getText()
        : undefined;
    if (name === undefined) return [];
    const doc = text
      .slice(statement.getFullStart(), statement.getStart())
      .replaceAll(/\n\s*\*\/?/g, "\n")
      .replaceAll(/\s+/g, " ");
    const [, expression = null, result = ""] = /@example (.+?) \/\/ (.+?)\s*$/.exec(doc) ?? [];
    return [{ file, name, expression, result: result.replace(/\s*\*\/$/, "") }];
  });
}

const door = new Set(Object.keys(core));
const examples = filesUnder("src/core")
  .filter((file) => /\.ts$/.test(file) && !/\.test\.|fixtures/.test(file))
  .flatMap(examplesIn);

describe("the functions of the core", () => {
  it("each have an example where they go out by its door", () => {
    const without = examples.filter(({ name, expression }) => door.has(name) && expression === null);
    expect(examples.filter(({ expression }) => expression !== null).length).toBeGreaterThan(200);
    expect(without.map(({ file, name }) => `${file}: ${name}`)).toEqual([]);
  });
  it.each(examples.filter(({ expression }) => expression !== null))(
    "$name does as its example says",
    async ({ file, expression, result }) => {
      const own: Record<string, unknown> = await import(/* @vite-ignore */ pathToFileURL(file).href);
      const scope = { ...core, ...own, ...WORLD };
      const evaluate = (text: string | null): unknown =>
        Reflect.construct(Function, [...Object.keys(scope), `return (${text})`])(...Object.values(scope));
      expect(await evaluate(expression)).toEqual(evaluate(result));
    },
  );
});
