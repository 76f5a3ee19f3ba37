import type { Rule } from "../conformance/conformance";
import type { EndState } from "../end/end-state";
import type { EndEvent } from "../event/event";
import type { Purpose } from "../event/recorded";
import { InputError } from "../problem/problem";
import type { RunSheet } from "../runsheet/document";
import { say } from "../words/core";
import type { Acceptors } from "./acceptors";
import { CLOSING } from "./closing";
import { PROGRESS } from "./progress";
import { READINGS } from "./readings";
import { WAYS_BACK } from "./ways-back";

const ACCEPTORS: Acceptors<EndEvent["kind"]> = { ...PROGRESS, ...READINGS, ...WAYS_BACK, ...CLOSING };

/** The acceptor of an event's own kind: each is written for the events of that kind alone. */
function acceptorOf<K extends EndEvent["kind"]>(kind: K): Acceptors<K>[K] {
  const acceptors: Acceptors<K> = ACCEPTORS;
  return acceptors[kind];
}

/**
 * Events that would undo somebody else's work if made without having seen it.
 * @example [{ kind: "step", to: 1 }, { kind: "spare", length: null }].map(mustHaveSeen) // [true, false]
 */
export const mustHaveSeen = (event: EndEvent): boolean =>
  event.kind === "step" ||
  event.kind === "retry" ||
  event.kind === "restart" ||
  event.kind === "rework" ||
  event.kind === "trimmed" ||
  event.kind === "take-back" ||
  event.kind === "park" ||
  event.kind === "label" ||
  event.kind === "sign";

/** Whether an event can be added to a signed end: corrections, photographs and second signatures can. */
const afterSigning = ({ kind }: EndEvent): boolean =>
  kind === "correction" || kind === "photo" || kind === "countersign";

/**
 * Whether an event can be added to an end as it stands.
 * @throws InputError: the end is signed; a part, check, answer or reading is not of this end; the gate is shut.
 * @example attempt(() => mustAccept(sheet, bare, { kind: "step", to: 99 }, rule)).problem?.code // "unknown-step"
 */
export function mustAccept(
  sheet: RunSheet,
  state: EndState,
  event: EndEvent,
  rule: Rule,
  purpose: Purpose = "work",
): void {
  if (state.unread > 0 && !afterSigning(event))
    throw new InputError("newer", say("something-on-this-end-was-written-by"));
  const undoes = event.kind === "take-back" && state.acts.at(-1)?.body.kind === "sign";
  if (state.signed && !afterSigning(event) && !undoes)
    throw new InputError("signed", say("this-end-was-signed-off-by-nothing", { signed: state.signed.name }));
  Reflect.apply(acceptorOf(event.kind), undefined, [event, { sheet, state, rule, purpose }]);
}
