import type { Rule } from "../conformance/conformance";
import type { EndState, ReworkInHand } from "../end/end-state";
import type { EndEvent, ReworkTaken } from "../event/event";
import { InputError } from "../problem/problem";
import type { RunSheet } from "../runsheet/document";
import { say } from "../words/core";
import { advise, type EndAdvice } from "./advise";

/**
 * The event that takes a piece of advice: back at the first line to do again, by its figures.
 * @example reworkEvent(advise(sheet, read({ "glass-end": -1500 }), rule)[0], "least").plan // "least"
 */
export function reworkEvent(
  advice: Extract<EndAdvice, { kind: "rework" }>,
  plan: "least" | "recommended",
): ReworkTaken {
  const { moves, places, cableLost, trim, steps, to, back, voids } = advice[plan];
  return {
    kind: "rework",
    leg: advice.leg,
    plan,
    steps: [...steps],
    to,
    back,
    moves: moves.map(({ feature, was, now }) => ({ feature, was, now })),
    places: { ...places },
    trim,
    cableLost,
    rule: advice.rule?.rule.id ?? null,
    cause: {
      checks: [...advice.checks],
      faults: advice.faults.map(({ feature, what: fault }) => ({ feature, what: fault })),
      judgement: advice.seen?.judgement ?? null,
      answer: advice.seen?.answer ?? null,
    },
    voids,
  };
}

/**
 * Whether a rework is the very one that follows from where the end stands: worked out again, not taken on trust.
 * @throws InputError `wrong-rework` or `limit`.
 */
export function mustFollow(sheet: RunSheet, state: EndState, rule: Rule, event: ReworkTaken): void {
  const { judgement, answer } = event.cause;
  const seen = judgement !== null && answer !== null ? { judgement, answer } : null;
  if (seen && state.answers[seen.judgement] !== seen.answer)
    throw new InputError("wrong-rework", say("that-answer-was-not-given-on-this"), ["cause"]);
  const unsettled = event.cause.checks;
  const advice = advise(sheet, state, rule, seen, unsettled).find(({ leg }) => leg === event.leg);
  if (advice?.kind === "start-over" && advice.why === "used-up" && advice.rule)
    throw new InputError(
      "limit",
      say("nothing-is-left-to-try-of", { rule: advice.rule.name, most: advice.rule.most }),
      ["rule"],
    );
  if (advice?.kind !== "rework" || !sameEvent(reworkEvent(advice, event.plan), event))
    throw new InputError("wrong-rework", say("the-rework-has-been-worked-out-again"), ["places"]);
}

/** Whether going back to the start is what the advice says, from where the end stands. */
export function isAdvised(
  sheet: RunSheet,
  state: EndState,
  rule: Rule,
  event: Extract<EndEvent, { kind: "retry" }>,
): boolean {
  if (!sheet.retries.some(({ id, fromStart }) => id === event.rule && fromStart)) return false;
  const { judgement, answer } = event;
  const seen = judgement !== null && answer !== null ? { judgement, answer } : null;
  if (seen && state.answers[seen.judgement] !== seen.answer) return false;
  return advise(sheet, state, rule, seen).some(
    (advice) => advice.kind === "start-over" && advice.again !== null && sameEvent(advice.again, event),
  );
}

/** Whether two events say the same, whatever the order of their fields. */
export const sameEvent = (a: unknown, b: unknown): boolean => sorted(a) === sorted(b);

const sorted = (value: unknown): string =>
  JSON.stringify(value, (_key, part) =>
    part && typeof part === "object" && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([x], [y]) => (x < y ? -1 : 1)))
      : part,
  );

/**
 * The line after the one in hand: through the lines being done again, then back to where they are read.
 * @example nextLine({ inHand: null, at: 4 }) // 5
 */
export function nextLine({
  inHand,
  at,
}: {
  readonly inHand: Pick<ReworkInHand, "steps" | "back"> | null;
  readonly at: number;
}): number {
  if (!inHand) return at + 1;
  return inHand.steps.find((index) => index > at) ?? inHand.back;
}
