import type { Splicing } from "../splice/splicing";
import type { ClosureRecorded } from "./closure-event";
import type { ClosureWork } from "./closure-work";

/** A sleeve that still shrinks or cools, or has just done so. */
interface CoolingSplice {
  /** The splice's number in the plan, from 1. */
  readonly number: number;
  readonly slot: string | null;
  /** Seconds still; 0 once it can go into its slot. */
  readonly seconds: number;
}

/** How long a splice is still listed once it is cool, seconds. */
const LISTED = 120;

/**
 * The splices whose sleeves shrink or cool, from when they were made and by what: those that are good, the oldest first.
 * @param now milliseconds since the epoch.
 * @example coolingSplices(closureWork(closureAt, []), [], [splicing250], 0) // []
 */
export function coolingSplices(
  { splices }: Pick<ClosureWork, "splices">,
  events: readonly ClosureRecorded[],
  splicing: readonly Splicing[],
  now: number,
): CoolingSplice[] {
  return splices.flatMap(({ splice, standing }, i): CoolingSplice[] => {
    if (standing !== "in") return [];
    const attempt = events.findLast(({ event }) => event.kind === "splice" && event.splice === splice.id);
    const used = attempt?.event.kind === "splice" ? attempt.event.procedure : undefined;
    const procedure = splicing.find(({ id }) => id === used?.id);
    if (!attempt || !procedure) return [];
    const takes = procedure.steps
      .filter(({ act }) => act === "shrink" || act === "cool")
      .reduce((sum, { seconds }) => sum + (seconds ?? 0), 0);
    const since = (now - Date.parse(attempt.at)) / 1_000;
    if (takes === 0 || since > takes + LISTED) return [];
    return [{ number: i + 1, slot: splice.slot, seconds: Math.max(0, Math.ceil(takes - since)) }];
  });
}
