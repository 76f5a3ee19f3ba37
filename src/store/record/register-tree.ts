import { sql } from "drizzle-orm";
import { canonical } from "../database/hash";
import { processWide } from "../database/process-wide";
import type { Store } from "../database/store";
import { type RegisterRow, registerFrom } from "./register";
import { HashTree } from "./tree";

/** One line of the register as a leaf: canonical JSON of what it says of what. */
export const lineLeaf = ({
  kind,
  ref,
  digest,
}: {
  readonly kind: string;
  readonly ref: string;
  readonly digest: string;
}): string => canonical({ digest, kind, ref });

/** Lines read at once. */
const AT_ONCE = 2_000;

/** Adds the lines that came since, so many at a time; what comes between may be answered. */
function* grownBy(store: Store, tree: HashTree): Generator<void> {
  for (;;) {
    const lines = registerFrom(store, tree.size, AT_ONCE);
    for (const line of lines) tree.add(lineLeaf(line));
    if (lines.length < AT_ONCE) return;
    yield;
  }
}

const trees = processWide("register trees", () => new WeakMap<Store, HashTree>());

function keptTree(store: Store): HashTree {
  const tree = trees.get(store) ?? new HashTree();
  trees.set(store, tree);
  return tree;
}

/** The tree over all lines of the register; only lines that came since are read. */
export function registerTree(store: Store): HashTree {
  const tree = keptTree(store);
  for (const _ of grownBy(store, tree));
  return tree;
}

/** The same as the file says it now, whatever was read of it before. */
export function registerTreeAnew(store: Store): HashTree {
  const tree = new HashTree();
  for (const _ of grownBy(store, tree));
  return tree;
}

/** Reads what the tree lacks in pieces, so that no request waits for all of it. */
export async function readAheadRegister(store: Store): Promise<void> {
  for (const _ of grownBy(store, keptTree(store))) await new Promise((next) => setImmediate(next));
}

/** Lines of the register that say something of an end or a document, with their places from 0 on. */
export const linesAbout = (store: Store, refs: readonly string[]): (RegisterRow & { index: number })[] =>
  store
    .all<RegisterRow>(
      sql`SELECT n, kind, ref, digest, before, hash FROM register WHERE kind IN ('end', 'signed', 'head', 'document', 'batch') AND ref IN (SELECT value FROM json_each(${JSON.stringify(refs)})) ORDER BY n`,
    )
    .map((line) => ({ ...line, index: line.n - 1 }));
