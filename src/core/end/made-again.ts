import type { EndEvent, ReworkTaken } from "../event/event";
import { type Length, um, ZERO } from "../length/length";
import type { AttemptCount, EndState } from "./end-state";

/** A rework in hand once another line is come to: over at the line it comes back to. */
export function stepped(inHand: EndState["inHand"], to: number): EndState["inHand"] {
  if (!inHand || to >= inHand.back) return null;
  // Whoever went on to later lines had trimmed it, though before version 4 nothing said so.
  const isPast = inHand.trim === null || to > (inHand.steps[0] ?? to);
  return isPast ? { ...inHand, trimmed: true } : inHand;
}

type Voids = Extract<EndEvent, { kind: "retry" }>["voids"];

/** What was read and seen at lines that are done again no longer speaks for the end. */
function voided(state: EndState, { checks, judgements, steps }: Voids): EndState {
  const isVoid = ({ check }: { check: string }) => checks.includes(check);
  return {
    ...state,
    readings: state.readings.filter((reading) => !isVoid(reading)),
    voided: [...state.voided, ...state.readings.filter(isVoid)],
    answers: Object.fromEntries(
      Object.entries(state.answers).filter(([judgement]) => !judgements.includes(judgement)),
    ),
    spent: state.spent.filter((step) => !steps.includes(step)),
    counted: Object.fromEntries(Object.entries(state.counted).filter(([step]) => !steps.includes(step))),
    timers: state.timers.filter(({ step }) => !steps.includes(step)),
  };
}

/** When lines were left, of those that still stand as they were done. */
const keptLeft = ({ leftAt }: EndState, stands: (line: number) => boolean): EndState["leftAt"] =>
  Object.fromEntries(Object.entries(leftAt).filter(([line]) => stands(Number(line))));

/** How often a rule was used on a leg; what went back on all legs at once counts for each. */
export const retriesUsed = ({ attempts }: Pick<EndState, "attempts">, rule: string, leg = ""): number =>
  attempts
    .filter((attempt) => attempt.rule === rule && (attempt.leg === "" || attempt.leg === leg))
    .reduce((sum, { count }) => sum + count, 0);

function usedOnce({ attempts }: EndState, rule: string, leg = ""): EndState["attempts"] {
  const isIt = (attemptCount: AttemptCount) => attemptCount.rule === rule && attemptCount.leg === leg;
  return attempts.some(isIt)
    ? attempts.map((attempt) => (isIt(attempt) ? { ...attempt, count: attempt.count + 1 } : attempt))
    : [...attempts, { rule, leg, count: 1 }];
}

const less = (spare: Length | null, lost: Length): Length | null =>
  spare === null ? null : um(spare - lost);

const begunAgain = ({ anew }: EndState): EndState["anew"] => ({ ...anew, all: anew.all + 1 });

/** Back at an earlier step: all from there on is made again by the sheet, and the rule has been used once more. */
export function retried(
  state: EndState,
  { rule, leg, to, voids, cableLost = ZERO }: Extract<EndEvent, { kind: "retry" }>,
): EndState {
  const of = (legId: string) => leg === undefined || legId === leg;
  return {
    ...voided(state, voids),
    at: to,
    reached: to,
    leftAt: keptLeft(state, (line) => line < to),
    inHand: null,
    places:
      cableLost > 0
        ? Object.fromEntries(Object.entries(state.places).filter(([first]) => !of(first)))
        : state.places,
    anew: cableLost > 0 ? begunAgain(state) : state.anew,
    faults: cableLost > 0 ? state.faults.filter((fault) => !of(fault.leg)) : state.faults,
    lost: um(state.lost + cableLost),
    spare: less(state.spare, cableLost),
    attempts: usedOnce(state, rule, leg),
  };
}

/** All cut off and begun again: what was threaded on stays on, but for what was said not to be. */
export function restarted(
  state: EndState,
  { to, voids, cableLost }: Extract<EndEvent, { kind: "restart" }>,
): EndState {
  return {
    ...voided(state, voids),
    at: to,
    reached: to,
    leftAt: keptLeft(state, (line) => line < to),
    inHand: null,
    places: {},
    anew: begunAgain(state),
    faults: [],
    lost: um(state.lost + cableLost),
    spare: less(state.spare, cableLost),
  };
}

/** Some lines done again by new figures; the rest of the end stays as it is. */
export function reworked(state: EndState, event: ReworkTaken): EndState {
  const { leg, plan, steps, to, back, moves, places, trim, cableLost, rule, voids } = event;
  const others = state.countedFromFirstEnd.filter((reworkedLeg) => reworkedLeg !== leg);
  return {
    ...voided(state, voids),
    at: to,
    leftAt: keptLeft(state, (line) => line < back && !steps.includes(line)),
    inHand: { leg, plan, steps, back, moves, trim: trim ?? null, trimmed: trim === ZERO },
    places: { ...state.places, [leg]: places },
    countedFromFirstEnd: trim === undefined ? [...others, leg] : others,
    faults: state.faults.filter((fault) => fault.leg !== leg),
    lost: um(state.lost + cableLost),
    spare: less(state.spare, cableLost),
    attempts: rule === null ? state.attempts : usedOnce(state, rule, leg),
    reworks: state.reworks + 1,
    anew: {
      ...state.anew,
      features: {
        ...state.anew.features,
        ...Object.fromEntries(
          moves.map(({ feature }) => [
            `${leg}/${feature}`,
            (state.anew.features[`${leg}/${feature}`] ?? 0) + 1,
          ]),
        ),
      },
    },
  };
}
