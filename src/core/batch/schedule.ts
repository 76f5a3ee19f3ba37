import { mustHoldAt } from "../problem/held";
import type { Stage } from "./stages";

/** One stage of one end in time, seconds from the start. Hands are on it until `handsFrom + hands`. */
export interface Slot {
  readonly end: number;
  readonly stage: number;
  readonly handsFrom: number;
  readonly handsTo: number;
  /** When the wait is over and the next stage can begin; `handsTo` where there is none. */
  readonly readyAt: number;
}

export interface Schedule {
  /** How many ends are taken through each step together before the next few. */
  readonly group: number;
  readonly slots: readonly Slot[];
  readonly total: number;
  /** Seconds in which the hands have nothing to do. */
  readonly idle: number;
  /** The tightest of what must be done in time: seconds to spare; null where nothing is. */
  readonly spare: number | null;
  /** Each mix or filled tip: what, from when until when it lasts, and which ends it serves. */
  readonly pots: readonly Pot[];
}

interface Pot {
  readonly of: string;
  readonly from: number;
  readonly until: number;
  readonly ends: readonly number[];
}

/**
 * One pair of hands and a number of like ends, taken in groups: each stage is done across a group before the next;
 * while a group waits, the next group is begun. A stage that begins something to be done in time is followed on the
 * same end until that is done, before the next end.
 * @example scheduleIn(stages, 4, 2).group // 2
 */
export function scheduleIn(stages: readonly Stage[], ends: number, group: number): Schedule {
  const slots: Slot[] = [];
  const ready = new Array<number>(ends).fill(0);
  const at = new Array<number>(ends).fill(0);
  let now = 0;
  let idle = 0;
  const runsOf = (end: number): number => {
    const stage = mustHoldAt(stages, mustHoldAt(at, end));
    return stage.within ? stage.within.until - mustHoldAt(at, end) + 1 : 1;
  };
  while (at.some((stage) => stage < stages.length)) {
    const end = nextEnd(at, ready, stages.length, group, now);
    const wait = Math.max(0, mustHoldAt(ready, end) - now);
    idle += wait;
    now += wait;
    for (let run = runsOf(end); run > 0; run--) {
      const stage = mustHoldAt(stages, mustHoldAt(at, end));
      const handsFrom = Math.max(now, mustHoldAt(ready, end));
      idle += handsFrom - now;
      const handsTo = handsFrom + stage.hands;
      now = handsTo;
      ready[end] = handsTo + stage.wait;
      slots.push({ end, stage: mustHoldAt(at, end), handsFrom, handsTo, readyAt: mustHoldAt(ready, end) });
      at[end] = mustHoldAt(at, end) + 1;
    }
  }
  return {
    group,
    slots,
    total: Math.max(now, ...ready),
    idle: idle + Math.max(0, Math.max(...ready, 0) - now),
    spare: spareOf(stages, slots),
    pots: potsOf(stages, slots),
  };
}

/** The end to go on with: of the earliest group with one ready, the one furthest behind; else whoever is ready first. */
function nextEnd(
  at: readonly number[],
  ready: readonly number[],
  stages: number,
  group: number,
  now: number,
): number {
  const open = at.map((_, end) => end).filter((end) => mustHoldAt(at, end) < stages);
  const waiting = open.filter((end) => mustHoldAt(ready, end) <= now);
  const pool = waiting.length > 0 ? waiting : open;
  const rank = (end: number): readonly number[] =>
    waiting.length > 0
      ? [Math.floor(end / group), mustHoldAt(at, end), end]
      : [mustHoldAt(ready, end), Math.floor(end / group), end];
  return pool.reduce((best, end) => (before(rank(end), rank(best)) ? end : best));
}

function before(a: readonly number[], b: readonly number[]): boolean {
  const i = a.findIndex((value, at) => value !== b[at]);
  return i >= 0 && mustHoldAt(a, i) < mustHoldAt(b, i);
}

function spareOf(stages: readonly Stage[], slots: readonly Slot[]): number | null {
  const spares = slots.flatMap(({ end, stage, handsFrom }) => {
    const within = stages[stage]?.within;
    if (!within) return [];
    const done = slots.find((slot) => slot.end === end && slot.stage === within.until);
    return done ? [within.seconds - (done.handsTo - handsFrom)] : [];
  });
  return spares.length > 0 ? Math.min(...spares) : null;
}

/** A new mix is begun when the last one would be over before the hands are done with this end. */
function potsOf(stages: readonly Stage[], slots: readonly Slot[]): Pot[] {
  const pots: Pot[] = [];
  for (const { end, stage, handsFrom, handsTo } of slots) {
    const pot = stages[stage]?.pot;
    if (!pot) continue;
    const last = pots.findLast(({ of }) => of === pot.of);
    if (last && handsTo <= last.until) pots[pots.indexOf(last)] = { ...last, ends: [...last.ends, end] };
    else pots.push({ of: pot.of, from: handsFrom, until: handsFrom + pot.seconds, ends: [end] });
  }
  return pots;
}

/**
 * The best grouping of a number of like ends: of all group sizes, those that keep what must be done in time, then the
 * shortest; of two as short, the one with fewer mixes, then the larger group, since tools change hands less.
 * Exhaustive over group sizes, so at most `ends` simulations.
 * @example planBatch(stages, 4).group // 4
 */
export function planBatch(stages: readonly Stage[], ends: number): Schedule {
  const all = Array.from({ length: ends }, (_, i) => scheduleIn(stages, ends, i + 1));
  const inTime = all.filter(({ spare }) => spare === null || spare >= 0);
  const rank = ({ total, pots, group }: Schedule) => [total, pots.length, -group];
  return (inTime.length > 0 ? inTime : all).reduce((best, schedule) =>
    before(rank(schedule), rank(best)) ? schedule : best,
  );
}
