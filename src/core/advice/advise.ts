import type { Rule } from "../conformance/conformance";
import type { EndState, SeenFault } from "../end/end-state";
import { retriesUsed } from "../end/made-again";
import type { CheckStanding } from "../end/result";
import { type RetryOffer, retriesOffered } from "../end/retry";
import type { EndEvent } from "../event/event";
import type { OddReadings } from "../measured/adjust";
import { type AsMade, asMade } from "../measured/as-made";
import type { Retry } from "../procedure/retry";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";
import { type Cost, fromTheStart, legOf, type Seen, startingOver, startRule } from "./from-start";
import { cuttingRule, type Plan, planOf } from "./plan";
import { heldBy, leastProblem, NICK, PLANNED } from "./problem";
import { leastMoves } from "./solve";

/** A length left out as it is: what that means for the end. */
interface CarriedOn {
  readonly check: string;
  readonly means: string;
}

interface Asked {
  readonly leg: string;
  /** Lengths that are out, and faults seen, that ask for it. */
  readonly checks: readonly string[];
  readonly faults: readonly SeenFault[];
  readonly seen: Seen | null;
  readonly startOver: Cost;
  readonly carryOn: readonly CarriedOn[];
  /** The other side of an opening, where doing this there does instead: what is out, both make together. */
  readonly orAt: string | null;
}

/** What to do about one leg of an end. */
export type EndAdvice =
  | (Asked & {
      readonly kind: "rework";
      readonly least: Plan;
      readonly recommended: Plan;
      /** Share of each limit's half-width the recommended way keeps free. */
      readonly margin: number;
      /** The rule it counts against and how often is left of it; null where it costs no attempt. */
      readonly rule: { readonly rule: Retry; readonly left: number } | null;
      /** Whether the fibre must come out of its part first. */
      readonly takeOut: boolean;
    })
  | (Asked & {
      readonly kind: "start-over";
      /** The style's own rule; something that cannot move; attempts used up. */
      readonly why: "its-rule" | "held" | "used-up";
      /** The feature that would have to move and cannot, and the line that holds it. */
      readonly stoppedBy: { readonly feature: string; readonly line: number | null } | null;
      /** The rule that says so, or that is used up. */
      readonly rule: Retry | null;
      /** Going back to the start within this end, by a rule that allows it and is not used up. */
      readonly again: Extract<EndEvent, { kind: "retry" }> | null;
    })
  /** Readings contradict one another, by so many micrometres. */
  | (Asked & { readonly kind: "read-again"; readonly disagree: readonly string[]; readonly by: number });

/**
 * Each leg's advice, in the order of the legs: none for a leg with nothing out and nothing wrong with it. What the two
 * sides of an opening make together can be met from either: both ways are offered, the cheaper first.
 * @param unsettled lengths whose readings leave it open and that are to be redone as if they were out: to the middle.
 * @example advise(sheet, read({ "glass-end": -1500 }), rule).map(({ kind, leg }) => [kind, leg]) // [["rework", ""]]
 */
export function advise(
  sheet: RunSheet,
  state: EndState,
  rule: Rule,
  seen: Seen | null = null,
  unsettled: readonly string[] = [],
): EndAdvice[] {
  const on = (leg: string, skip: readonly string[] = []) =>
    adviseLeg(sheet, state, rule, { leg, answered: seen, unsettled, skip });
  const all = sheet.cable.legs.flatMap((leg) => on(leg) ?? []);
  const [a, b] = all;
  const joint = a && b ? metFromEither(sheet, a, b) : [];
  if (!a || !b || joint.length === 0) return all;
  // What it takes on a side more than is to be done there anyway.
  const more = (endAdvice: EndAdvice) => {
    const rest = on(endAdvice.leg, joint);
    return endAdvice.kind === "rework" && rest?.kind === "rework"
      ? secondsOf(endAdvice) - secondsOf(rest)
      : secondsOf(endAdvice);
  };
  const both = [
    { ...a, orAt: b.leg },
    { ...b, orAt: a.leg },
  ];
  return more(b) < more(a) ? both.reverse() : both;
}

/** Lengths out on both sides that the two make together, where one side at least can still make up for it. */
function metFromEither({ checks }: RunSheet, a: EndAdvice, b: EndAdvice): string[] {
  if (a.kind !== "rework" && b.kind !== "rework") return [];
  const joint = (ids: readonly string[]) =>
    checks.filter(({ id, joint: both }) => both && ids.includes(id)).map(({ dimension }) => dimension);
  const there = joint(b.checks);
  return joint(a.checks).filter((dimension) => there.includes(dimension));
}

const secondsOf = (endAdvice: EndAdvice): number =>
  endAdvice.kind === "rework" ? endAdvice.recommended.seconds : Number.POSITIVE_INFINITY;

interface Leg {
  readonly leg: string;
  readonly answered: Seen | null;
  readonly unsettled: readonly string[];
  /** Lengths that are met elsewhere. */
  readonly skip: readonly string[];
}

function adviseLeg(
  sheet: RunSheet,
  state: EndState,
  rule: Rule,
  { leg, answered, unsettled, skip }: Leg,
): EndAdvice | null {
  // A rework in hand on another leg comes first.
  if (state.inHand && state.inHand.leg !== leg) return null;
  const seen = answered && sendsToCut(sheet, state, answered, leg) ? answered : null;
  const adjusted = asMade(sheet, state, rule, leg);
  const lies = { ...adjusted, read: adjusted.read.filter(({ check }) => !skip.includes(check.dimension)) };
  const open = lies.read
    .filter(({ check, judged }) => judged.verdict === "unsure" && unsettled.includes(check.id))
    .map(({ check }) => check.id);
  const built = asOut(lies, open);
  const out = built.read.filter(({ judged }) => judged.verdict === "out");
  const faults = [...state.faults.filter((fault) => fault.leg === leg), ...faultsOf(sheet, built, leg, seen)];
  const apart = scattered(state, built);
  if (out.length === 0 && faults.length === 0 && !apart) return null;
  const advised: Asked = {
    leg,
    checks: out.map(({ check }) => check.id),
    faults,
    seen,
    startOver: startingOver(sheet, state),
    orAt: null,
    carryOn: out.map(({ check, judged }) => ({
      check: check.id,
      means: judged.mean > check.nominal ? check.ifLong : check.ifShort,
    })),
  };
  const odd = apart ?? built.odd;
  if (odd && faults.length === 0) return { ...advised, kind: "read-again", disagree: odd.ids, by: odd.by };
  const fresh = (
    why: "its-rule" | "held" | "used-up",
    stoppedBy: { feature: string; line: number | null } | null,
    by: Retry | null,
  ): EndAdvice => {
    const again = fromTheStart(sheet, state, leg, seen);
    const startOver = startingOver(sheet, state, again);
    return { ...advised, kind: "start-over", startOver, why, stoppedBy, rule: by, again };
  };
  const counted = cuttingRule(
    sheet,
    built.present.some(({ id, kind }) => kind === "end" && id !== sheet.features[0]?.id),
  );
  const offers = seen ? retriesOffered(sheet, state, seen.judgement, seen.answer, legOf(sheet, leg)) : [];
  const next = nextRule(sheet, offers);
  const spoilt =
    out.some(({ check }) => check.fromStart) ||
    (counted?.fromStart && faults.some(({ what: fault }) => fault !== "lost" && fault !== "dirty"));
  if (next?.fromStart || spoilt) return fresh("its-rule", null, next?.fromStart ? next : startRule(sheet));
  const solved = leastMoves(leastProblem(sheet, state, built, faults, open));
  if (!solved.possible) return fresh("held", stopper(sheet, state, solved), null);
  const plan = (placing: typeof solved.least) => planOf(sheet, { ...state, faults }, built, placing);
  const least = plan(solved.least);
  const glass = least.moves.some(
    ({ feature, how }) =>
      how === "cut" &&
      built.present.some(
        ({ id, kind, ends }) =>
          id === feature && ((kind === "end" && id !== sheet.features[0]?.id) || ends.includes("coating")),
      ),
  );
  const against: RetryOffer["rule"] | null = next ?? (glass ? counted : null);
  const left = against ? against.most - retriesUsed(state, against.id, legOf(sheet, leg)) : 0;
  if (against?.fromStart) return fresh("its-rule", null, against);
  if (against && left <= 0) return fresh("used-up", null, against);
  return {
    ...advised,
    kind: "rework",
    least,
    recommended: plan(solved.recommended),
    margin: solved.recommended.margin,
    rule: against && { rule: against, left },
    takeOut: sheet.lines.some(
      ({ index, step }) => index < state.reached && step.kind === "insert" && index > least.to,
    ),
  };
}

/** The same readings with those left open that are to be redone taken as out. */
function asOut(asMade: AsMade, open: readonly string[]): AsMade {
  if (open.length === 0) return asMade;
  return {
    ...asMade,
    read: asMade.read.map((readCheck) =>
      open.includes(readCheck.check.id)
        ? { ...readCheck, judged: { ...readCheck.judged, verdict: "out" } }
        : readCheck,
    ),
  };
}

/** How many standard deviations two readings of one length may lie apart, times √2 for there being two. */
const APART = 4 * Math.SQRT2;

/** A length whose own readings lie further apart than the instrument repeats: one of them was of something else. */
function scattered(state: EndState, asMade: AsMade): OddReadings | null {
  for (const { check } of asMade.read) {
    const own = state.readings.filter((reading) => reading.check === check.id);
    const values = own.map(({ value }) => value);
    const by = Math.max(...values) - Math.min(...values);
    const u = Math.max(
      ...own.map(({ instrument: { resolution, repeatability } }) =>
        Math.hypot(resolution / Math.sqrt(12), repeatability),
      ),
    );
    if (own.length > 1 && by > APART * u) return { ids: [check.id], by };
  }
  return null;
}

/** The rule an answer goes by next, where it sends back to marking or cutting. */
const nextRule = (sheet: RunSheet, offers: readonly RetryOffer[]): Retry | null =>
  offers.find(({ left, to }) => left > 0 && cuts(sheet, to))?.rule ?? null;

const cuts = ({ lines }: RunSheet, to: number): boolean =>
  lines[to]?.figure !== null || (lines[to]?.bares.length ?? 0) > 0;

/** Whether the next thing to try for an answer is to mark or cut again, not to seat or polish once more. */
function sendsToCut(sheet: RunSheet, state: EndState, { judgement, answer }: Seen, leg: string): boolean {
  const next = retriesOffered(sheet, state, judgement, answer, legOf(sheet, leg)).find(
    ({ left }) => left > 0,
  );
  return next !== undefined && cuts(sheet, next.to);
}

/**
 * A bad answer whose next try goes back to marking or cutting says the glass is bad: before the cleave all that is
 * bared is suspect, after it the cleaved end.
 */
function faultsOf(sheet: RunSheet, asMade: AsMade, leg: string, seen: Seen | null): SeenFault[] {
  if (!seen) return [];
  const end = asMade.present.filter(({ kind }) => kind === "end").at(-1);
  if (!end) return [];
  const isCleaved = end.id !== sheet.features[0]?.id;
  const looked = sheet.lines.findIndex(({ step }) => judgementOf(step)?.id === seen.judgement);
  const cleave = sheet.lines.findIndex(({ step }) => step.kind === "cleave");
  // Glass that broke or was not clean before the cleave is no better for having been cleaved since.
  const fault = isCleaved && looked > cleave ? "bad-cleave" : "nick";
  return [{ leg, feature: end.id, what: fault, at: null }];
}

function stopper(
  sheet: RunSheet,
  state: EndState,
  solved: Extract<ReturnType<typeof leastMoves>, { possible: false }>,
): { feature: string; line: number | null } | null {
  if (solved.reason !== "fixed") return null;
  const feature = sheet.features.find(
    ({ id }) =>
      id === (solved.feature === NICK || solved.feature === PLANNED ? sheet.features[0]?.id : solved.feature),
  );
  if (!feature) return null;
  const line = heldBy(sheet, state.reached, feature);
  return { feature: feature.id, line: line < 0 ? null : line };
}

const URGENCY = { out: 0, unsure: 1, unread: 2, in: 3 } as const;

/**
 * Lengths in the order of what to do: out, then not settled, then not read, then in; each as the work has them.
 * @example inOrderOfDoing(standings(sheet, fresh, rule)).map(({ check }) => check.id)
 * // ["cleave", "buffer-out", "reach"]
 */
export function inOrderOfDoing(all: readonly CheckStanding[]): CheckStanding[] {
  return [...all].sort(
    (a, b) => URGENCY[a.judged?.verdict ?? "unread"] - URGENCY[b.judged?.verdict ?? "unread"],
  );
}
