import { and, desc, eq, gt, sql } from "drizzle-orm";
import { type BladeCount, UNUSED } from "@/core";
import type { Store } from "./database";
import { entries, toolEvents } from "./schema";

export type ToolAction = (typeof toolEvents.$inferSelect)["action"];

/** Adds what was done to a tool; adding the same id again changes nothing. */
export function addToolEvent(store: Store, event: typeof toolEvents.$inferInsert): void {
  store.insert(toolEvents).values(event).onConflictDoNothing().run();
}

const lastOf = (store: Store, tool: string, actions: readonly ToolAction[]): string =>
  store
    .select({ at: toolEvents.at })
    .from(toolEvents)
    .where(
      and(
        eq(toolEvents.tool, tool),
        sql`${toolEvents.action} IN (SELECT value FROM json_each(${JSON.stringify(actions)}))`,
      ),
    )
    .orderBy(desc(toolEvents.at))
    .get()?.at ?? "";

/** Strokes of a tool logged on ends after a time. */
const strokesAfter = (store: Store, tool: string, at: string): number =>
  store
    .select({ n: sql<number>`coalesce(sum(json_extract(entry, '$.items[0].count')), 0)` })
    .from(entries)
    .where(
      sql`json_extract(entry, '$.kind') = 'use' AND json_extract(entry, '$.tool') = ${tool} AND ${gt(entries.at, at)}`,
    )
    .get()?.n ?? 0;

/** How much a tool's blade has done since it was last seen to; strokes come from the ends' own entries. */
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
