import type { Stage } from "./stages";

/** An end of a batch as it stands: which line it is at, when its hold or cure is over, whether it is done with. */
export interface BatchEnd {
  readonly at: number;
  /** Milliseconds since the epoch until which nothing can be done with it; 0 when it waits for nothing. */
  readonly readyAt: number;
  /** Whether there is nothing more to do. */
  readonly done: boolean;
}

interface BatchOrder {
  /** Take one end through, or a step across the group. */
  readonly mode: "across" | "through";
  /** Ends taken together; as the plan says. */
  readonly group: number;
  /** The end in hand. */
  readonly current: number;
}

const stageAt = (stages: readonly Stage[], line: number): number =>
  Math.max(
    0,
    stages.findIndex(({ to }) => to >= line),
  );

/** Whether an end is in the middle of something that must be done in time. */
function pressed(stages: readonly Stage[], line: number): boolean {
  const stage = stageAt(stages, line);
  return stages.some(({ within, from }, i) =>
    within ? i <= stage && stage <= within.until && line > from : false,
  );
}

/**
 * Which end to take next: the one in hand while something on it must be done in time; taken through, the one in
 * hand until it waits; else, of the earliest group with one ready, the one furthest behind. When all wait, the
 * first to be ready.
 * @returns its index, or null when every end is done.
 * @example nextInBatch(stages, [], { mode: "across", group: 4, current: null }, 0) // null
 */
export function nextInBatch(
  stages: readonly Stage[],
  ends: readonly BatchEnd[],
  { mode, group, current }: BatchOrder,
  now: number,
): number | null {
  const open = ends.map((end, i) => ({ ...end, i })).filter(({ done }) => !done);
  if (open.length === 0) return null;
  const ready = open.filter(({ readyAt }) => readyAt <= now);
  const hand = ready.find(({ i }) => i === current);
  if (hand && (mode === "through" || pressed(stages, hand.at))) return current;
  const hot = ready.find(({ at }) => pressed(stages, at));
  if (hot) return hot.i;
  if (ready.length === 0) return open.reduce((a, b) => (b.readyAt < a.readyAt ? b : a)).i;
  if (mode === "through") return ready.reduce((a, b) => (b.at > a.at ? b : a)).i;
  const first = Math.min(...ready.map(({ i }) => Math.floor(i / group)));
  return ready.filter(({ i }) => Math.floor(i / group) === first).reduce((a, b) => (b.at < a.at ? b : a)).i;
}
