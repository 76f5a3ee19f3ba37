import { and, asc, desc, eq, gt, sql } from "drizzle-orm";
import { canonical, linkHash, sha256 } from "../database/hash";
import { prepared } from "../database/prepared";
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
