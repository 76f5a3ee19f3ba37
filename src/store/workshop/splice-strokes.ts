import { and, asc, gt, like, sql } from "drizzle-orm";
import type { Store } from "../database/store";
import { closureEvents } from "../schema";
import { shippedLibrary } from "../shelf/shipped";

/** Cleaves of one try at a splice. */
interface SpliceStrokes {
  readonly tool: string;
  readonly at: string;
  readonly count: number;
}

/** Cleaves that one try takes by its procedure, by tool. */
function strokesByProcedure(): ReadonlyMap<string, ReadonlyMap<string, number>> {
  return new Map(
    shippedLibrary().splicing.map(({ id, steps }) => {
      const byTool = new Map<string, number>();
      for (const { act, tool } of steps)
        if (act === "cleave" && tool !== undefined) byTool.set(tool, (byTool.get(tool) ?? 0) + 1);
      return [id, byTool];
    }),
  );
}

/** Cleaves of the tries at splices of closures after a time, in the order of time; none of a simulated one. */
export function spliceStrokesAfter(store: Store, after: string): SpliceStrokes[] {
  const procedures = strokesByProcedure();
  return store
    .select({
      at: closureEvents.at,
      procedure: sql<string | null>`json_extract(${closureEvents.body}, '$.procedure.id')`,
    })
    .from(closureEvents)
    .where(
      and(
        gt(closureEvents.at, after),
        like(closureEvents.body, '%"kind":"splice"%'),
        sql`coalesce(json_extract(${closureEvents.body}, '$.splicer.simulated'), 0) = 0`,
      ),
    )
    .orderBy(asc(closureEvents.n))
    .all()
    .flatMap(({ at, procedure }) =>
      [...(procedures.get(procedure ?? "") ?? [])].map(([tool, count]) => ({ tool, at, count })),
    );
}
