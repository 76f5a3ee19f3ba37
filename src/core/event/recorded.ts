import type { EndEvent } from "./event";
import type { Judged } from "./judged";

/** Work counts in the ledger; practice is stored too, and counts nowhere. */
export const PURPOSES = ["work", "practice"] as const;
export type Purpose = (typeof PURPOSES)[number];

/** An event this program cannot read: made by a newer one, or not as any event is. It is kept, shown as such, never skipped. */
export interface UnreadEvent {
  readonly kind: "unread";
  readonly why: "newer" | "strange";
  /** Version it was written by. */
  readonly v: number;
  /** What it calls itself, where that can be shown. */
  readonly says: string;
}

/** An event with what the record adds: its place in the end's history, when, by whom, from which window. */
export interface Recorded {
  readonly id: string;
  readonly seq: number;
  readonly at: string;
  /** Id of the person who did it; null where nobody said. */
  readonly by?: string | null | undefined;
  readonly client: string;
  readonly event: EndEvent | UnreadEvent;
  /** On a sign-off: what the end was judged to be. */
  readonly judged?: Judged | undefined;
}
