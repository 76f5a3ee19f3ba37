import type { Recorded } from "../event/recorded";

/**
 * Whether an event says an earlier time than the one before it on the same end: the clock it went by was set back in
 * between, and the events' numbers give the order.
 * @example isSetBack([recorded(1, { kind: "step", to: 1 })], 0) // false
 */
export const isSetBack = (history: readonly Pick<Recorded, "at">[], at: number): boolean => {
  const [before, event] = [history[at - 1], history[at]];
  return before !== undefined && event !== undefined && event.at < before.at;
};
