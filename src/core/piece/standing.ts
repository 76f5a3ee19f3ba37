import { RESULTS, type Result } from "../event/judged";

/** How it stands with a place of a piece: nothing done yet, at the bench, or what its newest end came to. */
export const STANDINGS = ["planned", "bench", ...RESULTS] as const;
export type PlaceStanding = (typeof STANDINGS)[number];

/** How many places of a job stand how; what is not named stands nowhere. */
export type Progress = Readonly<Partial<Record<PlaceStanding, number>>>;

/** What an end comes to where nothing more is to be done at its place. */
export const DONE: readonly PlaceStanding[] = ["in", "unmeasured"];

/**
 * @example ["planned", "in"].map(isDone) // [false, true]
 */
export const isDone = (standing: PlaceStanding): boolean => DONE.includes(standing);

/**
 * What stands at a place, of the newest end there that was not begun by mistake.
 * @example [undefined, { result: null }, { result: "in" }].map(standingOfEnd) // ["planned", "bench", "in"]
 */
export const standingOfEnd = (end: { readonly result: Result | null } | undefined): PlaceStanding =>
  end ? (end.result ?? "bench") : "planned";

/**
 * So many planned, and how those begun stand.
 * @example progressOf(3, { in: 1 }) // { in: 1, planned: 2 }
 */
export function progressOf(planned: number, begun: Progress): Progress {
  const there = Object.values(begun).reduce((sum: number, n) => sum + n, 0);
  return { ...begun, planned: Math.max(0, planned - there) };
}
