import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import ts from "typescript";

/** Every file under a folder. */
export const filesUnder = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(join(folder, entry.name)) : [join(folder, entry.name)],
  );

export const isCode = (file: string): boolean => /\.(tsx?|mjs)$/.test(file);

/** A file of TypeScript, parsed. */
export const parsedFile = (file: string): ts.SourceFile =>
  ts.createSourceFile(file, readFileSync(file, "utf8"), ts.ScriptTarget.Latest, true);

/** Calls back for every node of a file, the outer before the inner. */
export function eachNode(file: string, call: (node: ts.Node, source: ts.SourceFile) => void): void {
  const source = parsedFile(file);
  const visit = (node: ts.Node): void => {
    call(node, source);
    ts.forEachChild(node, visit);
  };
  visit(source);
}
