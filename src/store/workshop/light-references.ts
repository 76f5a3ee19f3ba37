import { desc, eq, gte, sql } from "drizzle-orm";
import { check, type LightReference, zReference } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { lightReferences } from "../schema";

type ReferenceRow = typeof lightReferences.$inferSelect;

/** A reference as it was stored. */
interface StoredReference extends Omit<ReferenceRow, "body"> {
  readonly reference: LightReference;
}

const referenceIn = ({ body, ...row }: ReferenceRow): StoredReference => ({
  ...row,
  reference: check(zReference, JSON.parse(body)),
});

/** The reference of an id. */
export function findReference(store: Store, id: string): StoredReference | undefined {
  const row = store.select().from(lightReferences).where(eq(lightReferences.id, id)).get();
  return row && referenceIn(row);
}

/** References stored since a time, newest first. */
export const referencesSince = (store: Store, since: string): StoredReference[] =>
  store
    .select()
    .from(lightReferences)
    .where(gte(lightReferences.at, since))
    .orderBy(desc(lightReferences.n))
    .all()
    .map(referenceIn);

/** Matings of a reference's cord: powers read with it on ends, struck ones included. */
export function matingsOf(store: Store, { eventsBefore, reference }: StoredReference): number {
  const { taken, source, cord, wavelength } = reference;
  const row = store.get<{ matings: number }>(sql`
    SELECT coalesce(sum(json_array_length(body, '$.event.dBm')), 0) AS matings FROM events
    WHERE n > ${eventsBefore} AND body LIKE '%"kind":"light"%'
      AND json_extract(body, '$.event.kind') = 'light'
      AND json_extract(body, '$.event.reference.taken') = ${taken}
      AND json_extract(body, '$.event.reference.source') = ${source}
      AND json_extract(body, '$.event.reference.cord') = ${cord}
      AND json_extract(body, '$.event.reference.wavelength') = ${wavelength}`);
  return row?.matings ?? 0;
}

/** Stores a reference. */
export function addReference(
  store: Store,
  { reference, ...row }: Omit<StoredReference, "n" | "eventsBefore">,
): void {
  inTransaction(store, () => {
    const before = store.get<{ n: number }>(sql`SELECT coalesce(max(n), 0) AS n FROM events`);
    const stored = store
      .insert(lightReferences)
      .values({ ...row, eventsBefore: before?.n ?? 0, body: JSON.stringify(reference) })
      .returning()
      .get();
    addToRegister(store, "light-reference", stored.id, digestOf(stored));
  });
}
