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
    // Checks of earlier programs have none.
    mark: z.string().default(""),
    name: z.string(),
    toolKind: zCheckKind,
    sights: zCheckSights,
    good: z.boolean(),
    bias: zMm.nullable(),
  }),
  z.strictObject({ kind: z.literal("taken-back"), check: z.string() }),
  z.strictObject({ kind: z.literal("lot"), lot: z.string() }),
]);
type Body = z.output<typeof zBody>;

const rowsOf = (store: Store) =>
  store
    .select()
    .from(toolChecks)
    .orderBy(asc(toolChecks.n))
    .all()
    .map(({ body, ...row }) => ({ ...row, body: check(zBody, JSON.parse(body)) }));

/** Every check that was not taken back, in the order of time. */
export function toolChecksMade(store: Store): ToolCheck[] {
  const rows = rowsOf(store);
  const gone = new Set(rows.flatMap(({ body }) => (body.kind === "taken-back" ? [body.check] : [])));
  return rows.flatMap(({ id, at, by, tool, body }) => {
    if (body.kind !== "check" || gone.has(id)) return [];
    const { mark, name, toolKind: kind, sights, good, bias } = body;
    return [{ id, at, by, tool, mark, name, kind, sights, good, bias }];
  });
}

/** The tool of the row that is stored under an id. */
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

/** A lot of connectors that was opened: those of a style come from it until the next. */
export interface LotOpened {
  readonly at: string;
  readonly by: string | null;
  readonly style: string;
  readonly lot: string;
}

/** Every lot that was opened, in the order of time. */
export const lotsOpened = (store: Store): LotOpened[] =>
  rowsOf(store).flatMap(({ at, by, tool, body }) =>
    body.kind === "lot" ? [{ at, by, style: tool, lot: body.lot }] : [],
  );

/** Stores that a lot was opened. */
export const addLotOpened = (store: Store, id: string, { at, by, style, lot }: LotOpened): void =>
  insert(store, { id, at, by, tool: style }, { kind: "lot", lot });
