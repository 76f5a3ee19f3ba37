import type { Check, CheckStanding, Conformance, Instrument, Reading, Rule } from "@/core";
import type { Units } from "../words/length-text";

/** A reading as it is being typed, with what it would come to. */
export interface Typed {
  readonly check: Check;
  readonly value: number;
  readonly judged: Conformance;
}

export interface ReadingPanelProps {
  readonly standing: CheckStanding;
  /** Other lengths a reading could be of: those not read yet. */
  readonly others: readonly CheckStanding[];
  /** Whether its legs are the sides of an opening. */
  readonly midRun: boolean;
  /** The end it is read on: what is half typed is kept for it over a reload. */
  readonly draft: string;
  readonly rule: Rule;
  readonly units: Units;
  readonly instrument: Instrument;
  /** `chosen` where somebody said which length it is of. */
  readonly onKeep: (reading: Reading, verdict: Conformance, chosen: boolean) => void;
  readonly onStrike: (id: string) => void;
  readonly onTyped: (typed: Typed | null) => void;
  readonly saved: (id: string) => boolean;
  /** Whether what to do about it is shown beside it, worked out from all that was read and seen. */
  readonly advised?: boolean;
  /** Enter with nothing typed. */
  readonly onEmptyEnter?: () => void;
}
