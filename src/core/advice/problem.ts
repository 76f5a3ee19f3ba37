import type { Dimension } from "../dimensions/dimension";
import type { EndState, SeenFault } from "../end/end-state";
import { type Length, um, ZERO } from "../length/length";
import type { AsMade } from "../measured/as-made";
import { mustHold, mustHoldAt } from "../problem/held";
import type { ReworkFeature } from "../rework/problem";
import type { Check, Line, RunSheet, SheetFeature } from "../runsheet/document";
import { isMidRun } from "../runsheet/runsheet";
import { statedBetween } from "./between";

/** The question one prepared leg asks: what is there and where, what each length must be, what must be cut anyway. */
export interface LeastProblem {
  readonly features: readonly ReworkFeature[];
  readonly dimensions: readonly Dimension[];
  /** Those of them that say only which layer lies in front of which. */
  readonly order: ReadonlySet<string>;
  /** Lengths that must hold as they stand; the others only once something at their ends is made again. */
  readonly binding: ReadonlySet<string>;
  readonly forced: readonly string[];
  /** When the first of these is cut again, the second must be too: a stripper has gone over the cleaved end. */
  readonly follows: readonly (readonly [edge: string, end: string])[];
  /** Where glass is bared or cleaved: doing it again costs an attempt. */
  readonly glass: readonly string[];
  readonly cable: string;
  readonly places: ReadonlyMap<string, Length>;
}

/** The place of a nick, as a feature nothing can move; the fibre end must go behind it. No document can have that id. */
export const NICK = ":nick";
/** The origin, as a feature nothing can move: what a rework in hand has still to cut goes at least where that puts it. */
export const PLANNED = ":planned";
/** A nick is taken off with so much glass before it, micrometres. */
const CLEAR_OF_NICK = um(500);

const BONDS: readonly Line["step"]["kind"][] = ["crimp", "cure", "fuse"];

/**
 * The line by which everything made before it is held for good: crimped, cured, fused, or pushed into adhesive;
 * a seal holds all but the fibre ends and cut tubes that stand out of it. −1 where nothing is held.
 */
export function heldBy(
  sheet: RunSheet,
  reached: number,
  { kind, cutAt }: Pick<SheetFeature, "kind" | "cutAt">,
): number {
  const standsOut = kind === "end" || (kind === "part" && cutAt !== null);
  let filled = false;
  let held = -1;
  for (const { index, step } of sheet.lines.slice(0, reached)) {
    filled ||= step.kind === "inject";
    const bonds = BONDS.includes(step.kind) || (filled && step.kind === "insert");
    if (bonds || (step.kind === "seal" && !standsOut)) held = index;
  }
  return held;
}

/** Whether a part's face is set, not cut: put where it belongs again by loading it once more. */
export const isSet = (sheet: RunSheet, { kind, cutAt, madeAt }: SheetFeature): boolean =>
  kind === "part" &&
  cutAt === null &&
  ["load", "dress", "fold"].some((kind) => sheet.lines[madeAt]?.step.kind === kind);

/** Whether a part is only held against the end, neither cut, set nor bonded: it goes wherever the fibre end goes. */
export const rides = (sheet: RunSheet, feature: SheetFeature, reached: number): boolean =>
  feature.kind === "part" &&
  feature.cutAt === null &&
  !isSet(sheet, feature) &&
  feature.madeAt >= heldBy(sheet, reached, feature);

/**
 * What a loose piece stands against, cut to its own length before it went on and never read: it goes wherever that goes, as
 * long as it is. Null for what is no such piece.
 */
export function standsAgainst(sheet: RunSheet, feature: SheetFeature, reached: number): string | null {
  if (feature.kind !== "part" || feature.cutAt === null || feature.cutAt >= reached) return null;
  const own = sheet.limits.find(({ from, to }) => from === feature.id || to === feature.id);
  const isRead = sheet.checks.some(({ dimension }) => dimension === own?.dimension);
  return own && !isRead ? (own.from === feature.id ? own.to : own.from) : null;
}

/**
 * States one leg's question to the solver.
 * @example Object.keys(leastProblem(sheet, read({}), asMade(sheet, read({}), rule, ""), []))
 * // ["features", "dimensions", "order", "binding", "forced", "follows", "glass", "cable", "places"]
 */
export function leastProblem(
  sheet: RunSheet,
  state: EndState,
  asMade: AsMade,
  faults: readonly SeenFault[],
  unsettled: readonly string[] = [],
): LeastProblem {
  const { present, places } = asMade;
  const { reached } = state;
  const root = sheet.features[0]?.id;
  const features = present.map((feature): ReworkFeature => {
    const { id, bite, cutAt, madeAt } = feature;
    const at = mustHold(places, id);
    const isCut = id === root || (cutAt !== null && cutAt < reached);
    const held = Math.max(madeAt, cutAt ?? -1) < heldBy(sheet, reached, feature);
    // A centre mark is where it is: a cable that goes on has no end to be cut.
    if (held || (id === root && feature.kind === "mark")) return { name: id, kind: "fixed", at };
    if (standsAgainst(sheet, feature, reached) !== null) return { name: id, kind: "mark" };
    if (isCut) return { name: id, kind: "cut", at, bite };
    if (
      feature.kind !== "end" &&
      (feature.kind !== "part" || isSet(sheet, feature) || rides(sheet, feature, reached))
    )
      return { name: id, kind: "mark" };
    return { name: id, kind: "fixed", at };
  });
  const nick = faults.find(({ what: fault }) => fault === "nick" || fault === "broken");
  const due = features.filter(({ name, kind }) => kind === "cut" && asMade.pending.has(name));
  const end = fibreEnd(asMade);
  const isCleaved = end !== undefined && cleaved(sheet, end);
  const open = new Set(
    asMade.read.filter(({ check }) => unsettled.includes(check.id)).map(({ check }) => check.dimension),
  );
  const readByDimension = new Map(asMade.read.map(({ check }) => [check.dimension, check]));
  const stated = statedBetween(sheet, present)
    .map((dimension) => asAsked(dimension, readByDimension.get(dimension.id)))
    .map((dimension) => (open.has(dimension.id) ? toTheMiddle(dimension) : dimension));
  const riding = present.filter((feature) => rides(sheet, feature, reached)).map(({ id }) => id);
  const order = inOrder(sheet, asMade);
  const spent = spentHolders(sheet, present);
  const dimensions = [
    ...stated,
    ...order,
    ...(end ? riding.map((part) => ridesOn(end, part, places)) : []),
    ...present.flatMap((feature) => {
      const on = standsAgainst(sheet, feature, reached);
      return on !== null && places.has(on) ? [ridesOn(on, feature.id, places)] : [];
    }),
    ...(nick && end ? [behindNick(end)] : []),
    ...due.map(({ name }) => asPlanned(name, mustHold(asMade.pending, name))),
  ];
  if (due.length > 0) features.push({ name: PLANNED, kind: "fixed", at: ZERO });
  if (nick && end) features.push({ name: NICK, kind: "fixed", at: nickAt(asMade, nick, end) });
  const read = new Map(asMade.read.map(({ check, judged }) => [check.dimension, judged.verdict]));
  return {
    features,
    dimensions,
    order: new Set(order.map(({ id }) => id)),
    binding: new Set([
      // A mark costs nothing to draw again, so its lengths hold whatever else is done.
      ...dimensions
        .filter(({ from, to }) =>
          features.some(
            ({ name, kind }) => kind === "mark" && !spent.includes(name) && (name === from || name === to),
          ),
        )
        .map(({ id }) => id),
      ...dimensions
        .filter(({ id }) => read.get(id) === "out" || id === NICK || id.startsWith(PLANNED))
        .map(({ id }) => id),
      ...followedOut(stated, asMade, read),
    ]),
    forced: forcedBy(isCleaved ? faults : faults.filter(({ what: fault }) => fault !== "dirty"), features),
    follows: end && isCleaved ? glassEdges(asMade).map(({ id }) => [id, end] as const) : [],
    glass: [...glassEdges(asMade).map(({ id }) => id), ...(end && isCleaved ? [end] : [])],
    cable: cableFeature(sheet, features, present),
    places,
  };
}

/** Faces of holders the fibre was cleaved in: they have done their work, and where they stand binds nothing any more. */
const spentHolders = ({ limits }: RunSheet, present: readonly SheetFeature[]): string[] => {
  const kindOf = (id: string) => present.find((feature) => feature.id === id)?.kind;
  return limits.flatMap(({ from, to, stop }) =>
    stop && kindOf(from) !== undefined && kindOf(to) !== undefined
      ? [from, to].filter((id) => kindOf(id) === "part")
      : [],
  );
};

/** What both sides of an opening make together is asked of this one as the other has it. */
function asAsked(dimension: Dimension, check: Check | undefined): Dimension {
  if (!check?.joint) return dimension;
  const { min, max } = check;
  return {
    ...dimension,
    plus: max === null ? null : um(max - dimension.nominal),
    minus: min === null ? null : um(dimension.nominal - min),
  };
}

/** Share of the room either side of the middle that a length redone because it cannot be settled is made to. */
const MIDDLE = 0.25;

/** A length's limits drawn in about their middle, so that one that cannot be worked out from out is made well inside. */
function toTheMiddle(dimension: Dimension): Dimension {
  if (dimension.plus === null || dimension.minus === null) return dimension;
  const middle = dimension.nominal + (dimension.plus - dimension.minus) / 2;
  const half = Math.floor(((dimension.plus + dimension.minus) / 2) * MIDDLE);
  return {
    ...dimension,
    plus: um(Math.floor(middle) + half - dimension.nominal),
    minus: um(dimension.nominal - Math.ceil(middle) + half),
  };
}

/** The fibre's end: the cleaved one, or the end as it came while nothing has replaced it. */
const fibreEnd = ({ present }: AsMade): string | undefined =>
  present.filter(({ kind }) => kind === "end").at(-1)?.id;

const cleaved = (sheet: RunSheet, end: string): boolean => sheet.features[0]?.id !== end;

/** Edges behind which the glass is bared: where the coating ends. */
const glassEdges = ({ present }: AsMade) => present.filter(({ ends }) => ends.includes("coating"));

/** The nick's place where it is known, with glass to spare; else all that is bared is suspect. */
function nickAt({ places, present }: AsMade, { at }: SeenFault, end: string): Length {
  const tip = mustHold(places, end);
  if (at !== null) return um(tip + at + CLEAR_OF_NICK);
  const glass = present.filter(({ ends }) => ends.includes("coating"));
  // Nothing bare yet: it broke somewhere in what is stripped so far.
  const suspect = glass.length > 0 ? glass : present.filter(({ kind }) => kind === "edge");
  return um(Math.max(tip, ...suspect.map(({ id }) => mustHold(places, id))));
}

const asPlanned = (feature: string, at: Length): Dimension => ({
  id: `${PLANNED}:${feature}`,
  from: PLANNED,
  to: feature,
  nominal: at,
  plus: null,
  minus: ZERO,
});

const behindNick = (end: string): Dimension => ({
  id: NICK,
  from: NICK,
  to: end,
  nominal: ZERO,
  plus: null,
  minus: ZERO,
});

/** A part goes with what it stands against, as far behind it as it is. */
const ridesOn = (end: string, part: string, places: AsMade["places"]): Dimension => ({
  id: `rides:${part}`,
  from: end,
  to: part,
  nominal: um(mustHold(places, part) - mustHold(places, end)),
  plus: ZERO,
  minus: ZERO,
});

/** Faults of a cleaved end that a fresh cleave mends. */
const CLEAVED_ANEW: ReadonlySet<SeenFault["what"]> = new Set(["bad-cleave", "touched", "aged", "dirty"]);

/** What must be cut again whatever it measures. A nick is no cut: the fibre end is held behind it instead. */
const forcedBy = (faults: readonly SeenFault[], features: readonly ReworkFeature[]): string[] => [
  ...new Set(
    faults.flatMap(({ what: fault, feature }) => {
      const kind = features.find(({ name }) => name === feature)?.kind;
      return CLEAVED_ANEW.has(fault) && kind !== undefined && kind !== "mark" ? [feature] : [];
    }),
  ),
];

/** No inner layer ends behind the one around it, nor the fibre behind its coating, where the sheet has them so. */
function inOrder({ layers }: RunSheet, { present }: AsMade): Dimension[] {
  const depth = (sheetFeature: SheetFeature) =>
    sheetFeature.kind === "end"
      ? layers.length
      : Math.max(-1, ...sheetFeature.ends.map((kind) => layers.findIndex((layer) => layer.kind === kind)));
  const edges = present
    .filter((sheetFeature) => depth(sheetFeature) >= 0)
    .sort((a, b) => depth(b) - depth(a));
  return edges.slice(1).flatMap((outer, i) => {
    const inner = mustHoldAt(edges, i);
    if (inner.position > outer.position) return [];
    return [
      { id: `order:${inner.id}`, from: inner.id, to: outer.id, nominal: ZERO, plus: null, minus: ZERO },
    ];
  });
}

/** Lengths not read themselves, out by what was read of their two ends. */
function followedOut(
  stated: readonly Dimension[],
  { read, places }: AsMade,
  judged: ReadonlyMap<string, string>,
): string[] {
  const joined = (from: string, to: string) => {
    const reached = new Set([from]);
    for (const first of reached)
      for (const { check } of read) {
        if (check.from === first) reached.add(check.to);
        if (check.to === first) reached.add(check.from);
      }
    return reached.has(to);
  };
  return stated
    .filter(({ id, from, to, nominal, plus, minus }) => {
      if (judged.has(id) || !joined(from, to)) return false;
      const off = mustHold(places, to) - mustHold(places, from) - nominal;
      return (plus !== null && off > plus) || (minus !== null && off < -minus);
    })
    .map(({ id }) => id);
}

/** The feature whose going back is cable lost: the rearmost cut of the outermost layer that has one. */
function cableFeature(
  sheet: RunSheet,
  features: readonly ReworkFeature[],
  present: readonly SheetFeature[],
): string {
  // What goes on in mid-run loses nothing, however far it is opened: it is held to its centre mark.
  if (isMidRun(sheet)) return mustHoldAt(sheet.features, 0).id;
  const cut = present.filter(({ id }) => {
    const feature = features.find(({ name }) => name === id);
    return (
      feature &&
      feature.kind !== "mark" &&
      present.some((sheetFeature) => sheetFeature.id === id && sheetFeature.kind !== "part")
    );
  });
  const outermost = sheet.layers
    .map(({ kind }) => cut.filter(({ ends }) => ends.includes(kind)))
    .find((all) => all.length > 0);
  const among = outermost ?? cut;
  return among.reduce((a, b) => (b.position > a.position ? b : a), mustHoldAt(among, 0)).id;
}
