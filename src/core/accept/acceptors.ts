import type { Rule } from "../conformance/conformance";
import type { EndState } from "../end/end-state";
import type { EndEvent } from "../event/event";
import type { Purpose } from "../event/recorded";
import type { RunSheet } from "../runsheet/document";

/** An end as it stands when something is to be added to it. */
export interface Standpoint {
  readonly sheet: RunSheet;
  readonly state: EndState;
  readonly rule: Rule;
  readonly purpose: Purpose;
}

export type EventOf<K extends EndEvent["kind"]> = Extract<EndEvent, { kind: K }>;

/** For each kind of event, whether it can follow. @throws InputError for why not. */
export type Acceptors<K extends EndEvent["kind"]> = {
  readonly [Kind in K]: (event: EventOf<Kind>, at: Standpoint) => void;
};

/** Nothing is asked of an event that can always follow. */
export const always = (): void => undefined;
