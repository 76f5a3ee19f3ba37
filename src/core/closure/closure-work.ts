import { type Length, um } from "../length/length";
import { reviewSplices } from "../splice/splice-check";
import type { Splice } from "../splice/splice-plan";
import { laidIn, type SpliceLaid, slotAt } from "../tray/tray-set";
import type { ClosureEvent, ClosureRecorded } from "./closure-event";
import { CLOSURE_STAGES, type ClosureAtWork, type ClosureStage, dueItems, type WorkItem } from "./work-items";

/** How a splice stands. */
export interface SpliceState {
  readonly splice: Splice;
  readonly estimates: readonly number[];
  readonly standing: "open" | "in" | "out" | "accepted" | "left";
  /** Why it was accepted or left. */
  readonly reason: string;
  /** Fibre left on either side now, after what its tries took. */
  readonly lengths: { readonly a: Length; readonly b: Length } | null;
  readonly laid: SpliceLaid | null;
  /** Further tries its fibres reach for, after the one in hand; −1 where they no longer reach; null without a tray. */
  readonly triesLeft: number | null;
}

export interface ClosureWork {
  readonly items: readonly WorkItem[];
  readonly splices: readonly SpliceState[];
  /** How much is open in each stage. */
  readonly open: Readonly<Record<ClosureStage, number>>;
  /** The first stage with anything open; null where all is done. */
  readonly stage: ClosureStage | null;
  /** Whether anything inside is open still: nothing is closed then. */
  readonly gated: boolean;
  /** Whether closing has begun since it was last opened: what is inside stays as it is until it is opened again. */
  readonly closing: boolean;
  readonly closed: boolean;
  readonly reopened: readonly { readonly at: string; readonly by: string | null; readonly reason: string }[];
}

/** Stages whose things are due again once a closure is opened again. */
const DUE_AGAIN: readonly ClosureStage[] = ["before-closing", "closing"];

/** A number for each stage. */
const byStage = (count: (stage: ClosureStage) => number): Record<ClosureStage, number> => ({
  before: count("before"),
  cables: count("cables"),
  "in-place": count("in-place"),
  fibres: count("fibres"),
  splices: count("splices"),
  "before-closing": count("before-closing"),
  closing: count("closing"),
});

/**
 * How a closure's work stands, from its events in order.
 * @example closureWork(closureAt, []).stage // "before"
 */
export function closureWork(at: ClosureAtWork, events: readonly ClosureRecorded[]): ClosureWork {
  const marks = marksOf(at, events);
  const splices = at.plan.splices.map((splice) => stateOfSplice(at, splice, events));
  const items = dueItems(at).map((item): WorkItem => {
    const reading = marks.readings.get(item.id) ?? null;
    const done = item.asks === "nothing" ? item.done : marks.done.has(item.id);
    return { ...item, reading, done };
  });
  const openSplices = splices.filter(({ standing }) => standing === "open" || standing === "out").length;
  const toPlan = leftToPlan(at);
  const openIn = (stage: ClosureStage) =>
    items.filter((item) => item.stage === stage && !item.done).length +
    (stage === "splices" ? openSplices + toPlan : 0);
  const open = byStage(openIn);
  const inside = CLOSURE_STAGES.filter((stage) => stage !== "closing");
  const closing = items.some(({ stage, done, asks }) => stage === "closing" && done && asks !== "nothing");
  const gated = inside.some((stage) => open[stage] > 0);
  return {
    items,
    splices,
    open,
    stage: CLOSURE_STAGES.find((stage) => open[stage] > 0) ?? null,
    gated,
    closing,
    closed: !gated && open.closing === 0,
    reopened: events.flatMap(({ at, by, event }) =>
      event.kind === "reopen" ? [{ at, by, reason: event.reason }] : [],
    ),
  };
}

/** Fibres of the plan nobody has said anything of, and rows that are wrong as they stand: each keeps the splices open. */
function leftToPlan({ plan, cables }: ClosureAtWork): number {
  const { problems, leftOver } = reviewSplices(plan, cables);
  return problems.filter(({ kind }) => kind === "wrong").length + leftOver.length;
}

interface Marks {
  readonly done: ReadonlySet<string>;
  readonly readings: ReadonlyMap<string, number>;
}

function marksOf(at: ClosureAtWork, events: readonly ClosureRecorded[]): Marks {
  const stages = new Map(dueItems(at).map((item) => [item.id, item]));
  const done = new Set<string>();
  const readings = new Map<string, number>();
  for (const { event } of events)
    if (event.kind === "done") done.add(event.item);
    else if (event.kind === "undone") {
      done.delete(event.item);
      readings.delete(event.item);
    } else if (isReading(event)) {
      const value = readingOf(event);
      const due = stages.get(event.item);
      readings.set(event.item, value);
      if (due && holds(event.kind, value, due)) done.add(event.item);
      else done.delete(event.item);
    } else if (event.kind === "reopen")
      for (const [id, { stage }] of stages)
        if (DUE_AGAIN.includes(stage)) {
          done.delete(id);
          readings.delete(id);
        }
  return { done, readings };
}

/** How far a torque may be from what is asked: a share of it (common practice, no source). */
const TORQUE_SHARE = 0.1;

type ReadingEvent = Extract<ClosureEvent, { kind: "radius" | "torque" | "gap" | "power" }>;

/** A reading of the simulated meter is practice: it counts as none. */
const isReading = (event: ClosureEvent): event is ReadingEvent =>
  event.kind === "radius" ||
  event.kind === "torque" ||
  event.kind === "gap" ||
  (event.kind === "power" && !event.simulated);

const readingOf = (event: ReadingEvent): number => {
  if (event.kind === "torque") return event.newtonMetres;
  if (event.kind === "power") return event.dBm;
  return event.kind === "radius" ? event.radius : event.gap;
};

/** A radius is at least its limit, a gap or a power within its two, a torque within a tenth of its figure. */
function holds(
  kind: ReadingEvent["kind"],
  value: number,
  { limit, most }: Pick<WorkItem, "limit" | "most">,
): boolean {
  const least = limit ?? 0;
  if (kind === "torque") return Math.abs(value - least) <= least * TORQUE_SHARE;
  return value >= least && (most === null || value <= most);
}

function stateOfSplice(
  { entry, plan }: ClosureAtWork,
  splice: Splice,
  events: readonly ClosureRecorded[],
): SpliceState {
  const estimates: number[] = [];
  let [standing, reason]: [SpliceState["standing"], string] = ["open", ""];
  for (const { event } of events) {
    if (!("splice" in event) || event.splice !== splice.id) continue;
    // A simulated try is practice: it joins nothing and takes no fibre.
    if (event.kind === "splice" && event.splicer?.simulated) continue;
    if (event.kind === "splice") {
      estimates.push(event.estimateDb);
      [standing, reason] = [event.estimateDb <= plan.limitDb ? "in" : "out", ""];
    } else [standing, reason] = [event.kind === "accept" ? "accepted" : "left", event.reason];
  }
  const { trays } = entry;
  if (!trays) return { splice, estimates, standing, reason, lengths: null, laid: null, triesLeft: null };
  const place = splice.slot === null ? null : slotAt(trays, splice.slot);
  // The first try is what the fibre is prepared for; each further one takes as much off both sides.
  const taken = Math.max(0, estimates.length - (standing === "out" ? 0 : 1)) * trays.perTry;
  const left = (length: Length | null) => um(Math.max(0, (length ?? trays.fibre) - taken));
  const lengths = { a: left(splice.lengths.a), b: left(splice.lengths.b) };
  const laid = place && laidIn(trays, place.slot, lengths);
  return { splice, estimates, standing, reason, lengths, laid, triesLeft: laid?.tries ?? null };
}

/**
 * How many things inside a closure are open still.
 * @example openInside({ open: { ...closureWork(closureAt, []).open, splices: 0 } }) // 9
 */
export const openInside = ({ open }: Pick<ClosureWork, "open">): number =>
  CLOSURE_STAGES.reduce((sum, stage) => sum + (stage === "closing" ? 0 : open[stage]), 0);

/** What a splice that failed takes: how much comes off either side, whether it lies in its slot then, and what to trim. */
interface SpliceAgain {
  readonly perTry: Length;
  readonly lengths: { readonly a: Length; readonly b: Length };
  readonly laid: SpliceLaid | null;
}

/**
 * What making a splice once more takes, from how it stands.
 * @returns null where the entry has no trays, or the splice no slot.
 * @example redoneSplice(closureAt, closureWork(closureAt, []).splices[0])?.perTry // 12000
 */
export function redoneSplice(
  { entry }: Pick<ClosureAtWork, "entry">,
  state: SpliceState,
): SpliceAgain | null {
  const { trays } = entry;
  const place = trays && state.splice.slot !== null ? slotAt(trays, state.splice.slot) : null;
  if (!trays || !place || !state.lengths) return null;
  const taken = state.standing === "out" ? 0 : trays.perTry;
  const lengths = {
    a: um(Math.max(0, state.lengths.a - taken)),
    b: um(Math.max(0, state.lengths.b - taken)),
  };
  return { perTry: trays.perTry, lengths, laid: laidIn(trays, place.slot, lengths) };
}
