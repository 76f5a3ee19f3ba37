import { say } from "../words/core";
import type { Saying } from "../words/wording";
import { type Splicing, type SplicingStep, sleeveRoom } from "./splicing";

type Side = "a" | "b";
const BOTH: readonly Side[] = ["a", "b"];

/** One fibre as it lies on the bench. */
interface FibreState {
  readonly named: boolean;
  /** Named once more with the cleaved fibre in the hand. */
  readonly namedAgain: boolean;
  readonly numbered: boolean;
  readonly held: boolean;
  readonly bared: boolean;
  readonly wiped: boolean;
  readonly cleaved: boolean;
  readonly loaded: boolean;
}

interface SplicingState {
  readonly a: FibreState;
  readonly b: FibreState;
  /** The side the sleeve was put on; null before. */
  readonly sleeve: Side | null;
  readonly jointOpen: boolean;
  readonly programmed: boolean;
  readonly looked: boolean;
  readonly joined: boolean;
  readonly estimated: boolean;
  readonly pulled: boolean;
  readonly covered: boolean;
  readonly shrunk: boolean;
  readonly cool: boolean;
  readonly stored: boolean;
}

const UNTOUCHED: FibreState = {
  named: false,
  namedAgain: false,
  numbered: false,
  held: false,
  bared: false,
  wiped: false,
  cleaved: false,
  loaded: false,
};

const START: SplicingState = {
  a: UNTOUCHED,
  b: UNTOUCHED,
  sleeve: null,
  jointOpen: false,
  programmed: false,
  looked: false,
  joined: false,
  estimated: false,
  pulled: false,
  covered: false,
  shrunk: false,
  cool: false,
  stored: false,
};

/** Why a splicing procedure cannot be done as written. */
interface SplicingFault {
  /** The step that cannot be done; null for a length, or for something left undone at the end. */
  readonly step: string | null;
  readonly message: Saying;
}

/**
 * Walks a splicing procedure physically: lengths first, then step by step, then what must hold once it is done.
 * @returns every fault; empty where the procedure can be done as written. Order of the work: common practice, no source.
 * @example walkSplicing(splicing250) // []
 */
export function walkSplicing(splicing: Splicing): SplicingFault[] {
  const faults: SplicingFault[] = lengthFaults(splicing).map((message) => ({ step: null, message }));
  let state = START;
  for (const step of splicing.steps) {
    for (const message of stepFaults(splicing, step, state)) faults.push({ step: step.id, message });
    state = after(step, state);
  }
  for (const message of endFaults(splicing, state)) faults.push({ step: null, message });
  return faults;
}

function lengthFaults(splicing: Splicing): Saying[] {
  const room = sleeveRoom(splicing);
  const sleeve =
    room !== null && room < 0 ? [say("splicing-sleeve-is-too-short", { missing: -room / 1_000 })] : [];
  const sides = BOTH.flatMap((side) => {
    const { strip, cleave } = splicing.sides[side];
    const needed = cleave.max + splicing.beyondBlade;
    const name = side.toUpperCase();
    return [
      ...(cleave.min > cleave.max || cleave.max === 0
        ? [say("splicing-cleave-has-no-room", { side: name })]
        : []),
      ...(strip < needed
        ? [say("splicing-strips-too-little", { side: name, strip: strip / 1_000, needed: needed / 1_000 })]
        : []),
    ];
  });
  return [...sleeve, ...sides];
}

const sidesOf = ({ side }: SplicingStep): readonly Side[] => (side === "both" ? BOTH : [side]);

/** What keeps a step from being done. */
function stepFaults(splicing: Splicing, step: SplicingStep, state: SplicingState): Saying[] {
  const { method, sleeve } = splicing;
  const sides = sidesOf(step).map((side) => state[side]);
  const any = (test: (fibre: FibreState) => boolean) => sides.some(test);
  const missing: Saying[] = [];
  const needs = (holds: boolean, message: Saying) => {
    if (!holds) missing.push(message);
  };
  switch (step.act) {
    case "confirm":
      needs(!state.joined, say("splicing-name-before-joined"));
      break;
    case "sleeve":
      needs(step.side !== "both" && state.sleeve === null, say("splicing-one-sleeve-on-one-side"));
      needs(!any(({ bared }) => bared), say("splicing-sleeve-before-strip"));
      break;
    case "first-fibre":
      needs(!any(({ held }) => held), say("splicing-number-before-holder"));
      break;
    case "hold":
      needs(!any(({ bared }) => bared), say("splicing-hold-before-strip"));
      needs(
        method !== "mass-fusion" || !any(({ numbered }) => !numbered),
        say("splicing-number-before-holder"),
      );
      needs(sleeve === null || state.sleeve !== null, say("splicing-sleeve-before-strip"));
      break;
    case "strip":
      needs(!any(({ named }) => !named), say("splicing-name-before-strip"));
      needs(!any(({ bared }) => bared), say("splicing-strip-once"));
      needs(method !== "mass-fusion" || !any(({ held }) => !held), say("splicing-hold-before-strip"));
      needs(sleeve === null || state.sleeve !== null, say("splicing-sleeve-before-strip"));
      break;
    case "wipe":
      needs(!any(({ bared }) => !bared), say("splicing-strip-before-wipe"));
      needs(!any(({ cleaved }) => cleaved), say("splicing-never-wipe-a-cleaved-end"));
      break;
    case "cleave":
      needs(!any(({ bared, wiped }) => !bared || !wiped), say("splicing-wipe-before-cleave"));
      needs(!any(({ cleaved }) => cleaved), say("splicing-strip-once"));
      break;
    default:
      missing.push(...joiningFaults(splicing, step, state));
  }
  return missing;
}

/** The same of a step between the cleave and the joined fibres. */
function joiningFaults(splicing: Splicing, step: SplicingStep, state: SplicingState): Saying[] {
  const { method } = splicing;
  const sides = sidesOf(step).map((side) => state[side]);
  const both = BOTH.map((side) => state[side]);
  const missing: Saying[] = [];
  const needs = (holds: boolean, message: Saying) => {
    if (!holds) missing.push(message);
  };
  switch (step.act) {
    case "open-joint":
      needs(method === "mechanical", say("splicing-no-joint-here"));
      needs(!both.some(({ loaded }) => loaded), say("splicing-open-before-load"));
      break;
    case "load":
      needs(
        sides.every(({ cleaved }) => cleaved),
        say("splicing-cleave-before-load"),
      );
      needs(method !== "mechanical" || state.jointOpen, say("splicing-open-before-load"));
      break;
    case "program":
      needs(!state.joined, say("splicing-program-before-arc"));
      break;
    case "look":
      needs(
        both.every(({ loaded }) => loaded),
        say("splicing-load-before-look"),
      );
      needs(!state.joined, say("splicing-look-before-arc"));
      break;
    case "fuse":
      needs(method !== "mechanical", say("splicing-no-arc-here"));
      needs(state.programmed, say("splicing-program-before-arc"));
      needs(state.looked, say("splicing-look-before-arc"));
      needs(
        both.every(({ namedAgain }) => namedAgain),
        say("splicing-name-before-joined"),
      );
      break;
    case "close-joint":
      needs(method === "mechanical", say("splicing-no-joint-here"));
      needs(state.looked, say("splicing-look-before-arc"));
      needs(
        both.every(({ namedAgain }) => namedAgain),
        say("splicing-name-before-joined"),
      );
      break;
    default:
      missing.push(...afterJoinedFaults(splicing, step, state));
  }
  return missing;
}

/** The same of a step that comes after the two are joined. */
function afterJoinedFaults(
  { sleeve, pullNewtons }: Pick<Splicing, "sleeve" | "pullNewtons">,
  { act }: SplicingStep,
  state: SplicingState,
): Saying[] {
  const missing: Saying[] = [];
  const needs = (holds: boolean, message: Saying) => {
    if (!holds) missing.push(message);
  };
  needs(state.joined, say("splicing-join-first"));
  if (act === "pull") {
    needs(pullNewtons !== null, say("splicing-no-pull-here"));
    needs(!state.covered, say("splicing-pull-before-sleeve"));
  }
  if (act === "cover") {
    needs(sleeve !== null, say("splicing-no-sleeve-here"));
    needs(state.estimated, say("splicing-estimate-before-sleeve"));
  }
  if (act === "shrink") needs(state.covered, say("splicing-cover-before-shrink"));
  if (act === "cool") needs(state.shrunk, say("splicing-shrink-before-cool"));
  if (act === "slot") {
    needs(sleeve === null || state.cool, say("splicing-cool-before-slot"));
    needs(state.estimated, say("splicing-estimate-before-sleeve"));
  }
  return missing;
}

/** What must hold once all steps are done. */
function endFaults({ sleeve, pullNewtons }: Splicing, state: SplicingState): Saying[] {
  const ends = [
    [state.joined, say("splicing-join-first")],
    [state.estimated, say("splicing-estimate-missing")],
    [sleeve === null || state.cool, say("splicing-sleeve-missing")],
    [pullNewtons === null || state.pulled, say("splicing-pull-missing")],
    [state.stored, say("splicing-slot-missing")],
  ] as const;
  return ends.flatMap(([holds, message]) => (holds ? [] : [message]));
}

/** The fibres once a step is done, whether or not it could be. */
function after(step: SplicingStep, state: SplicingState): SplicingState {
  const sides = sidesOf(step);
  const fibres = (
    changed: Partial<FibreState> | ((fibre: FibreState) => Partial<FibreState>),
  ): SplicingState => {
    const changes = (side: Side) =>
      sides.includes(side)
        ? { ...state[side], ...(typeof changed === "function" ? changed(state[side]) : changed) }
        : state[side];
    return { ...state, a: changes("a"), b: changes("b") };
  };
  switch (step.act) {
    case "confirm":
      return fibres(({ cleaved }) => ({ named: true, ...(cleaved && { namedAgain: true }) }));
    case "sleeve":
      return { ...state, sleeve: step.side === "b" ? "b" : "a" };
    case "first-fibre":
      return fibres({ numbered: true });
    case "hold":
      return fibres({ held: true });
    case "strip":
      return fibres({ bared: true, wiped: false });
    case "wipe":
      return fibres({ wiped: true });
    case "cleave":
      return fibres({ cleaved: true });
    case "load":
      return fibres({ loaded: true });
    case "open-joint":
      return { ...state, jointOpen: true };
    case "program":
      return { ...state, programmed: true };
    case "look":
      return { ...state, looked: true };
    case "fuse":
    case "close-joint":
      return { ...state, joined: true };
    case "estimate":
      return { ...state, estimated: true };
    case "pull":
      return { ...state, pulled: true };
    case "cover":
      return { ...state, covered: true };
    case "shrink":
      return { ...state, shrunk: true };
    case "cool":
      return { ...state, cool: true };
    case "slot":
      return { ...state, stored: true };
  }
}
