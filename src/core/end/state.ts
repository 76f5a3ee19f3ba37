import type { SeenFibre } from "../cable/seen";
import type { EndEvent, Reading, ReworkTaken } from "../event/event";
import type { Signature } from "../event/kinds/closing";
import type { EndOutcome, Fault } from "../event/kinds/faults";
import type { Recorded } from "../event/recorded";
import { type Length, ZERO } from "../length/length";
import { actsAfter, type EndAct, SAID_BESIDE, takenBack } from "./acts";
import { restarted, retried, reworked, stepped } from "./made-again";

/** A hold or cure: when it began, for how long, and whether it was ended. */
export interface RunTimer {
  readonly step: string;
  /** A clock that something must be done by, not one to wait for. */
  readonly clock?: true | undefined;
  readonly startedAt: string;
  readonly seconds: number;
  readonly stoppedAt: string | null;
}

/** A hold or cure running on some end at the bench. */
export interface BenchTimer extends Pick<RunTimer, "step" | "clock" | "startedAt" | "seconds"> {
  readonly end: string;
  readonly label: string;
  readonly batch: string | null;
}

/** Something seen on a feature that must be made again whatever it measures. */
export interface SeenFault {
  readonly leg: string;
  readonly feature: string;
  readonly what: Fault;
  readonly at: Length | null;
}

/** A rework being done: which lines, what they make again, and where it comes back to. */
export interface ReworkInHand extends Pick<ReworkTaken, "leg" | "plan" | "steps" | "back" | "moves"> {
  /** How much is trimmed off the end first; null in a rework written before that was said. */
  readonly trim: Length | null;
  /** Whether that is done; true where nothing is to be trimmed. */
  readonly trimmed: boolean;
}

/** How often one retry rule was used on a leg; on all of them at once where the leg is empty. */
export interface AttemptCount {
  readonly rule: string;
  readonly leg: string;
  readonly count: number;
}

/** An end as its events leave it. */
export interface EndState {
  /** Index of the line being worked. */
  readonly at: number;
  /** Index of the furthest line reached since the end was last begun again: what came before it is made. */
  readonly reached: number;
  /** When each line was last left forward, by its index: what must be done in time counts from there. */
  readonly leftAt: Readonly<Record<number, string>>;
  readonly threaded: readonly string[];
  /** Readings not struck out, oldest first. */
  readonly readings: readonly (Reading & { readonly id: string; readonly at: string })[];
  /** Readings that a rework or retry made void: kept on record, no longer judged. */
  readonly voided: EndState["readings"];
  readonly answers: Readonly<Record<string, string>>;
  /** The colours a judgement was answered by, where it asks for them. */
  readonly seen: Readonly<Record<string, readonly SeenFibre[]>>;
  /** How often each retry rule was used; on a cord of several legs, leg by leg. */
  readonly attempts: readonly AttemptCount[];
  /** Steps whose use of tools, consumables and glass is logged for this pass. */
  readonly spent: readonly string[];
  readonly shards: { readonly made: number; readonly binned: number };
  readonly timers: readonly RunTimer[];
  readonly faults: readonly SeenFault[];
  readonly inHand: ReworkInHand | null;
  /** What was done, latest last, each with where the end stood before it: what can be taken back, one after the other. */
  readonly acts: readonly EndAct<EndState>[];
  /** Places of what is made, by leg, since something was made again. */
  readonly places: Readonly<Record<string, Readonly<Record<string, Length>>>>;
  /** Legs whose places are counted from the end as it first was: a rework of an earlier version. */
  readonly countedFromFirstEnd: readonly string[];
  /** Cable used up beyond the sheet's by what was redone. */
  readonly lost: Length;
  /** Cable left behind this end, where that was said. */
  readonly spare: Length | null;
  readonly reworks: number;
  /** How often everything was cut off and begun again, and how often a rework made each feature of a leg again. */
  readonly anew: { readonly all: number; readonly features: Readonly<Record<string, number>> };
  /** What was counted at each step of this pass, by step. */
  readonly counted: Readonly<Record<string, number>>;
  /** Why it is put aside, and since when; null while it is worked on. */
  readonly parked: { readonly why: string; readonly at: string } | null;
  readonly photos: readonly Extract<EndEvent, { kind: "photo" }>[];
  readonly job: string;
  readonly label: string;
  readonly signed:
    | (Signature & { readonly outcome: EndOutcome; readonly missingShards?: string | undefined })
    | null;
  /** Second signatures, in the order they came. */
  readonly countersigned: readonly (Signature & { readonly by: string | null })[];
  readonly lastSeq: number;
  /** The number of events this program cannot read: their changes are not part of this state. */
  readonly unread: number;
}

const FRESH: EndState = {
  at: 0,
  reached: 0,
  leftAt: {},
  threaded: [],
  readings: [],
  voided: [],
  answers: {},
  seen: {},
  attempts: [],
  spent: [],
  shards: { made: 0, binned: 0 },
  timers: [],
  faults: [],
  inHand: null,
  acts: [],
  places: {},
  countedFromFirstEnd: [],
  lost: ZERO,
  spare: null,
  reworks: 0,
  anew: { all: 0, features: {} },
  counted: {},
  parked: null,
  photos: [],
  job: "",
  label: "",
  signed: null,
  countersigned: [],
  lastSeq: 0,
  unread: 0,
};

/**
 * Replays an end's events, in order of their sequence, into where it stands now.
 * @example endState([recorded(1, { kind: "step", to: 3 })]).reached // 3
 */
export function endState(events: readonly Recorded[]): EndState {
  return events.reduce(applied, FRESH);
}

/**
 * An end's state with one more event.
 * @example applied(fresh, recorded(1, { kind: "step", to: 3 })).at // 3
 */
export function applied(state: EndState, recorded: Recorded): EndState {
  const { seq, event } = recorded;
  if (event.kind === "take-back") return takenBack(state, event.event, seq);
  const next = changed(state, recorded);
  return {
    ...next,
    // Whoever goes on with a parked end has taken it up again.
    parked: event.kind === "park" || SAID_BESIDE.includes(event.kind) ? next.parked : null,
    acts: actsAfter(state, recorded),
    lastSeq: Math.max(seq, state.lastSeq),
  };
}

/** What an event does to where an end stands; what can be taken back is seen to elsewhere. */
function changed(state: EndState, { id, at, by = null, event }: Recorded): EndState {
  switch (event.kind) {
    case "thread": {
      const others = state.threaded.filter((part) => part !== event.part);
      return { ...state, threaded: event.on ? [...others, event.part] : others };
    }
    case "step":
      return {
        ...state,
        at: event.to,
        reached: Math.max(state.reached, event.to),
        leftAt: event.to > state.at ? { ...state.leftAt, [state.at]: at } : state.leftAt,
        inHand: stepped(state.inHand, event.to),
      };
    case "reading":
      return {
        ...state,
        readings: [...state.readings, { ...event, id, at }],
        inHand: state.inHand && state.at >= state.inHand.back ? null : state.inHand,
      };
    case "strike":
      return { ...state, readings: state.readings.filter((reading) => reading.id !== event.reading) };
    case "answer":
      return {
        ...state,
        answers: { ...state.answers, [event.judgement]: event.answer },
        seen: { ...state.seen, [event.judgement]: event.seen ?? [] },
      };
    case "label":
      return { ...state, job: event.job, label: event.label };
    case "retry":
      return retried(state, event);
    case "restart":
      return restarted(state, event);
    case "rework":
      return reworked(state, event);
    case "trimmed":
      return { ...state, inHand: state.inHand && { ...state.inHand, trimmed: true } };
    case "take-back":
      return state;
    case "park":
      return { ...state, parked: event.on ? { why: event.why, at } : null };
    case "counted":
      return { ...state, counted: { ...state.counted, [event.step]: event.count } };
    case "fault": {
      const { kind: _kind, on, ...fault } = event;
      const others = state.faults.filter(
        ({ leg, feature, what: seenFault }) =>
          leg !== fault.leg || feature !== fault.feature || seenFault !== fault.what,
      );
      return { ...state, faults: on ? [...others, fault] : others };
    }
    case "spare":
      return { ...state, spare: event.length };
    case "photo":
      return { ...state, photos: [...state.photos, event] };
    case "countersign":
      return { ...state, countersigned: [...state.countersigned, countersigned(event, at, by)] };
    case "correction":
      return state;
    case "unread":
      return { ...state, unread: state.unread + 1 };
    case "shards":
      return {
        ...state,
        spent: event.step ? logged(state.spent, event.step) : state.spent,
        shards: {
          made: Math.max(0, state.shards.made + event.made),
          binned: Math.max(0, state.shards.binned + event.binned),
        },
      };
    case "use":
      return { ...state, spent: logged(state.spent, event.step) };
    case "timer":
      return { ...state, timers: timed(state.timers, event, at) };
    case "sign":
      return { ...state, signed: signedOff(event, at) };
  }
}

const logged = (spent: readonly string[], step: string): readonly string[] =>
  spent.includes(step) ? spent : [...spent, step];

function signedOff(
  { kind: _, missingShards, means = "made", ...signature }: Extract<EndEvent, { kind: "sign" }>,
  at: string,
): EndState["signed"] {
  return { ...signature, at, means, ...(missingShards ? { missingShards } : {}) };
}

const countersigned = (
  { kind: _, ...signature }: Extract<EndEvent, { kind: "countersign" }>,
  at: string,
  by: string | null,
): EndState["countersigned"][number] => ({ ...signature, at, by });

function timed(
  timers: readonly RunTimer[],
  { step, action, seconds }: Extract<EndEvent, { kind: "timer" }>,
  at: string,
): RunTimer[] {
  const others = timers.filter((timer) => timer.step !== step);
  if (action === "start") return [...others, { step, startedAt: at, seconds, stoppedAt: null }];
  const running = timers.find((timer) => timer.step === step);
  return running ? [...others, { ...running, stoppedAt: running.stoppedAt ?? at }] : others;
}

/** Who put an end away, where nobody has said who works at the device. */
const NOBODY = "not named";

/**
 * The event that puts an end away that was begun by mistake: kept on record as that, and counted nowhere.
 * @example discardEvent(fresh, "Osla Brandt").outcome // "discarded"
 */
export const discardEvent = (
  state: Pick<EndState, "shards">,
  name: string,
): Extract<EndEvent, { kind: "sign" }> => ({
  kind: "sign",
  name: name.trim() || NOBODY,
  outcome: "discarded",
  ...(shardsMissing(state) > 0 ? { missingShards: "end put away" } : {}),
});

/**
 * Shards that came off and were not seen into the bin.
 * @example shardsMissing({ shards: { made: 3, binned: 2 } }) // 1
 */
export const shardsMissing = ({ shards }: Pick<EndState, "shards">): number =>
  Math.max(0, shards.made - shards.binned);
