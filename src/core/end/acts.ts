import { isRead } from "../event/envelope";
import type { EndEvent } from "../event/event";
import type { Recorded } from "../event/recorded";

/** Something done on an end that can be taken back while nothing later rests on it. `State` is where the end stood. */
export interface EndAct<State> {
  /** The event that says it, and those that came with it: what a step used up, the shard of a break. */
  readonly event: string;
  readonly with: readonly string[];
  readonly body: EndEvent;
  readonly client: string;
  /** Where the end stood before it. */
  readonly before: State;
}

/** What is said beside the work, and what was done: all that taking back needs of a state. */
interface Undoable<State> {
  readonly acts: readonly EndAct<State>[];
  readonly job: string;
  readonly label: string;
  readonly photos: readonly unknown[];
  readonly unread: number;
  readonly lastSeq: number;
}

/** So many acts can be taken back, one after the other. */
const REMEMBERED = 60;

/** Said of an end, not done to it: it neither can be taken back nor stops anything else from being. */
export const SAID_BESIDE: readonly Recorded["event"]["kind"][] = [
  "label",
  "photo",
  "correction",
  "countersign",
  "take-back",
  "unread",
];

/** What leaving a step logs, just before the step event. */
const isLeaving = (event: EndEvent): boolean =>
  event.kind === "use" ||
  event.kind === "counted" ||
  (event.kind === "shards" && event.step !== undefined) ||
  (event.kind === "timer" && event.action === "stop");

/** Whether an event came with the act before it, and which of the two says what was done. */
function joins(
  last: Pick<EndAct<unknown>, "body" | "client">,
  { client, event }: { client: string; event: EndEvent },
): "before" | "after" | null {
  if (last.client !== client) return null;
  if (isLeaving(last.body) && (event.kind === "step" || isLeaving(event))) return "after";
  const glass = event.kind === "shards" && event.step === undefined && event.made > 0;
  return glass && (last.body.kind === "answer" || last.body.kind === "fault") ? "before" : null;
}

/** The acts that can be taken back once an event has happened. */
export function actsAfter<State extends Undoable<State>>(
  state: State,
  { id, client, event }: Recorded,
): readonly EndAct<State>[] {
  const { acts } = state;
  if (!isRead(event)) return [];
  if (SAID_BESIDE.includes(event.kind)) return acts;
  // What is signed off as used or cut off is on record; what was begun by mistake can come back.
  if (event.kind === "sign" && event.outcome !== "discarded") return [];
  const last = acts.at(-1);
  const side = last ? joins(last, { client, event }) : null;
  if (last && side !== null) {
    const together: EndAct<State> =
      side === "after"
        ? { ...last, event: id, with: [...last.with, last.event], body: event }
        : { ...last, with: [...last.with, id] };
    return [...acts.slice(0, -1), together];
  }
  const act: EndAct<State> = { event: id, with: [], body: event, client, before: { ...state, acts: [] } };
  return [...acts, act].slice(-REMEMBERED);
}

/** The end as it stood before its last act, if that is the one named; what was said beside it stays. */
export function takenBack<State extends Undoable<State>>(state: State, event: string, seq: number): State {
  const lastSeq = Math.max(seq, state.lastSeq);
  const act = state.acts.at(-1);
  if (act?.event !== event) return { ...state, lastSeq };
  const { job, label, photos, unread } = state;
  return { ...act.before, job, label, photos, unread, acts: state.acts.slice(0, -1), lastSeq };
}

/**
 * The event that takes the last act back; null where there is none.
 * @example takeBackEvent({ acts: [] }) // null
 */
export function takeBackEvent({
  acts,
}: {
  readonly acts: readonly Pick<EndAct<unknown>, "event" | "with">[];
}): Extract<EndEvent, { kind: "take-back" }> | null {
  const act = acts.at(-1);
  if (!act) return null;
  return { kind: "take-back", event: act.event, ...(act.with.length > 0 ? { with: [...act.with] } : {}) };
}

/** Ids of every event that was taken back. */
export const takenBackIn = (events: readonly Recorded[]): ReadonlySet<string> =>
  new Set(
    events.flatMap(({ event }) => (event.kind === "take-back" ? [event.event, ...(event.with ?? [])] : [])),
  );

/**
 * The sign-off that stands; undefined where there is none.
 * @example signOff([recorded(1, { kind: "sign", name: "Osla Brandt", outcome: "kept" })])?.seq // 1
 */
export const signOff = (events: readonly Recorded[]): Recorded | undefined =>
  standingEvents(events).find(({ event }) => event.kind === "sign");

/** Events that stand: not taken back since. */
export function standingEvents(events: readonly Recorded[]): readonly Recorded[] {
  const gone = takenBackIn(events);
  return gone.size === 0 ? events : events.filter(({ id }) => !gone.has(id));
}
