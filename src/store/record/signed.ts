import { and, asc, desc, eq, gte, isNotNull, lt, ne, type SQL, sql } from "drizzle-orm";
import type { EndId, Purpose, Result } from "@/core";
import { holding } from "../database/like";
import { prepared } from "../database/prepared";
import type { Store } from "../database/store";
import { ends } from "../schema";
import type { EndRow } from "./ends";

export interface LedgerFilter {
  readonly result?: Result | undefined;
  readonly style?: string | undefined;
  readonly purpose: Purpose;
  /** Words that all stand somewhere in its job, its name, its style, its cable or its signer's name. */
  readonly words?: readonly string[] | undefined;
  /** Signed off on or after, and before, these moments. */
  readonly since?: string | undefined;
  readonly until?: string | undefined;
  /** Sign-off time and id of the last row already seen. */
  readonly before?: { readonly signedAt: string; readonly id: string } | undefined;
}

/** What a filter asks about: of those with the same, one statement serves all. */
const shapeOf = ({ result, style, words = [], since, until, before }: LedgerFilter): string =>
  [result, style, since, until, before].map((filter) => (filter === undefined ? "-" : "+")).join("") +
  words.length;

/** What a filter asks for, by the names of the statement's places. */
export const askedOf = ({ result, style, purpose, words = [], since, until, before }: LedgerFilter) => ({
  purpose,
  result,
  style,
  since,
  until,
  signedAt: before?.signedAt,
  id: before?.id,
  ...Object.fromEntries(words.map((word, i) => [`word${i}`, holding(word)])),
});

const place = (name: string): SQL => sql`${sql.placeholder(name)}`;

export const matching = ({
  result,
  style,
  words = [],
  since,
  until,
  before,
}: LedgerFilter): SQL | undefined =>
  and(
    isNotNull(ends.signedAt),
    eq(ends.purpose, place("purpose")),
    // What was begun by mistake is kept, and shown to whoever asks for it.
    result ? eq(ends.result, place("result")) : ne(ends.result, "discarded"),
    style ? eq(ends.style, place("style")) : undefined,
    ...words.map(
      (_, i) =>
        sql`(${ends.job} || ' ' || ${ends.label} || ' ' || ${ends.styleName} || ' ' || ${ends.cableName} || ' ' || coalesce(${ends.signedBy}, '')) LIKE ${place(`word${i}`)} ESCAPE '\\'`,
    ),
    since ? gte(ends.signedAt, place("since")) : undefined,
    until ? lt(ends.signedAt, place("until")) : undefined,
    before && sql`(${ends.signedAt}, ${ends.id}) < (${place("signedAt")}, ${place("id")})`,
  );

/** A statement put together once for each shape of filter. */
export function byShape<T>(make: (store: Store, filter: LedgerFilter) => T) {
  const existing = prepared(() => new Map<string, T>());
  return (store: Store, filter: LedgerFilter): T => {
    const [statements, shape] = [existing(store), shapeOf(filter)];
    const statement = statements.get(shape) ?? make(store, filter);
    statements.set(shape, statement);
    return statement;
  };
}

/** An end on record as a list shows it, and the sheet it is drawn from. */
export interface SignedRow
  extends Pick<
    EndRow,
    | "id"
    | "style"
    | "styleName"
    | "cableName"
    | "job"
    | "label"
    | "result"
    | "signedBy"
    | "signedAt"
    | "picked"
    | "batchId"
    | "sheetHash"
  > {}

const listed = byShape((store, filter) =>
  store
    .select({
      id: ends.id,
      style: ends.style,
      styleName: ends.styleName,
      cableName: ends.cableName,
      job: ends.job,
      label: ends.label,
      result: ends.result,
      signedBy: ends.signedBy,
      signedAt: ends.signedAt,
      picked: ends.picked,
      batchId: ends.batchId,
      sheetHash: ends.sheetHash,
    })
    .from(ends)
    .where(matching(filter))
    .orderBy(desc(ends.signedAt), desc(ends.id))
    .limit(sql.placeholder("most"))
    .prepare(),
);

/** Ends on record, newest sign-off first. */
export const signedEnds = (store: Store, filter: LedgerFilter, most: number): SignedRow[] =>
  listed(store, filter).all({ ...askedOf(filter), most });

const idsListed = byShape((store, filter) =>
  store.select({ id: ends.id }).from(ends).where(matching(filter)).prepare(),
);

/** Ids of the ends on record that a filter lets through. */
export const signedIds = (store: Store, filter: LedgerFilter): EndId[] =>
  idsListed(store, filter)
    .all(askedOf(filter))
    .map(({ id }) => id);

/** The second end that was ever signed off: what is before it in the ledger is one end. */
export const secondSigned = (store: Store): Pick<SignedRow, "signedAt" | "id"> | undefined =>
  store
    .select({ id: ends.id, signedAt: sql<string>`${ends.signedAt}` })
    .from(ends)
    .where(and(isNotNull(ends.signedAt), eq(ends.purpose, "work")))
    .orderBy(asc(ends.signedAt), asc(ends.id))
    .limit(1)
    .offset(1)
    .get();

const counted = byShape((store, filter) =>
  store.select({ n: sql<number>`count(*)` }).from(ends).where(matching(filter)).prepare(),
);

export const countSigned = (store: Store, filter: LedgerFilter): number =>
  counted(store, filter).get(askedOf(filter))?.n ?? 0;

const styles = prepared((store) =>
  store
    .selectDistinct({ style: ends.style, styleName: ends.styleName })
    .from(ends)
    .where(and(isNotNull(ends.signedAt), eq(ends.purpose, "work")))
    .orderBy(asc(ends.styleName))
    .prepare(),
);

/** Styles that have an end on record, by name. */
export const signedStyles = (store: Store): { style: string; styleName: string }[] => styles(store).all();
