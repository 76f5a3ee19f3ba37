import { eq, sql } from "drizzle-orm";
import { z } from "zod";
import {
  type Cable,
  check,
  type Entry,
  InputError,
  liftedProcedure,
  type Procedure,
  type RunSheet,
  renamedProcedure,
  type Tool,
  zCable,
  zEntry,
  zProcedure,
  zRunSheet,
  zTool,
} from "@/core";
import { say } from "@/messages/service";
import { sha256 } from "../database/hash";
import { prepared } from "../database/prepared";
import type { Store } from "../database/store";
import { documents } from "../schema";
import { addToRegister, digestOf } from "./register";

type DocumentRow = typeof documents.$inferSelect;
type Kind = DocumentRow["kind"];

/** The version of each kind's schema that documents are written by. */
const VERSION = { cable: 2, procedure: 3, entry: 2, tools: 1, sheet: 3 } as const satisfies Record<
  Kind,
  number
>;

type Readers<T> = Readonly<Record<number, (written: unknown) => T>>;

/** What reads each kind, by the version it was written under: an old one stays for what was written by it. */
const readCable = (written: unknown): Cable => check(zCable, written);
const readEntry = (written: unknown): Entry => check(zEntry, written);
const readProcedure = (written: unknown): Procedure => check(zProcedure, written);
const readSheet = (written: unknown): RunSheet => check(zRunSheet, written);
const CABLE: Readers<Cable> = { 1: readCable, 2: readCable };
const ENTRY: Readers<Entry> = { 1: readEntry, 2: readEntry };
const TOOLS: Readers<Tool[]> = { 1: (written) => check(z.array(zTool), written) };
const PROCEDURE: Readers<Procedure> = {
  1: (written) => readProcedure(renamedProcedure(written)),
  2: readProcedure,
  3: readProcedure,
};
const SHEET: Readers<RunSheet> = {
  1: (written) => readSheet(renamedProcedure(written)),
  2: readSheet,
  3: readSheet,
};

/** What the register keeps of a document beside its hash. */
export const documentDigest = ({ kind, v }: Pick<DocumentRow, "kind" | "v">): string => digestOf({ kind, v });

/** Keeps a document's text, once. @returns its hash (SHA-256 of the text, hexadecimal). */
export function keepDocument(store: Store, kind: Kind, body: string): string {
  const hash = sha256(body);
  if (hasDocument(store, hash)) return hash;
  store.insert(documents).values({ hash, kind, body, v: VERSION[kind] }).run();
  addToRegister(store, "document", hash, documentDigest({ kind, v: VERSION[kind] }));
  return hash;
}

/**
 * Keeps a document of another record's, once, under the version it was written by there: the one its line of the register
 * says. @throws InputError `newer`: no version this program knows.
 */
export function keepDocumentAs(
  store: Store,
  { kind, body }: Pick<DocumentRow, "kind" | "body">,
  digest: string,
): void {
  const hash = sha256(body);
  if (hasDocument(store, hash)) return;
  const versions = Array.from({ length: VERSION[kind] }, (_, i) => i + 1);
  const v = versions.find((version) => documentDigest({ kind, v: version }) === digest);
  if (v === undefined)
    throw new InputError("newer", say("something-in-it-was-written-by-a-newer"), ["proof"]);
  store.insert(documents).values({ hash, kind, body, v }).run();
  addToRegister(store, "document", hash, digest);
}

const byHash = prepared((store) =>
  store
    .select()
    .from(documents)
    .where(eq(documents.hash, sql.placeholder("hash")))
    .prepare(),
);

export const findDocument = (store: Store, hash: string): DocumentRow | undefined =>
  byHash(store).get({ hash });

const itsHash = prepared((store) =>
  store
    .select({ hash: documents.hash })
    .from(documents)
    .where(eq(documents.hash, sql.placeholder("hash")))
    .prepare(),
);

/** Whether a document is there, without reading it. */
export const hasDocument = (store: Store, hash: string): boolean =>
  itsHash(store).get({ hash }) !== undefined;

function mustFind(store: Store, hash: string): DocumentRow {
  const document = findDocument(store, hash);
  if (!document)
    throw new InputError("gone", say("a-document-of-the-record-is-missing", { hash: hash.slice(0, 16) }), [
      "hash",
    ]);
  return document;
}

/** A kept procedure as it is put to work today: an older one is lifted. @throws InputError `gone`. */
export const liftedFrom = (store: Store, hash: string): Procedure =>
  readProcedure(JSON.parse(bodyOf(store, hash)));

/** A kept document's text, as it is written today: an older one is lifted. @throws InputError `gone`. */
export function bodyOf(store: Store, hash: string): string {
  const { kind, v, body } = mustFind(store, hash);
  return kind === "procedure" && v < VERSION.procedure
    ? JSON.stringify(liftedProcedure(JSON.parse(body)), null, 2)
    : body;
}

/** What a kept document says, by the schema it was written under. @throws InputError `gone`, `newer`. */
function read<T>(store: Store, hash: string, readers: Readers<T>): T {
  const { v, body } = mustFind(store, hash);
  const reader = readers[v];
  if (!reader) throw new InputError("newer", say("this-document-was-written-by-a-newer"), ["hash"]);
  return reader(JSON.parse(body));
}

export const keptProcedure = (store: Store, hash: string): Procedure => read(store, hash, PROCEDURE);
export const keptCable = (store: Store, hash: string): Cable => read(store, hash, CABLE);
export const keptEntry = (store: Store, hash: string): Entry => read(store, hash, ENTRY);
export const keptTools = (store: Store, hash: string): Tool[] => read(store, hash, TOOLS);
export const keptSheet = (store: Store, hash: string): RunSheet => read(store, hash, SHEET);
