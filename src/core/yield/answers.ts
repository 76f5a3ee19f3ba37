import type { BladeAge } from "./blade-cost";
import type { Cause } from "./causes";
import type { YieldRow } from "./yields";

/** Yield, time and cable of a way to make ends, from the record. */
export interface WayOnRecord {
  readonly style: string;
  readonly name: string;
  readonly good: number;
  readonly tried: number;
  readonly least: number;
  readonly most: number;
  /** Median from begun to signed, of ends made by themselves; null where there is none. */
  readonly minutes: number | null;
}

/** A run of one thing read of ends, one after the other, that has moved or not: micrometres, decibels or minutes. */
export interface RunOnRecord {
  readonly of: "length" | "loss" | "minutes";
  readonly name: string;
  readonly styleName: string;
  readonly tool: string;
  /** Empty for a gauge in every hand. */
  readonly person: string;
  readonly min: number | null;
  readonly max: number | null;
  readonly ends: readonly { readonly id: string; readonly value: number }[];
  readonly mean: number;
  readonly ewma: readonly number[];
  readonly lower: readonly number[];
  readonly upper: readonly number[];
  /** Place of the first signal, from 1; null where there is none. */
  readonly signal: number | null;
  /** Mean of the ends since then, less the level; null without a signal. */
  readonly moved: number | null;
  /** Conditions of the ends around the signal that the run had not had before. */
  readonly changed: readonly { readonly question: string; readonly value: string }[];
}

/** One week of ends beside the weeks before it. */
export interface WeekOnRecord {
  readonly week: string;
  /** Its first and last day, UTC. */
  readonly from: string;
  readonly to: string;
  readonly first: YieldRow["first"];
  readonly beside: YieldRow["beside"];
  /** Conditions no end before this week had. */
  readonly fresh: readonly { readonly question: string; readonly value: string }[];
}

/** A cleaver's blade and the ends made with it, by the cleaves on its place. */
export interface BladeOnRecord {
  readonly tool: string;
  readonly name: string;
  readonly positions: number;
  /** Cleaves a place is made for. */
  readonly each: number;
  /** Cleaves an end took. */
  readonly perEnd: number;
  readonly ages: readonly (BladeAge & { readonly failedEnds: readonly string[] })[];
}

/** Answers from the record. */
export interface Insight {
  readonly ends: number;
  readonly failed: number;
  /** Conditions asked about. */
  readonly tests: number;
  readonly causes: readonly Cause[];
  /** Runs that moved first, then those with the most ends. */
  readonly runs: readonly RunOnRecord[];
  readonly ways: readonly WayOnRecord[];
  readonly weeks: readonly WeekOnRecord[];
  readonly blades: readonly BladeOnRecord[];
  readonly people: readonly YieldRow[];
}
