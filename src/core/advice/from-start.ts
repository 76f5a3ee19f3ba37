import { handsOn } from "../batch/stages";
import type { EndState } from "../end/end-state";
import { retriesUsed } from "../end/made-again";
import { firstCut, retryEvent } from "../end/retry";
import type { EndEvent } from "../event/event";
import type { Length } from "../length/length";
import type { Retry } from "../procedure/retry";
import type { RunSheet } from "../runsheet/document";
import { heldBy } from "./problem";

/** What makes somebody ask: an answer that was bad, beside what was read and seen. */
export interface Seen {
  readonly judgement: string;
  readonly answer: string;
}

/** What each way out takes: cable, new parts and hands-on time. */
export interface Cost {
  readonly cable: Length;
  readonly parts: readonly string[];
  readonly seconds: number;
}

/** A leg's name where there are several; a cord of one counts by the rule alone. */
export const legOf = ({ cable }: RunSheet, leg: string): string => (cable.legs.length > 1 ? leg : "");

/** The rule by which an end is begun from the start, if its procedure has one. */
export const startRule = ({ retries }: RunSheet): Retry | null =>
  retries.find(({ fromStart }) => fromStart) ?? null;

/** The event that begins the end, or one leg of it, from the start: by a rule that has attempts left. */
export function fromTheStart(
  sheet: RunSheet,
  state: EndState,
  leg: string,
  seen: Seen | null,
): Extract<EndEvent, { kind: "retry" }> | null {
  const rule = sheet.retries.find(
    ({ id, fromStart, most }) => fromStart && retriesUsed(state, id, legOf(sheet, leg)) < most,
  );
  if (!rule) return null;
  const own = rule.each ? legOf(sheet, leg) : "";
  return retryEvent(sheet, { rule, to: firstCut(sheet) }, seen?.judgement ?? null, seen?.answer ?? null, own);
}

/**
 * Cutting it all off: cable for a fresh start, the part that goes with it (where a rule begins the end again, or a bond
 * has trapped it), and the whole work up to here again.
 * @example Object.keys(startingOver(sheet, bare)) // ["cable", "parts", "seconds"]
 */
export function startingOver(
  sheet: RunSheet,
  { reached, at }: EndState,
  again: Extract<EndEvent, { kind: "retry" }> | null = null,
): Cost {
  const bound = heldBy(sheet, reached, { kind: "end", cutAt: null }) >= 0;
  const lost = sheet.retries.filter(({ id, fromStart }) => fromStart && (bound || id === again?.rule));
  return {
    cable: sheet.uses.retry,
    parts: [...new Set(lost.map(({ newPart }) => newPart).filter(Boolean))],
    seconds: sheet.lines.filter(({ index }) => index <= at).reduce((sum, { step }) => sum + handsOn(step), 0),
  };
}
