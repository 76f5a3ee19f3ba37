import { eq } from "drizzle-orm";
import { z } from "zod";
import {
  type Cable,
  check,
  InputError,
  type Procedure,
  type RunSheet,
  type Tool,
  zCable,
  zEntry,
  zProcedure,
  zRunSheet,
  zTool,
} from "@/core";
import { sha256 } from "./hash";
import { digestOf, enter } from "./register";
import { documents } from "./schema";
import type { Store } from "./store";

type DocumentRow = typeof documents.$inferSelect;
type Kind = DocumentRow["kind"];

/** The version of each kind's schema that documents are written by. */
const VERSION = 1;

/** The schema of each kind, by the version it was written under: an old one stays for what was written by it. */
const READERS = {
  cable: { 1: zCable },
  procedure: { 1: zProcedure },
  entry: { 1: zEntry },
  tools: { 1: z.array(zTool) },
  sheet: { 1: zRunSheet },
} as const;

/** What the register keeps of a document beside its hash. */
export const documentDigest = ({ kind, v }: Pick<DocumentRow, "kind" | "v">): string => digestOf({ kind, v });

/** Keeps a document's text, once. @returns its hash (SHA-256 of the text, hexadecimal). */
export function keepDocument(store: Store, kind: Kind, body: string): string {
  const hash = sha256(body);
  if (findDocument(store, hash)) return hash;
  store.insert(documents).values({ hash, kind, body, v: VERSION }).run();
  enter(store, "document", hash, documentDigest({ kind, v: VERSION }));
  return hash;
}

export const findDocument = (store: Store, hash: string): DocumentRow | undefined =>
  store.select().from(documents).where(eq(documents.hash, hash)).get();

function mustFind(store: Store, hash: string): DocumentRow {
  const found = findDocument(store, hash);
  if (!found)
    throw new InputError("gone", `A document of the record is missing: ${hash.slice(0, 16)}.`, ["hash"]);
  return found;
}

/** A kept document's text. @throws InputError `gone`. */
export const bodyOf = (store: Store, hash: string): string => mustFind(store, hash).body;

/** What a kept document says, by the schema it was written under. @throws InputError `gone`, `newer`. */
function read<S extends z.ZodType>(
  store: Store,
  hash: string,
  readers: Readonly<Record<number, S>>,
): z.output<S> {
  const { v, body } = mustFind(store, hash);
  const schema = readers[v];
  if (!schema)
    throw new InputError("newer", "This document was written by a newer Arlent: open it with that one.", [
      "hash",
    ]);
  return check(schema, JSON.parse(body));
}

export const keptProcedure = (store: Store, hash: string): Procedure => read(store, hash, READERS.procedure);
export const keptCable = (store: Store, hash: string): Cable => read(store, hash, READERS.cable);
export const keptTools = (store: Store, hash: string): Tool[] => read(store, hash, READERS.tools);
export const keptSheet = (store: Store, hash: string): RunSheet => read(store, hash, READERS.sheet);
