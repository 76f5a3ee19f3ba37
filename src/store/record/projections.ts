import { asc, eq, sql } from "drizzle-orm";
import type { EndId, Projections, ReadingRow, UseRow, VerdictRow } from "@/core";
import { placeholdersOf, prepared, settingOf } from "../database/prepared";
import type { Store } from "../database/store";
import { attempts, readings, uses, verdicts } from "../schema";

const insertReading = prepared((store) => store.insert(readings).values(placeholdersOf(readings)).prepare());

const putVerdict = prepared((store) => {
  const { endId: _, check: __, ...set } = settingOf(verdicts);
  return store
    .insert(verdicts)
    .values(placeholdersOf(verdicts))
    .onConflictDoUpdate({ target: [verdicts.endId, verdicts.check], set })
    .prepare();
});

/** Adds one reading and puts its length's row in order: what most events change. */
export function projectReading(store: Store, endId: EndId, reading: ReadingRow, length: VerdictRow): void {
  insertReading(store).run({ ...reading, endId });
  projectVerdict(store, endId, length);
}

/** Puts a length's row in order. */
export const projectVerdict = (store: Store, endId: EndId, length: VerdictRow): void =>
  void putVerdict(store).run({ ...length, endId });

export function projectUses(store: Store, endId: EndId, rows: readonly UseRow[]): void {
  for (const row of rows)
    store
      .insert(uses)
      .values({ ...row, endId })
      .run();
}

/** Writes an end's projections again. */
export function project(store: Store, endId: EndId, all: Projections): void {
  for (const table of [readings, verdicts, attempts, uses])
    store.delete(table).where(eq(table.endId, endId)).run();
  for (const part of parts(all.readings, endId)) store.insert(readings).values(part).run();
  for (const part of parts(all.verdicts, endId)) store.insert(verdicts).values(part).run();
  for (const part of parts(all.attempts, endId)) store.insert(attempts).values(part).run();
  for (const part of parts(all.uses, endId)) store.insert(uses).values(part).run();
}

/** Rows of one statement: well under the number of values SQLite takes at once. */
const AT_ONCE = 200;

const parts = <T>(rows: readonly T[], endId: EndId): (T & { endId: EndId })[][] =>
  Array.from({ length: Math.ceil(rows.length / AT_ONCE) }, (_, i) =>
    rows.slice(i * AT_ONCE, (i + 1) * AT_ONCE).map((row) => ({ ...row, endId })),
  );

const bare = <T extends { endId: EndId }>({ endId: _, ...row }: T): Omit<T, "endId"> => row;

const projected = prepared((store) => {
  const its = sql.placeholder("endId");
  return {
    readings: store.select().from(readings).where(eq(readings.endId, its)).prepare(),
    verdicts: store.select().from(verdicts).where(eq(verdicts.endId, its)).prepare(),
    attempts: store.select().from(attempts).where(eq(attempts.endId, its)).prepare(),
    uses: store
      .select()
      .from(uses)
      .where(eq(uses.endId, its))
      .orderBy(asc(uses.eventId), asc(uses.place))
      .prepare(),
  };
});

/** An end's projections as they lie in the file. */
export function projectedOf(store: Store, endId: EndId): Projections {
  const of = projected(store);
  return {
    readings: of.readings.all({ endId }).map(bare),
    verdicts: of.verdicts.all({ endId }).map(bare),
    attempts: of.attempts.all({ endId }).map(bare),
    uses: of.uses.all({ endId }).map(bare),
  };
}
