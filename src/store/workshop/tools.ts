import { and, desc, eq, gt, inArray, sql } from "drizzle-orm";
import { type BladeCount, UNUSED } from "@/core";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { addToRegister, digestOf } from "../record/register";
import { toolEvents, uses } from "../schema";
import { spliceStrokesAfter } from "./splice-strokes";

type ToolEventRow = typeof toolEvents.$inferSelect;
type ToolAction = ToolEventRow["action"];

/** Adds what was done to a tool; adding the same id again changes nothing. */
export function addToolEvent(store: Store, row: ToolEventRow): void {
  inTransaction(store, () => {
    if (store.select().from(toolEvents).where(eq(toolEvents.id, row.id)).get()) return;
    store.insert(toolEvents).values(row).run();
    addToRegister(store, "tool", row.id, digestOf(row));
  });
}

/** When the last of all blades was seen to, as its time was written; undefined where none was. */
export const lastToolEventAt = (store: Store): string | undefined =>
  store.select({ at: toolEvents.at }).from(toolEvents).orderBy(desc(toolEvents.at)).limit(1).get()?.at;

const lastOf = (store: Store, tool: string, actions: readonly ToolAction[]): string =>
  store
    .select({ at: toolEvents.at })
    .from(toolEvents)
    .where(and(eq(toolEvents.tool, tool), inArray(toolEvents.action, [...actions])))
    .orderBy(desc(toolEvents.at))
    .get()?.at ?? "";

/** Strokes of a tool after a time, on ends that were work and on splices. */
function strokesAfter(store: Store, tool: string, at: string): number {
  const onEnds =
    store
      .select({ n: sql<number>`coalesce(sum(${uses.count}), 0)` })
      .from(uses)
      .where(and(eq(uses.tool, tool), gt(uses.at, at), eq(uses.purpose, "work")))
      .get()?.n ?? 0;
  return spliceStrokesAfter(store, at)
    .filter((stroke) => stroke.tool === tool)
    .reduce((sum, { count }) => sum + count, onEnds);
}

/** Cleaves of a tool's blade since it was last wiped, turned or changed. */
export function bladeCount(store: Store, tool: string): BladeCount {
  const fresh = lastOf(store, tool, ["new"]);
  const turned = lastOf(store, tool, ["new", "turn"]);
  const turns =
    store
      .select({ n: sql<number>`count(*)` })
      .from(toolEvents)
      .where(and(eq(toolEvents.tool, tool), eq(toolEvents.action, "turn"), gt(toolEvents.at, fresh)))
      .get()?.n ?? 0;
  return {
    ...UNUSED,
    sinceTurn: strokesAfter(store, tool, turned),
    sinceWipe: strokesAfter(store, tool, lastOf(store, tool, ["wipe", "turn", "new"])),
    turns,
  };
}
