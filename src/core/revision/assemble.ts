import type { ProcedureDocument } from "../procedure/procedure";
import { type DraftKit, named } from "./kit";
import {
  depthOf,
  END,
  featureIdOf,
  featureNameOf,
  layersOff,
  type PlannedLength,
  usualTool,
} from "./planned-length";

type Step = ProcedureDocument["steps"][number];
type Dimension = ProcedureDocument["dimensions"][number];
type Feature = ProcedureDocument["features"][number];

/** What a draft is and what it is for, beside its lengths. */
export interface DraftBasis {
  readonly id: string;
  readonly name: string;
  readonly date: string;
  readonly appliesTo: ProcedureDocument["appliesTo"];
  readonly startsAt: ProcedureDocument["startsAt"];
}

/** Where each length lies behind the cable end, micrometres, by its id. */
function placesOf(lengths: readonly PlannedLength[]): ReadonlyMap<string, number> {
  const places = new Map<string, number>([[END, 0]]);
  for (const { id, from, nominal, side } of lengths)
    places.set(id, (places.get(from) ?? 0) + (side === "front" ? -nominal : nominal));
  return places;
}

/** One thing to do for a length: draw its place, or take off what ends there. */
interface Act {
  readonly length: PlannedLength;
  readonly part: "draw" | "off";
}

/**
 * What to do in an order that works: strips from the outermost layer and the rearmost edge inwards, each drawn before it
 * is taken off; each mark when the surface it lies on is bare, after what it is laid off from is drawn.
 */
function inOrderOfWork(lengths: readonly PlannedLength[]): Act[] {
  const places = placesOf(lengths);
  const at = ({ id }: PlannedLength) => places.get(id) ?? 0;
  const depth = (length: PlannedLength) => Math.min(...layersOff(length, lengths).map(depthOf));
  const strips = lengths
    .filter(({ makes }) => makes !== "mark" && makes !== "cleave")
    .sort((a, b) => depth(a) - depth(b) || at(b) - at(a));
  const marks = lengths.filter(({ makes }) => makes === "mark");
  const acts: Act[] = [];
  const isDrawn = (length: PlannedLength) => acts.some((act) => act.length === length && act.part === "draw");
  const draw = (length: PlannedLength): void => {
    if (isDrawn(length)) return;
    const datum = lengths.find(({ id, makes }) => id === length.from && makes !== "cleave");
    if (datum) draw(datum);
    acts.push({ length, part: "draw" });
  };
  strips.forEach((strip, i) => {
    draw(strip);
    const before = strips[i - 1];
    // Bare since the strip before, and not taken off by this one.
    for (const mark of marks) if (at(mark) > at(strip) && (!before || at(mark) <= at(before))) draw(mark);
    acts.push({ length: strip, part: "off" });
  });
  for (const mark of marks) draw(mark);
  return acts;
}

/** Whether a length is laid off from the cleaved end, by itself or through others. */
const isFromCleave = ({ from }: PlannedLength, lengths: readonly PlannedLength[]): boolean => {
  const datum = lengths.find(({ id }) => id === from);
  return datum !== undefined && (datum.makes === "cleave" || isFromCleave(datum, lengths));
};

/**
 * The procedure planned lengths come to, in the order they are given: features, dimensions, and steps in an order that
 * works. What lies outside comes off before what lies inside it, nothing is drawn on wiped glass, and what is measured
 * from the cable end is measured before a cleave takes that end away.
 * @example assembled([], basis, kit).steps.length // 3
 */
export function assembled(
  lengths: readonly PlannedLength[],
  { id, name, date, appliesTo, startsAt }: DraftBasis,
  kit: DraftKit,
): ProcedureDocument {
  const featureOf = (wanted: string) => {
    const plannedLength = lengths.find((length) => length.id === wanted);
    return plannedLength ? featureIdOf(plannedLength) : END;
  };
  return {
    id,
    revision: 1,
    source: { kind: "own", note: kit.note, date },
    name,
    family: "own",
    about: "",
    appliesTo,
    startsAt,
    parts: [],
    features: [
      { id: END, name: "cable end", kind: "end" },
      ...lengths.map((length) => featureOfLength(length, lengths)),
    ],
    dimensions: lengths.map((length) => dimensionOf(length, featureOf(length.from))),
    steps: stepsOf(lengths, kit),
    squareUp: kit.squareUp,
    retries: [{ id: "again", ...kit.retry }],
  };
}

/** The feature a length ends at. */
export const featureOfLength = (
  length: PlannedLength,
  all: readonly Pick<PlannedLength, "makes">[],
): Feature => ({
  id: featureIdOf(length),
  name: featureNameOf(length),
  kind: length.makes === "cleave" ? "end" : length.makes === "mark" ? "mark" : "edge",
  ends: length.makes === "cleave" ? ["glass"] : layersOff(length, all),
});

/** The dimension of a length, laid off from a feature. */
export function dimensionOf(length: PlannedLength, datum: string, feature = featureIdOf(length)): Dimension {
  const { id, name, side, nominal, plus, minus, makes } = length;
  const [from, to] = side === "front" ? [feature, datum] : [datum, feature];
  return {
    id,
    name,
    from,
    to,
    nominal: nominal / 1000,
    plus: plus === null ? null : plus / 1000,
    minus: minus === null ? null : minus / 1000,
    after: makes === "mark" ? `mark-${id}` : `make-${id}`,
  };
}

function stepsOf(lengths: readonly PlannedLength[], kit: DraftKit): Step[] {
  const cleaves = lengths.filter(({ makes }) => makes === "cleave");
  // The cable end goes with the cleave: what is laid off from it is measured while it is there.
  const early =
    cleaves.length > 0 ? lengths.filter(({ makes, from }) => makes !== "cleave" && from === END) : [];
  const late = lengths.filter((length) => !early.includes(length) && !isFromGoneEnd(length));
  const marksAfter = lengths.filter((length) => length.makes === "mark" && isFromCleave(length, lengths));
  const bares = lengths.some((length) => layersOff(length, lengths).includes("coating"));
  const measure = (id: string, words: DraftKit["measure"], checks: readonly PlannedLength[]): Step[] =>
    checks.length > 0 ? [{ id, kind: "measure", ...words, checks: checks.map((length) => length.id) }] : [];
  return [
    { id: "thread", kind: "thread", ...kit.thread },
    ...inOrderOfWork(lengths.filter((length) => !marksAfter.includes(length))).map(({ length, part }) =>
      part === "draw" ? markStep(length, kit) : stripStep(length, lengths, kit),
    ),
    ...measure("measure-first", kit.measureFirst, early),
    ...(bares ? [{ id: "clean", kind: "clean" as const, ...kit.wipe }] : []),
    ...cleaves.map((length) => cleaveStep(length, END, kit)),
    ...marksAfter.map((length) => markStep(length, kit)),
    ...measure("measure", kit.measure, late),
    { id: "cap", kind: "cap", ...kit.finish },
    { id: "shards", kind: "dispose", ...kit.dispose },
  ];
}

/** A cleave laid off from the cable end takes that end away: nothing is left to measure it from. */
export const isFromGoneEnd = ({ makes, from }: Pick<PlannedLength, "makes" | "from">): boolean =>
  makes === "cleave" && from === END;

export const markStep = (length: PlannedLength, kit: DraftKit, makes = featureIdOf(length)): Step => ({
  id: `mark-${length.id}`,
  kind: "mark",
  ...named(kit.mark, length.name),
  makes,
  by: length.id,
  tool: kit.tools.mark,
});

export function stripStep(
  length: PlannedLength,
  all: readonly Pick<PlannedLength, "makes">[],
  kit: DraftKit,
  to = featureIdOf(length),
): Step {
  const layers = layersOff(length, all);
  const tool = length.tool ?? usualTool(length.makes, kit);
  return {
    id: `make-${length.id}`,
    kind: "remove",
    ...named(layers.includes("coating") ? kit.bare : kit.take, length.name),
    layers,
    to,
    ...(tool === null ? {} : { tool }),
  };
}

/** @param replaces the end that the cleave takes away. */
export const cleaveStep = (
  length: PlannedLength,
  replaces: string,
  kit: DraftKit,
  makes = featureIdOf(length),
): Step => ({
  id: `make-${length.id}`,
  kind: "cleave",
  ...kit.cleave,
  makes,
  by: length.id,
  tool: kit.tools.cleave,
  replaces,
});
