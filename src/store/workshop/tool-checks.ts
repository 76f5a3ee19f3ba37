import { asc, eq } from "drizzle-orm";
import { z } from "zod";
import { check, type ToolCheck, zCheckKind, zCheckSights, zMm } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { toolChecks } from "../schema";

const zBody = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("check"),
    name: z.string(),
    toolKind: zCheckKind,
    sights: zCheckSights,
    good: z.boolean(),
    bias: zMm.nullable(),
  }),
  z.strictObject({ kind: z.literal("taken-back"), check: z.string() }),
]);
type Body = z.output<typeof zBody>;

/** Every check that was not taken back, in the order of time. */
export function toolChecksMade(store: Store): ToolCheck[] {
  const rows = store
    .select()
    .from(toolChecks)
    .orderBy(asc(toolChecks.n))
    .all()
    .map(({ body, ...row }) => ({ ...row, body: check(zBody, JSON.parse(body)) }));
  const gone = new Set(rows.flatMap(({ body }) => (body.kind === "taken-back" ? [body.check] : [])));
  return rows.flatMap(({ id, at, by, tool, body }) => {
    if (body.kind !== "check" || gone.has(id)) return [];
    const { name, toolKind: kind, sights, good, bias } = body;
    return [{ id, at, by, tool, name, kind, sights, good, bias }];
  });
}

/** Whether a check or its taking back is stored under an id, and of which tool. */
export const findToolCheck = (store: Store, id: string): { readonly tool: string } | undefined =>
  store.select({ tool: toolChecks.tool }).from(toolChecks).where(eq(toolChecks.id, id)).get();

function insert(store: Store, row: Omit<typeof toolChecks.$inferSelect, "n" | "body">, body: Body): void {
  inTransaction(store, () => {
    const stored = store
      .insert(toolChecks)
      .values({ ...row, body: JSON.stringify(z.encode(zBody, body)) })
      .returning()
      .get();
    addToRegister(store, "tool-check", stored.id, digestOf(stored));
  });
}

/** Stores a check. */
export const addToolCheck = (store: Store, { id, at, by, tool, kind, ...rest }: ToolCheck): void =>
  insert(store, { id, at, by, tool }, { kind: "check", toolKind: kind, ...rest });

/** Stores that a check is taken back. */
export const addTakenBack = (
  store: Store,
  row: { readonly id: string; readonly at: string; readonly by: string | null; readonly tool: string },
  takenBack: string,
): void => insert(store, row, { kind: "taken-back", check: takenBack });
