import type { Rule } from "../conformance/conformance";
import type { Entry, ReworkTaken } from "../end/entry";
import type { EndState } from "../end/state";
import { InputError } from "../problem/problem";
import type { RunSheet } from "../runsheet/runsheet";
import { advise, type MendAdvice } from "./advise";

/** The entry that takes a piece of advice: back at the first line to do again, by its figures. */
export function reworkEntry(
  advice: Extract<MendAdvice, { kind: "mend" }>,
  plan: "least" | "recommended",
): ReworkTaken {
  const { moves, places, cableLost, steps, to, back, voids } = advice[plan];
  return {
    kind: "rework",
    leg: advice.leg,
    plan,
    steps: [...steps],
    to,
    back,
    moves: moves.map(({ feature, was, now }) => ({ feature, was, now })),
    places: { ...places },
    cableLost,
    rule: advice.rule?.rule.id ?? null,
    cause: {
      checks: [...advice.checks],
      faults: advice.faults.map(({ feature, what }) => `${feature}: ${what}`),
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
export function mustFollow(sheet: RunSheet, state: EndState, rule: Rule, entry: ReworkTaken): void {
  const { judgement, answer } = entry.cause;
  const seen = judgement !== null && answer !== null ? { judgement, answer } : null;
  if (seen && state.answers[seen.judgement] !== seen.answer)
    throw new InputError("wrong-rework", "That answer is not what was seen on this end.", ["cause"]);
  const unsettled = entry.cause.checks;
  const advice = advise(sheet, state, rule, seen, unsettled).find(({ leg }) => leg === entry.leg);
  if (advice?.kind === "start-over" && advice.why === "used-up" && advice.rule)
    throw new InputError(
      "limit",
      `Nothing is left to try: ${advice.rule.name} ${advice.rule.most} of ${advice.rule.most}.`,
      ["rule"],
    );
  if (advice?.kind !== "mend" || !sameEntry(reworkEntry(advice, entry.plan), entry))
    throw new InputError(
      "wrong-rework",
      "What must be redone is worked out anew: take it from where the end stands now.",
      ["places"],
    );
}

/** Whether going back to the start is what the advice says, from where the end stands. */
export function isAdvised(
  sheet: RunSheet,
  state: EndState,
  rule: Rule,
  entry: Extract<Entry, { kind: "redo" }>,
): boolean {
  if (!sheet.retries.some(({ id, fromStart }) => id === entry.rule && fromStart)) return false;
  const { judgement, answer } = entry;
  const seen = judgement !== null && answer !== null ? { judgement, answer } : null;
  if (seen && state.answers[seen.judgement] !== seen.answer) return false;
  return advise(sheet, state, rule, seen).some(
    (advice) => advice.kind === "start-over" && advice.again !== null && sameEntry(advice.again, entry),
  );
}

/** Whether two entries say the same, whatever the order of their fields. */
export const sameEntry = (a: unknown, b: unknown): boolean => sorted(a) === sorted(b);

const sorted = (value: unknown): string =>
  JSON.stringify(value, (_key, part) =>
    part && typeof part === "object" && !Array.isArray(part)
      ? Object.fromEntries(Object.entries(part).sort(([x], [y]) => (x < y ? -1 : 1)))
      : part,
  );

/** The line after the one in hand: through the lines being done again, then back to where they are read. */
export function nextLine({ mend, at }: Pick<EndState, "mend" | "at">): number {
  if (!mend) return at + 1;
  return mend.steps.find((index) => index > at) ?? mend.back;
}
