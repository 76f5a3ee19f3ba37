import type { EndEvent } from "../event/event";
import type { Recorded } from "../event/recorded";
import { ZERO } from "../length/length";
import { actsAfter, SAID_BESIDE, takenBack } from "./acts";
import type { EndState, RunTimer } from "./end-state";
import { restarted, retried, reworked, stepped } from "./made-again";

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
  light: [],
  faces: [],
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
    case "thread":
      return { ...state, threaded: threadedAfter(state.threaded, event) };
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
      return {
        ...state,
        readings: state.readings.filter((reading) => reading.id !== event.reading),
        light: state.light.filter(({ id: read }) => read !== event.reading),
        faces: state.faces.filter(({ id: seen }) => seen !== event.reading),
      };
    case "answer":
      return {
        ...state,
        answers: { ...state.answers, [event.judgement]: event.answer },
        seen: { ...state.seen, [event.judgement]: event.seen ?? [] },
      };
    case "label":
      return { ...state, job: event.job, label: event.label };
    // Light is read through a finished end: of one that is made again it says nothing.
    case "retry":
      return { ...retried(state, event), light: [], faces: [] };
    case "restart":
      return { ...restarted(state, event), light: [], faces: [] };
    case "rework":
      return { ...reworked(state, event), light: [], faces: [] };
    case "trimmed":
      return { ...state, inHand: state.inHand && { ...state.inHand, trimmed: true } };
    case "park":
      return { ...state, parked: event.on ? { why: event.why, at } : null };
    case "counted":
      return { ...state, counted: { ...state.counted, [event.step]: event.count } };
    case "fault":
      return faulted(state, event);
    case "spare":
      return { ...state, spare: event.length };
    case "light":
      return { ...state, light: [...state.light, { ...event, id, at }] };
    case "end-face":
      return { ...state, faces: [...state.faces, { ...event, id, at }] };
    case "photo":
      return { ...state, photos: [...state.photos, event] };
    case "countersign":
      return { ...state, countersigned: [...state.countersigned, countersigned(event, at, by)] };
    case "take-back":
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

const threadedAfter = (
  threaded: readonly string[],
  { part, on }: Extract<EndEvent, { kind: "thread" }>,
): readonly string[] => [...threaded.filter((other) => other !== part), ...(on ? [part] : [])];

/** A fault seen or taken back; light read before it was seen says nothing of the end any more. */
function faulted(
  state: EndState,
  { kind: _kind, on, ...fault }: Extract<EndEvent, { kind: "fault" }>,
): EndState {
  const others = state.faults.filter(
    ({ leg, feature, what: seenFault }) =>
      leg !== fault.leg || feature !== fault.feature || seenFault !== fault.what,
  );
  return on ? { ...state, faults: [...others, fault], light: [], faces: [] } : { ...state, faults: others };
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
