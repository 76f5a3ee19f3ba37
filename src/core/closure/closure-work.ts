import type { Entry } from "../entry/entry";
import { type Length, um } from "../length/length";
import { InputError } from "../problem/problem";
import { fibreShown, PIGTAIL, type SplicedCable, splicedCable } from "../splice/fibres";
import { reviewSplices } from "../splice/splice-check";
import type { Splice, SplicePlan } from "../splice/splice-plan";
import { laidIn, type SpliceLaid, slotAt } from "../tray/tray-set";
import { say } from "../words/core";
import type { Saying } from "../words/wording";
import type { ClosureEvent, ClosureRecorded } from "./closure-event";

/** The stages of a closure's work, in order. */
export const CLOSURE_STAGES = [
  "before",
  "cables",
  "in-place",
  "fibres",
  "splices",
  "before-closing",
  "closing",
] as const;
export type ClosureStage = (typeof CLOSURE_STAGES)[number];

/** A cable of a closure at work: whether its own sheet is signed off. */
export interface WorkedCable extends SplicedCable {
  readonly prepared: boolean;
}

/** All that a closure's work follows from, beside its events. */
export interface ClosureAtWork {
  readonly entry: Entry;
  readonly cables: readonly WorkedCable[];
  readonly plan: SplicePlan;
  /** Whether a port with a plug is left without a cable. */
  readonly plugs: boolean;
}

/** One thing of a stage that is to be done, looked at or read. */
export interface WorkItem {
  readonly id: string;
  readonly stage: ClosureStage;
  readonly text: Saying;
  /** What is entered for it: nothing but that it is done, a radius, a torque; or nothing at all, where it follows by itself. */
  readonly asks: "done" | "radius" | "torque" | "nothing";
  readonly done: boolean;
  /** What was read, with its limit: micrometres of a radius, N·m of a torque. */
  readonly reading: number | null;
  readonly limit: number | null;
  /** A caution of its own. */
  readonly caution: Saying | null;
}

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
  /** Tries left after the next one; null where the entry has no trays. */
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

/**
 * How a closure's work stands, from its events in order.
 * @example closureWork(closureAt, []).stage // "before"
 */
export function closureWork(at: ClosureAtWork, events: readonly ClosureRecorded[]): ClosureWork {
  const marks = marksOf(at, events);
  const splices = at.plan.splices.map((splice) => stateOfSplice(at, splice, events));
  const items = itemsOf(at).map((item): WorkItem => {
    const reading = marks.readings.get(item.id) ?? null;
    const done = item.asks === "nothing" ? item.done : marks.done.has(item.id);
    return { ...item, reading, done };
  });
  const openSplices = splices.filter(({ standing }) => standing === "open" || standing === "out").length;
  const toPlan = leftToPlan(at);
  const openIn = (stage: ClosureStage) =>
    items.filter((item) => item.stage === stage && !item.done).length +
    (stage === "splices" ? openSplices + toPlan : 0);
  const open = Object.fromEntries(CLOSURE_STAGES.map((stage) => [stage, openIn(stage)])) as Record<
    ClosureStage,
    number
  >;
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
  const stages = new Map(itemsOf(at).map(({ id, stage, limit }) => [id, { stage, limit }]));
  const done = new Set<string>();
  const readings = new Map<string, number>();
  for (const { event } of events)
    if (event.kind === "done") done.add(event.item);
    else if (event.kind === "undone") {
      done.delete(event.item);
      readings.delete(event.item);
    } else if (event.kind === "radius" || event.kind === "torque") {
      const value = event.kind === "radius" ? event.radius : event.newtonMetres;
      readings.set(event.item, value);
      if (holds(event.kind, value, stages.get(event.item)?.limit ?? 0)) done.add(event.item);
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

/** A radius is at least its limit, a torque within a tenth of it. */
const holds = (kind: "radius" | "torque", value: number, limit: number): boolean =>
  kind === "radius" ? value >= limit : Math.abs(value - limit) <= limit * TORQUE_SHARE;

type Due = Omit<WorkItem, "reading">;

/** All there is to do at a closure beside its splices, stage by stage. */
function itemsOf({ entry, cables, plan, plugs }: ClosureAtWork): Due[] {
  const item = (
    stage: ClosureStage,
    id: string,
    text: Saying,
    more: Partial<Pick<Due, "asks" | "limit" | "caution" | "done">> = {},
  ): Due => ({ stage, id, text, asks: "done", done: false, limit: null, caution: null, ...more });
  const cuts = cables.filter(({ through }) => through);
  return [
    item("before", "permission", say("permission-is-given-and-circuits-noted")),
    ...(cuts.length > 0
      ? [
          item("before", "dark", say("fibres-to-be-cut-carry-no-light"), {
            caution: say("never-look-into-a-fibre-that-may-be-live"),
          }),
        ]
      : []),
    ...(entry.relief
      ? [
          item("before", "relief", say("pressure-is-let-out-and-the-cap-kept"), {
            caution: say("let-pressure-out-before-a-clamp-is-opened"),
          }),
        ]
      : []),
    ...cables.map((cable) =>
      item(
        "cables",
        `cable ${cable.id}`,
        say("cable-is-prepared", { number: cable.number, name: cable.name }),
        {
          asks: "nothing",
          done: cable.prepared,
        },
      ),
    ),
    ...cables.map((cable) =>
      item(
        "in-place",
        `place ${cable.id}`,
        say("cable-is-clamped-and-bonded", { number: cable.number, name: cable.name }),
      ),
    ),
    ...cuts.flatMap((cable) => [
      item(
        "fibres",
        `stored ${cable.id}`,
        say("whole-fibres-are-stored-radius", { number: cable.number, name: cable.name }),
        {
          asks: "radius",
          limit: entry.radius,
        },
      ),
      item(
        "fibres",
        `cut ${cable.id}`,
        say("colours-are-named-then-cut", { number: cable.number, name: cable.name }),
        {
          caution: say("a-cut-fibre-is-a-splinter"),
        },
      ),
    ]),
    item("fibres", "led", say("fibres-are-led-to-their-trays")),
    ...(plan.splices.length > 0 ? [item("before-closing", "covered", say("trays-are-covered"))] : []),
    item("before-closing", "bends", say("no-fibre-is-crossed-or-pinched")),
    ...(plugs ? [item("before-closing", "plugs", say("a-plug-is-in-every-empty-port"))] : []),
    item("before-closing", "photo", say("the-inside-is-photographed")),
    ...entry.fasteners
      .map((fastener, i) => ({ ...fastener, i }))
      .filter(({ stage }) => stage === "seal" || stage === "cover")
      .sort((a, b) => Number(a.stage === "cover") - Number(b.stage === "cover"))
      .map(({ title, newtonMetres, i }) =>
        item("closing", `fasten ${i}`, say("fastener-at-torque", { title, newtonMetres }), {
          asks: "torque",
          limit: newtonMetres,
        }),
      ),
    item("closing", "cover", say("the-cover-is-on-and-closed")),
    ...(entry.relief
      ? [
          item("closing", "pressure", say("pressure-is-held-as-the-sheet-says")),
          item("closing", "cap", say("the-valve-cap-is-back-on")),
        ]
      : []),
  ];
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
 * Whether an event may happen to a closure as it stands.
 * @throws InputError `gate` for what is closed while anything is open, or changed inside once closing has begun; `not-found`
 *   for a thing or splice that is not there; `does-not-fit` for a colour that is not the fibre's.
 * @example attempt(() => mustBeAllowed(closureAt, [], { kind: "reopen", reason: "a look" })).problem?.code // "gate"
 */
export function mustBeAllowed(
  at: ClosureAtWork,
  events: readonly ClosureRecorded[],
  event: ClosureEvent,
): void {
  const work = closureWork(at, events);
  if (event.kind === "reopen") {
    if (!work.closing) throw new InputError("gate", say("this-closure-is-open"));
    return;
  }
  if ("item" in event) mustHoldItem(work, event);
  else mustHoldSplice(at, work, event);
}

function mustHoldItem(work: ClosureWork, event: Extract<ClosureEvent, { item: string }>): void {
  const item = work.items.find(({ id }) => id === event.item);
  if (!item || item.asks === "nothing")
    throw new InputError(
      "not-found",
      say("nothing-of-this-closure-is-called", { item: event.item.slice(0, 60) }),
      ["event", "item"],
    );
  const fits = event.kind === "undone" || event.kind === item.asks;
  if (!fits)
    throw new InputError(
      "bad-input",
      say("this-asks-for-something-else", { item: item.text.text, asks: item.asks }),
      ["event", "kind"],
    );
  if (item.stage !== "closing") {
    mustBeInside(work);
    return;
  }
  if (event.kind === "undone") return;
  const [stage] = CLOSURE_STAGES.filter((stage) => stage !== "closing" && work.open[stage] > 0);
  if (stage)
    throw new InputError("gate", say("nothing-is-closed-while-things-are-open", { count: openInside(work) }));
  const before = work.items.find(({ stage, done }) => stage === "closing" && !done);
  if (before && before.id !== item.id && !item.done)
    throw new InputError("gate", say("this-comes-first", { before: before.text.text }));
}

/**
 * How many things inside a closure are open still.
 * @example openInside({ open: { ...closureWork(closureAt, []).open, splices: 0 } }) // 9
 */
export const openInside = ({ open }: Pick<ClosureWork, "open">): number =>
  CLOSURE_STAGES.reduce((sum, stage) => sum + (stage === "closing" ? 0 : open[stage]), 0);

function mustBeInside({ closing }: ClosureWork): void {
  if (closing) throw new InputError("gate", say("closing-has-begun-open-it-again-first"));
}

function mustHoldSplice(
  at: ClosureAtWork,
  work: ClosureWork,
  event: Extract<ClosureEvent, { splice: string }>,
): void {
  const state = work.splices.find(({ splice }) => splice.id === event.splice);
  if (!state) throw new InputError("not-found", say("this-splice-is-not-in-the-plan"), ["event", "splice"]);
  mustBeInside(work);
  if (event.kind === "accept" && state.standing !== "out")
    throw new InputError("bad-input", say("only-a-splice-above-its-limit-is-accepted"), ["event", "kind"]);
  if (event.kind !== "splice") return;
  for (const side of ["a", "b"] as const) {
    const { cable, fibre } = state.splice[side];
    const of = cable === PIGTAIL ? null : splicedCable(at.cables, cable);
    if (!of) continue;
    const worked = at.cables.find(({ id }) => id === cable);
    if (!worked?.prepared)
      throw new InputError("gate", say("this-cable-is-prepared-first", { name: of.name }));
    const shown = fibreShown(of.cable, fibre);
    const seen = event.colours[side];
    if (seen !== shown.code)
      throw new InputError(
        "does-not-fit",
        say("this-fibre-has-another-colour", {
          cable: of.name,
          place: shown.place,
          colour: shown.colour,
          code: shown.code,
          seen: seen ?? "—",
        }),
        ["event", "colours", side],
      );
  }
}

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
