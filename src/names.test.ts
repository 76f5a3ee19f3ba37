import { readFileSync } from "node:fs";
import ts from "typescript";
import { describe, expect, it } from "vitest";
import { eachNode, filesUnder, isCode, parsedFile } from "../harness/source-files";

const SOURCE = "src";
const EVERYWHERE = [SOURCE, "library", "demo", "e2e", "perf", "harness", "scripts"];

/** Files whose names are asked for by the framework or are the door itself, and helpers of tests. */
const isApart = (file: string): boolean =>
  /\.test\.|\/fixtures\/|^src\/(app|messages|core\/words)\/|src\/(instrumentation|instrumentation-client|proxy)\.ts|core\/index\.ts/.test(
    file,
  );

/** The names a file exports where it declares them. */
function exportedIn(file: string): string[] {
  return parsedFile(file).statements.flatMap((statement) => {
    if (!ts.canHaveModifiers(statement)) return [];
    if (!ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) return [];
    if (ts.isVariableStatement(statement))
      return statement.declarationList.declarations.map(({ name }) => name.getText());
    const declared =
      ts.isFunctionDeclaration(statement) ||
      ts.isInterfaceDeclaration(statement) ||
      ts.isTypeAliasDeclaration(statement) ||
      ts.isClassDeclaration(statement)
        ? statement.name?.text
        : undefined;
    return declared === undefined ? [] : [declared];
  });
}

/** The names of values, parameters, functions and types a file declares; keys on record keep their spelling. */
function declaredIn(file: string): string[] {
  const names: string[] = [];
  eachNode(file, (node) => {
    if (
      (ts.isVariableDeclaration(node) ||
        ts.isParameter(node) ||
        ts.isBindingElement(node) ||
        ts.isFunctionDeclaration(node) ||
        ts.isInterfaceDeclaration(node) ||
        ts.isTypeAliasDeclaration(node)) &&
      node.name &&
      ts.isIdentifier(node.name)
    )
      names.push(node.name.text);
  });
  return names;
}

const exported = filesUnder(SOURCE)
  .filter((file) => isCode(file) && !isApart(file))
  .flatMap((file) => [...new Set(exportedIn(file))].map((name) => ({ name, file })));

describe("an exported name", () => {
  it("means one thing: no two files export the same", () => {
    const twice = exported.filter(({ name, file }) =>
      exported.some((other) => other.name === name && other.file !== file),
    );
    expect(exported.length).toBeGreaterThan(900);
    expect(twice).toEqual([]);
  });
  it("is used in another file", () => {
    const files = EVERYWHERE.flatMap(filesUnder).filter(isCode);
    const users = new Map<string, Set<string>>();
    for (const file of files)
      for (const word of readFileSync(file, "utf8").match(/[A-Za-z_$][\w$]*/g) ?? []) {
        const ids = users.get(word);
        if (ids) ids.add(file);
        else users.set(word, new Set([file]));
      }
    const single = exported.filter(({ name }) => (users.get(name)?.size ?? 0) < 2);
    expect(single).toEqual([]);
  });
  it("is no pronoun or bare participle: values, parameters, functions and types are named by a noun", () => {
    const vague = new Set(
      "one what found known made kept asked says told brought alone Standing Held Follows".split(" "),
    );
    const named = EVERYWHERE.flatMap(filesUnder)
      .filter((file) => /\.tsx?$/.test(file))
      .flatMap((file) => declaredIn(file).map((name) => ({ name, file })));
    expect(named.length).toBeGreaterThan(5_000);
    expect(named.filter(({ name }) => vague.has(name))).toEqual([]);
  });
});

/** Every named function of a file with its number of lines. */
function functionsIn(file: string): { readonly name: string; readonly lines: number }[] {
  const functions: { name: string; lines: number }[] = [];
  eachNode(file, (node, source) => {
    if (!ts.isFunctionLike(node) || !("body" in node) || !node.body) return;
    const lineAt = (position: number) => source.getLineAndCharacterOfPosition(position).line;
    const named = node.name ?? (ts.isVariableDeclaration(node.parent) ? node.parent.name : undefined);
    if (named)
      functions.push({ name: named.getText(), lines: lineAt(node.end) - lineAt(node.getStart()) + 1 });
  });
  return functions;
}

describe("a function", () => {
  it("has at most 80 lines", () => {
    const functions = EVERYWHERE.flatMap(filesUnder)
      .filter((file) => /\.tsx?$/.test(file) && !/\.test\.|\.spec\.|fixtures/.test(file))
      .flatMap((file) => functionsIn(file).map((named) => ({ file, ...named })));
    expect(functions.length).toBeGreaterThan(3_000);
    expect(functions.filter(({ lines }) => lines > 80)).toEqual([]);
  });
});
