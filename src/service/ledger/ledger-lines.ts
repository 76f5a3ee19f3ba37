import { type EndId, endState, lightStandings, personBy, type Result, type Verdict } from "@/core";
import type { Store } from "@/store/database/store";
import type { LedgerFilter } from "@/store/record/signed";
import {
  attemptsOfEnds,
  type DayRow,
  endsNamingLight,
  lengthsOfEnds,
  type ResultTotal,
  signedBars,
  signedBeside,
  totalsSigned,
} from "@/store/record/signed-lists";
import { allPeople } from "@/store/workshop/people";
import { getEnd } from "../end/ends";
import { sinceChanged } from "../since-changed";

/** The length of an end that came nearest to its limits. Micrometres. */
interface NearestLength {
  readonly name: string;
  readonly leg: string;
  readonly nominal: number;
  readonly min: number | null;
  readonly max: number | null;
  readonly mean: number;
  /** From the mean to the nearer limit; negative beyond it. */
  readonly spare: number;
  readonly verdict: Verdict | null;
}

/** The greatest loss of an end beside its limit. dB. */
interface EndLoss {
  readonly loss: number;
  readonly limit: number;
  readonly verdict: "in" | "out" | "unsure";
}

/** Details of an end on a ledger's page. */
export interface LineDetails {
  /** 1 where the first attempt did. */
  readonly tries: number;
  readonly nearest: NearestLength | null;
  readonly loss: EndLoss | null;
}

/** Details of the ends of a ledger's page, in their order. */
export function lineDetails(store: Store, ids: readonly EndId[]): LineDetails[] {
  const lengths = new Map<EndId, Length[]>();
  for (const length of lengthsOfEnds(store, ids))
    lengths.set(length.endId, [...(lengths.get(length.endId) ?? []), length]);
  const tries = new Map(attemptsOfEnds(store, ids).map(({ endId, attempts }) => [endId, attempts]));
  const lit = new Set(endsNamingLight(store, ids));
  return ids.map((id) => ({
    tries: 1 + (tries.get(id) ?? 0),
    nearest: nearestOf(lengths.get(id) ?? []),
    loss: lit.has(id) ? lossOf(store, id) : null,
  }));
}

type Length = ReturnType<typeof lengthsOfEnds>[number];

/** The length with the least room beside its own tolerance. */
function nearestOf(lengths: readonly Length[]): NearestLength | null {
  let least = Number.POSITIVE_INFINITY;
  let nearest: NearestLength | null = null;
  for (const { endId: _, u: __, ...length } of lengths) {
    const { min, max, mean, nominal } = length;
    const spare = Math.min(
      min === null ? Number.POSITIVE_INFINITY : mean - min,
      max === null ? Number.POSITIVE_INFINITY : max - mean,
    );
    if (!Number.isFinite(spare)) continue;
    const tolerance = Math.max(
      1,
      Math.min(...[min, max].flatMap((limit) => (limit === null ? [] : Math.abs(nominal - limit)))),
    );
    if (spare / tolerance >= least) continue;
    least = spare / tolerance;
    nearest = { ...length, spare };
  }
  return nearest;
}

/** The loss that is nearest to its limit, or farthest beyond it. */
function lossOf(store: Store, id: EndId): EndLoss | null {
  const end = getEnd(store, id);
  const [first, ...rest] = lightStandings(endState(end.events), end.rule);
  if (!first) return null;
  const worst = rest.reduce(
    (most, each) => (each.loss - each.limitDb > most.loss - most.limitDb ? each : most),
    first,
  );
  return { loss: worst.loss, limit: worst.limitDb, verdict: worst.verdict };
}

/** Sums over the ends of a filter. */
export interface LedgerTotals {
  readonly ends: number;
  readonly results: Readonly<Partial<Record<Result, number>>>;
  /** Ends that are in, but not at the first attempt. */
  readonly inAgain: number;
  /** Ends that were in at the first attempt. */
  readonly inFirst: number;
  /** Micrometres lost to attempts after the first. */
  readonly cableLost: number;
}

/** @param key the filter as JSON: sums are kept until an end is begun or signed. */
const sums = sinceChanged((store, key): LedgerTotals => sumOf(totalsSigned(store, JSON.parse(key))));

/** Sums over the ends of a filter. */
export const ledgerTotals = (store: Store, filter: LedgerFilter): LedgerTotals =>
  sums(store, JSON.stringify({ ...filter, before: undefined }));

function sumOf(totals: readonly ResultTotal[]): LedgerTotals {
  const total = (of: (row: ResultTotal) => number) => totals.reduce((sum, row) => sum + of(row), 0);
  const isIn = totals.find(({ result }) => result === "in");
  return {
    ends: total(({ ends }) => ends),
    results: Object.fromEntries(totals.flatMap(({ result, ends }) => (result ? [[result, ends]] : []))),
    inAgain: isIn?.again ?? 0,
    inFirst: (isIn?.ends ?? 0) - (isIn?.again ?? 0),
    cableLost: total(({ cableLost }) => cableLost),
  };
}

/** The most ends of a day that are drawn. */
const MOST_BARS = 300;

/** A day of the ledger: who worked at which end, and when. */
export interface LedgerDay {
  /** `2026-11-30`, in UTC as sign-offs are written. */
  readonly day: string;
  /** The nearest days before and after it with an end signed off. */
  readonly before: string | null;
  readonly after: string | null;
  readonly people: readonly { readonly name: string; readonly ends: readonly DayRow[] }[];
  /** Ends that are not drawn. */
  readonly more: number;
}

/** A day of a filter, each person's ends in the order they were begun. */
export function ledgerDay(store: Store, filter: LedgerFilter, day: string): LedgerDay {
  const next = dayAfter(day);
  const wanted = { ...filter, since: day, until: next, before: undefined };
  const people = allPeople(store);
  const rows = signedBars(store, wanted, MOST_BARS);
  const lanes = new Map<string, DayRow[]>();
  for (const row of rows) {
    const name = (row.signer === null ? undefined : personBy(people, row.signer)?.name) ?? row.signedBy;
    lanes.set(name, [...(lanes.get(name) ?? []), row]);
  }
  const beside = signedBeside(store, filter.purpose, day, next);
  return {
    day,
    before: beside.before?.slice(0, 10) ?? null,
    after: beside.after?.slice(0, 10) ?? null,
    people: [...lanes].sort(([a], [b]) => a.localeCompare(b)).map(([name, ends]) => ({ name, ends })),
    more: rows.length < MOST_BARS ? 0 : ledgerTotals(store, wanted).ends - rows.length,
  };
}

/** The day after a day. */
export const dayAfter = (day: string): string =>
  new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10);
