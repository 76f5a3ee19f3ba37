import { and, asc, desc, eq, gt, sql } from "drizzle-orm";
import { canonical, linkHash, sha256 } from "../database/hash";
import { prepared } from "../database/prepared";
import { processWide } from "../database/process-wide";
import type { Store } from "../database/store";
import { register } from "../schema";

export type RegisterRow = typeof register.$inferSelect;
type RegisterKind = RegisterRow["kind"];

/** Hash of what a row says. */
export const digestOf = (row: unknown): string => sha256(canonical(row));

/** A line of the register under a hash with the line before it. */
export const registerHash = ({ before, n: _, hash: __, ...message }: RegisterRow): string =>
  linkHash(before, canonical(message));

/** The register's last line: its hash takes in all before it. */
export const registerHead = (store: Store): { n: number; hash: string } =>
  store.select().from(register).orderBy(desc(register.n)).limit(1).get() ?? { n: 0, hash: "" };

const grown = processWide(
  "register growth",
  () => new WeakMap<Store, { readonly n: number; readonly seen: number }>(),
);

/**
 * Number of the last line that says more than how far an end's chain has come: it grows as an end is begun or signed, and
 * with every plan, document and person. Not to be asked for while something is written.
 */
export function registerGrowth(store: Store): number {
  const before = grown.get(store) ?? { n: 0, seen: 0 };
  const { n: seen } = registerHead(store);
  if (seen === before.seen) return before.n;
  const last = store.get<{ n: number | null }>(
    sql`SELECT max(n) AS n FROM register WHERE n > ${before.seen} AND kind <> 'head'`,
  );
  const n = last?.n ?? before.n;
  grown.set(store, { n, seen });
  return n;
}

/** Enters something that is only ever added: a gap in the register tells that it was taken out. */
export function addToRegister(store: Store, kind: RegisterKind, ref: string, digest: string): void {
  const { hash: before } = registerHead(store);
  const line = { kind, ref, digest, before };
  store
    .insert(register)
    .values({ ...line, hash: registerHash({ ...line, n: 0, hash: "" }) })
    .run();
}

/** Lines of the register after one, in order, so many at a time. */
export const registerFrom = (store: Store, after: number, most: number): RegisterRow[] =>
  store.select().from(register).where(gt(register.n, after)).orderBy(asc(register.n)).limit(most).all();

const linesOf = prepared((store) =>
  store
    .select()
    .from(register)
    .where(and(eq(register.kind, sql.placeholder("kind")), eq(register.ref, sql.placeholder("ref"))))
    .orderBy(asc(register.n))
    .prepare(),
);

/** What the register says of one row. */
export const registerLines = (store: Store, kind: RegisterKind, ref: string): RegisterRow[] =>
  linesOf(store).all({ kind, ref });
