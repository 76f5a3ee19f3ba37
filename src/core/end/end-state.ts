import type { SeenFibre } from "../cable/seen";
import type { EndEvent, Reading, ReworkTaken } from "../event/event";
import type { Signature } from "../event/kinds/closing";
import type { EndOutcome, Fault } from "../event/kinds/faults";
import type { Length } from "../length/length";
import type { EndFace } from "../light/end-face";
import type { LightReading } from "../light/light-reading";
import type { EndAct } from "./acts";

/** Light read through an end, as it stands on it. */
type FaceSeen = EndFace & { readonly id: string; readonly at: string };
export type LightRead = LightReading & { readonly id: string; readonly at: string };

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
  /** Length trimmed off the end first; null in reworks of event versions 1 to 3, which did not store it. */
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
  /** Readings of light that stand, in the order they came: what was made again since has none. */
  readonly light: readonly LightRead[];
  /** End faces as they were looked at, that stand: the newest says how it is. */
  readonly faces: readonly FaceSeen[];
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
