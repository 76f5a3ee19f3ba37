import {
  type ClosureId,
  type ClosureRecorded,
  closureToolsUsed,
  marksInHand,
  type ToolStanding,
  type ToolStood,
  type ToolToCheck,
} from "@/core";
import type { Store } from "@/store/database/store";
import { closureEventsSince } from "@/store/plan/closure-events";
import { closurePlanIn, latestClosure } from "@/store/plan/closures";
import { shippedLibrary } from "@/store/shelf/shipped";
import { checksOfTool, personIdOf, stoodInHand, type Work } from "./tool-checks";

/** Events looked at for the tools in use; events searched for those a failed check names, and closures that are named. */
const MOST_RECENT = 200;
const MOST_SEARCHED = 20_000;
const MOST_NAMED = 200;

const toolsOf = (event: ClosureRecorded["event"], tools: readonly ToolToCheck[]) =>
  closureToolsUsed(tools, event, shippedLibrary().splicing);

/** Ids of the tools closures were worked at with since a time. */
export const closureToolsSince = (store: Store, since: string): ReadonlySet<string> =>
  new Set(
    closureEventsSince(store, since, MOST_RECENT).flatMap(({ event }) =>
      toolsOf(event, shippedLibrary().toolsToCheck).map(({ id }) => id),
    ),
  );

/** Standing of an event of a closure by the checks of the tools it was done with; tools never checked are left out. */
export const checksOfClosureEvent = (store: Store, recorded: ClosureRecorded): ToolStood[] =>
  toolsOf(recorded.event, shippedLibrary().toolsToCheck).flatMap(
    (tool) => stoodInHand(store, tool, workOf(store, recorded)) ?? [],
  );

const workOf = (store: Store, { at, by }: ClosureRecorded): Work => ({
  from: at,
  to: at,
  get by() {
    return personIdOf(store, by);
  },
});

/**
 * Closures worked at after a time with a tool, or with one that may have been it, each with the splices made and how many
 * readings were taken.
 */
export function closuresWorkedWith(
  store: Store,
  { mark, ...tool }: ToolToCheck & { readonly mark: string },
  after: string,
): ToolStanding["closures"] {
  const byClosure = new Map<ClosureId, ClosureRecorded[]>();
  const checks = checksOfTool(store, tool.id);
  for (const recorded of closureEventsSince(store, after, MOST_SEARCHED))
    if (
      toolsOf(recorded.event, [tool]).length > 0 &&
      marksInHand(checks, workOf(store, recorded)).includes(mark)
    )
      byClosure.set(recorded.closure, [...(byClosure.get(recorded.closure) ?? []), recorded]);
  return [...byClosure]
    .slice(0, MOST_NAMED)
    .flatMap(([closure, events]) => namedClosure(store, closure, events));
}

function namedClosure(
  store: Store,
  closure: ClosureId,
  events: readonly ClosureRecorded[],
): ToolStanding["closures"] {
  const row = latestClosure(store, closure);
  // Taken off its job: nothing is left to look at.
  if (!row || row.body === null) return [];
  const { name, splicing } = closurePlanIn(row);
  const spliced = new Set(events.flatMap(({ event }) => (event.kind === "splice" ? [event.splice] : [])));
  return [
    {
      closure,
      job: row.job,
      name,
      splices: splicing.splices.flatMap(({ id }, i) => (spliced.has(id) ? [i + 1] : [])),
      readings: events.filter(({ event }) => event.kind !== "splice").length,
    },
  ];
}
