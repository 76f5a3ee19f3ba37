import type { Cable } from "../cable/cable";
import { formatMm } from "../length/format";
import { type Length, ZERO } from "../length/length";
import { InputError } from "../problem/problem";
import type { RunSheet } from "../runsheet/document";
import { allowed, roundedUp } from "../slack/cut-length";
import { retriesFor } from "../slack/retries";
import { say } from "../words/core";
import { type BendRadius, bendRadius } from "./bend";
import { openingsOf, type SheathOpening } from "./openings";
import { type Loop, type PiecePlan, type RouteStretch, SIDES, type SideName } from "./plan";
import { hang } from "./sag";

/** One figure of an item: what it is, how long, how often, and whose it is. */
export interface NeedFigure {
  readonly kind:
    | "prepared"
    | "squared"
    | "grip"
    | "entry"
    | "retry"
    | "opened-retry"
    | "stretch"
    | "allowance"
    | "sag"
    | "turn"
    | "left";
  /** Micrometres, not rounded. */
  readonly length: number;
  readonly times: number;
  readonly of: "procedure" | "plan";
  /** Of a procedure: whether nobody has held it against the part's sheet yet. */
  readonly representative: boolean;
}

/** One thing a piece needs cable for. */
export interface Need {
  /** `side A`, `route 2`, `loop 1`: what of the plan it is. */
  readonly part:
    | { readonly of: "side"; readonly side: SideName }
    | { readonly of: "route" | "loop"; readonly at: number };
  readonly name: string;
  /** Micrometres, not rounded: its figures added up. */
  readonly length: number;
  readonly figures: readonly NeedFigure[];
}

/** A figure of a plan that nobody has said yet: it counts as nothing, and is asked for. */
export interface Unsaid {
  readonly part: Need["part"];
  readonly kind:
    | "length"
    | "allowance"
    | "sag"
    | "turns"
    | "perimeter"
    | "entry"
    | "squared"
    | "grip"
    | "retry";
}

/** So many retries at either side: how likely it is to fall short, and what must then be cut. */
interface RetryChoice {
  readonly retries: number;
  readonly short: number;
  readonly cut: Length;
}

export interface PieceNeeds {
  /** From side A to side B, in the order they lie. */
  readonly items: readonly Need[];
  /** Micrometres, not rounded: the items added up. */
  readonly exact: number;
  readonly cut: Length;
  /** What nobody has said yet: neither in the items nor in the cut. */
  readonly unsaid: readonly Unsaid[];
  readonly bend: BendRadius;
  /** Empty where no end is made at either side. */
  readonly curve: readonly RetryChoice[];
  /** The least retries within the risk; null where even the most looked at are not. */
  readonly enough: number | null;
  /** The same of the ends made on opened elements; empty where none are. */
  readonly opened: Pick<PieceNeeds, "curve" | "enough">;
  /** Where it is opened in its run, from side A. */
  readonly openings: readonly SheathOpening[];
}

/** What of a side's sheet its need is worked out from. */
export interface SideSheet extends Pick<RunSheet, "uses"> {
  readonly procedure: Pick<RunSheet["procedure"], "name" | "representative">;
}

/** What goes on each element a side's procedure opens onto, and on how many. */
interface OpenedSheet {
  readonly sheet: SideSheet;
  readonly ends: number;
}

/** What a plan is worked out from: its cable, the sheet of each side that has a procedure, and its openings' reach. */
export interface PieceParts {
  readonly cable: Cable;
  /** How far to either side of its centre mark a procedure for mid-run works, micrometres, by its id. */
  readonly reach: Readonly<Record<string, number>>;
  readonly sheets: Readonly<Record<SideName, SideSheet | null>>;
  readonly opened: Readonly<Record<SideName, OpenedSheet | null>>;
}

const stated = (kind: NeedFigure["kind"], length: number, times = 1): NeedFigure => ({
  kind,
  length,
  times,
  of: "plan",
  representative: false,
});

const need = (part: Need["part"], name: string, figures: readonly NeedFigure[]): Need => {
  const needFigures = figures.filter(({ length, times }) => length * times !== 0);
  return {
    part,
    name,
    length: needFigures.reduce((sum, { length, times }) => sum + length * times, 0),
    figures: needFigures,
  };
};

/** Attempts beyond the first that a side has cable for: at the cable itself, and on each opened element. */
interface Tries {
  readonly retries: number;
  readonly opened: number;
}

function sideNeed(plan: PiecePlan, side: SideName, { sheets, opened }: PieceParts, tries: Tries): Need {
  const { place, entry, squaring, grip, leave } = plan.sides[side];
  const sheet = sheets[side];
  const by = (
    of: SideSheet | null | undefined,
    kind: NeedFigure["kind"],
    length: number,
    times: number,
  ): NeedFigure[] =>
    of ? [{ kind, length, times, of: "procedure", representative: of.procedure.representative }] : [];
  const onEach = opened[side]?.sheet;
  return need({ of: "side", side }, place || `side ${side}`, [
    ...by(sheet, "prepared", sheet?.uses.prepared ?? 0, 1),
    // Opened elements lie side by side: all are as much longer as the one that is tried most often.
    ...by(onEach, "opened-retry", onEach?.uses.retry ?? 0, tries.opened),
    stated("squared", squaring ?? 0),
    stated("grip", grip ?? 0),
    stated("entry", entry ?? 0),
    ...by(sheet, "retry", sheet?.uses.retry ?? 0, tries.retries),
    stated("left", leave ?? 0),
  ]);
}

function stretchNeed(stretch: RouteStretch, at: number): Need {
  const { kind, sag } = stretch;
  const length = stretch.length ?? ZERO;
  const allowancePct = stretch.allowancePct ?? 0;
  const hung = kind === "span" && sag !== null && length > 0 ? hang({ span: length, sag }).slack : 0;
  return need({ of: "route", at }, stretch.name || kind, [
    stated("stretch", length),
    stated("sag", hung),
    stated("allowance", allowed({ length, allowancePct }) - length),
  ]);
}

/** @throws InputError `bend` for a loop tighter than the cable may rest. */
function loopNeed(loop: Loop, at: number, { atRest }: BendRadius): Need {
  const perimeter = loop.perimeter ?? ZERO;
  const radius = perimeter / (2 * Math.PI);
  if (loop.perimeter !== null && loop.turns !== 0 && radius < atRest)
    throw new InputError(
      "bend",
      say("a-loop-of-mm-round-has-a", {
        perimeter: formatMm(perimeter),
        value: (radius / 1000).toFixed(0),
        atRest: formatMm(atRest),
        length: formatMm(Math.ceil((2 * Math.PI * atRest) / 1000) * 1000),
      }),
      ["loops", at, "perimeter"],
    );
  return need({ of: "loop", at }, loop.name || `loop ${at + 1}`, [
    stated("turn", perimeter, loop.turns ?? 0),
  ]);
}

/** Every figure of a plan that nobody has said yet, in the order of the items. A side that is not ended is asked nothing. */
function unsaidOf({ sides, route, loops }: PiecePlan): Unsaid[] {
  const unsaidIn = (part: Need["part"], figures: Partial<Record<Unsaid["kind"], number | null>>): Unsaid[] =>
    UNSAID_ORDER.flatMap((kind) => (figures[kind] === null ? [{ part, kind }] : []));
  const ofSide = (side: SideName): Unsaid[] => {
    const { procedure, entry, squaring, grip, retries } = sides[side];
    return procedure === null
      ? []
      : unsaidIn({ of: "side", side }, { entry, squared: squaring, grip, retry: retries });
  };
  return [
    ...ofSide("A"),
    ...route.flatMap(({ length, allowancePct, kind, sag }, at) =>
      unsaidIn({ of: "route", at }, { length, allowance: allowancePct, ...(kind === "span" && { sag }) }),
    ),
    ...loops.flatMap(({ turns, perimeter }, at) => unsaidIn({ of: "loop", at }, { turns, perimeter })),
    ...ofSide("B"),
  ];
}

const UNSAID_ORDER: readonly Unsaid["kind"][] = [
  "length",
  "sag",
  "allowance",
  "turns",
  "perimeter",
  "entry",
  "squared",
  "grip",
  "retry",
];

/** The most retries the curve looks at. */
const MOST_LOOKED_AT = 6;

/** What a piece needs with so many retries at each side. */
function itemsFor(plan: PiecePlan, parts: PieceParts, tries: (side: SideName) => Tries): Need[] {
  const { cable } = parts;
  const bend = bendRadius(cable, plan.bendAtRest);
  const loops = plan.loops.map((loop, at) => ({ after: loop.after, need: loopNeed(loop, at, bend) }));
  const after = (stretches: number) =>
    loops.filter((loop) => loop.after === stretches).map((loop) => loop.need);
  return [
    sideNeed(plan, "A", parts, tries("A")),
    ...after(0),
    ...plan.route.flatMap((stretch, at) => [stretchNeed(stretch, at), ...after(at + 1)]),
    sideNeed(plan, "B", parts, tries("B")),
  ];
}

const sum = (items: readonly Need[]): number => items.reduce((total, { length }) => total + length, 0);

/**
 * What a piece must be cut to, as a list that adds up to it: each side's use by its own procedure, stretches of route with
 * their allowances, spans by their sag, stored turns; and how the chance of falling short goes with the retries there is
 * cable for. Rounded once, at the end.
 * @throws InputError `bend` for a loop tighter than the cable may rest; `limit` or `does-not-fit` for a station beyond the
 * piece or over a neighbouring one.
 * @example pieceNeeds(plan, parts).cut // 21500000
 */
export function pieceNeeds(plan: PiecePlan, parts: PieceParts): PieceNeeds {
  const planned = (side: SideName): Tries => ({
    retries: plan.sides[side].retries ?? 0,
    opened: plan.sides[side].onto?.retries ?? 0,
  });
  const items = itemsFor(plan, parts, planned);
  const exact = sum(items);
  const worked = SIDES.filter((side) => parts.sheets[side] !== null);
  const curveOf = (ends: number, withTries: (side: SideName, retries: number) => Tries) => {
    const chances =
      ends > 0 && plan.yield !== null
        ? retriesFor({ yield: plan.yield, ends, risk: plan.risk, most: MOST_LOOKED_AT })
        : null;
    return {
      curve: (chances?.short ?? []).map((short, retries) => ({
        retries,
        short,
        cut: roundedUp(sum(itemsFor(plan, parts, (side) => withTries(side, retries))), plan.roundUpTo),
      })),
      enough: chances?.retries ?? null,
    };
  };
  return {
    items,
    exact,
    cut: roundedUp(exact, plan.roundUpTo),
    unsaid: unsaidOf(plan),
    bend: bendRadius(parts.cable, plan.bendAtRest),
    ...curveOf(
      worked.reduce((total, side) => total + plan.sides[side].ends, 0),
      (side, retries) => ({ ...planned(side), retries }),
    ),
    opened: curveOf(
      SIDES.reduce((total, side) => total + (parts.opened[side]?.ends ?? 0), 0),
      (side, opened) => ({ ...planned(side), opened }),
    ),
    openings: openingsOf(plan.stations, exact, (procedure) =>
      Object.hasOwn(parts.reach, procedure) ? (parts.reach[procedure] ?? null) : null,
    ),
  };
}
