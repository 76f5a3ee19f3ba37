import { and, asc, desc, eq, isNotNull, sql } from "drizzle-orm";
import { type Cable, type Entry, InputError, type Procedure } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { bodyOf, keepDocument, keptCable, keptEntry, liftedFrom } from "../record/documents";
import { addToRegister, digestOf } from "../record/register";
import { shelf } from "../schema";
import {
  followedBy,
  type Library,
  mustHaveText,
  shippedLibrary,
  shippedWritten,
  textsOf,
  type Written,
} from "./shipped";

export type ShelfKind = (typeof shelf.$inferSelect)["kind"];

/** One revision of the user's own: who saved it, when and why; without a hash, it was put away. */
export type Revision = typeof shelf.$inferSelect;

/** Every revision of a document of the user's own, oldest first. */
export const storedRevisions = (store: Store, kind: ShelfKind, document: string): Revision[] =>
  store
    .select()
    .from(shelf)
    .where(and(eq(shelf.kind, kind), eq(shelf.document, document)))
    .orderBy(asc(shelf.revision))
    .all();

/** The latest revision of a document of the user's own, put away or not. */
export const latestRevision = (store: Store, kind: ShelfKind, document: string): Revision | undefined =>
  store
    .select()
    .from(shelf)
    .where(and(eq(shelf.kind, kind), eq(shelf.document, document)))
    .orderBy(desc(shelf.revision))
    .get();

/** Adds a revision; `body` null puts the document away. */
export function addRevision(
  store: Store,
  { kind, document, revision, body, at, by, why }: Omit<Revision, "row" | "hash"> & { body: string | null },
): void {
  inTransaction(store, () => {
    const hash = body === null ? null : keepDocument(store, kind, body);
    const row = store.insert(shelf).values({ kind, document, revision, hash, at, by, why }).returning().get();
    addToRegister(store, "shelf", String(row.row), digestOf(row));
  });
}

/** The text of one revision of the user's own. @throws InputError `not-found`. */
export function revisionText(store: Store, kind: ShelfKind, document: string, revision: number): string {
  const match = store
    .select()
    .from(shelf)
    .where(
      and(
        eq(shelf.kind, kind),
        eq(shelf.document, document),
        eq(shelf.revision, revision),
        isNotNull(shelf.hash),
      ),
    )
    .get();
  if (!match?.hash)
    throw new InputError("not-found", say("there-is-no-revision-of-here", { revision, document }), [
      "revision",
    ]);
  return bodyOf(store, match.hash);
}

/** A kept document of a kind, read once, with its text: kept documents never change. */
const readOnce = <T extends object>(read: (store: Store, hash: string) => T) => {
  const cache = new Map<string, Written<T>>();
  return (store: Store, hash: string): Written<T> => {
    const written = cache.get(hash) ?? { document: read(store, hash), text: bodyOf(store, hash) };
    cache.set(hash, written);
    return written;
  };
};
const ownCable = readOnce(keptCable);
const ownEntry = readOnce(keptEntry);
const ownProcedure = readOnce(liftedFrom);

const merged = new WeakMap<Store, { readonly row: number; readonly library: Library }>();

/**
 * Everything on the shelf: what was shipped, with the user's own latest revisions in place of it and beside it.
 * Read again only after somebody saved.
 */
export function wholeLibrary(store: Store): Library {
  const row = store.select({ row: sql<number>`coalesce(max(row), 0)` }).from(shelf).get()?.row ?? 0;
  const cached = merged.get(store);
  if (cached?.row === row) return cached.library;
  const latest = store
    .select()
    .from(shelf)
    .where(
      sql`${shelf.row} IN (SELECT max(row) FROM shelf GROUP BY kind, document) AND ${shelf.hash} IS NOT NULL`,
    )
    .all();
  const shipped = shippedLibrary();
  const mine = <T>(kind: ShelfKind, own: (store: Store, hash: string) => Written<T>): Written<T>[] =>
    latest.flatMap((row) => (row.kind === kind && row.hash !== null ? [own(store, row.hash)] : []));
  const cables = mine("cable", ownCable);
  const entries = mine("entry", ownEntry);
  const procedures = mine("procedure", ownProcedure);
  const written = shippedWritten();
  const library: Library = {
    ...shipped,
    // What follows from an entry or a cable gives way to what somebody wrote by that id.
    ...followedBy({
      cables: withOwn(written.cables, cables),
      procedures: withOwn(written.procedures, procedures),
      entries: withOwn(written.entries, entries),
      texts: new Map([
        ...shipped.texts,
        ...textsOf("cable", cables),
        ...textsOf("procedure", procedures),
        ...textsOf("entry", entries),
      ]),
    }),
  };
  merged.set(store, { row, library });
  return library;
}

function withOwn<T extends { readonly id: string; readonly name: string }>(
  shipped: readonly T[],
  written: readonly Written<T>[],
): T[] {
  const mine = written.map(({ document }) => document);
  const fresh = mine.filter(({ id }) => !shipped.some((document) => document.id === id));
  return [...shipped.map((document) => mine.find(({ id }) => id === document.id) ?? document), ...fresh];
}

/** Everything of a kind that a library has. */
export const shelvedOf = (
  { cables, procedures, entries }: Library,
  kind: ShelfKind,
): readonly (Cable | Procedure | Entry)[] => ({ cable: cables, procedure: procedures, entry: entries })[kind];

/** The text of a document as it stands on the shelf, and its revision. @throws InputError `not-found`. */
export function shelfText(store: Store, kind: ShelfKind, id: string): { text: string; revision: number } {
  const library = wholeLibrary(store);
  const match = shelvedOf(library, kind).find((document) => document.id === id);
  if (!match)
    throw new InputError("not-found", say("there-is-no-called-on-the-shelf", { kind, id: id.slice(0, 60) }), [
      "id",
    ]);
  return { text: mustHaveText(library, kind, id), revision: match.revision };
}
