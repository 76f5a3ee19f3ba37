import { and, asc, eq, isNotNull, sql } from "drizzle-orm";
import type { EndId } from "@/core";
import type { Store } from "../database/store";
import { toolEvents, uses } from "../schema";
import { spliceStrokesAfter } from "./splice-strokes";

/** Strokes of a tool on an end; on a splice without one. */
interface ToolStrokes {
  readonly endId: EndId | null;
  readonly tool: string;
  readonly at: string;
  readonly count: number;
}

const byTime = (a: ToolStrokes, b: ToolStrokes): number => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0);

/** Strokes of tools on work, and what was done to their blades, each in the order of time. */
export const toolHistory = (store: Store) => ({
  strokes: [
    ...store
      .select({ endId: uses.endId, tool: sql<string>`${uses.tool}`, at: uses.at, count: uses.count })
      .from(uses)
      .where(and(isNotNull(uses.tool), eq(uses.purpose, "work")))
      .orderBy(asc(uses.at))
      .all(),
    ...spliceStrokesAfter(store, "").map((strokes): ToolStrokes => ({ endId: null, ...strokes })),
  ].sort(byTime),
  done: store.select().from(toolEvents).orderBy(asc(toolEvents.at)).all(),
});
