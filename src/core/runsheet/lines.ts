import type { LayerKind } from "../cable/cable";
import { statedLimits } from "../dimensions/dimension";
import { type Limit, limitBetween } from "../dimensions/dimensions";
import { type Length, um } from "../length/length";
import type { ProcedurePart } from "../procedure/procedure";
import { remedyText } from "../procedure/remedy-text";
import { type Bites, checksOf, madeBy, type Step } from "../procedure/step";
import type { BiteCount, Check, Figure, Line, SheetLimit } from "./document";
import { fromDatum, type Placed, placedAt } from "./placing";
import type { Resolved } from "./resolved";
import type { Stated } from "./stated";

interface LinesInput extends Pick<Resolved, "procedure" | "cable" | "steps" | "parts" | "dimensions"> {
  readonly placed: ReadonlyMap<string, Placed>;
  readonly limits: readonly Limit[];
}

/** One line a step, in the order of work. */
export function compileLines(input: LinesInput): Line[] {
  const bared = new Map<LayerKind, Length>();
  const madeSoFar: string[] = [];
  return input.steps.map((step, index) => {
    const figure = figureOf(input, step, madeSoFar);
    if (figure && !madeSoFar.includes(figure.feature)) madeSoFar.push(figure.feature);
    const bares = baresOf(input, step);
    const bites = bitesOf(input, step, bared);
    for (const { layer, edge } of bares) bared.set(layer, placedAt(input.placed, edge).position);
    return {
      index,
      step,
      figure,
      bites,
      parts: step.kind === "thread" ? partsAt(input, step) : [],
      checks: stepChecks(input, step),
      bares,
    };
  });
}

/** The parts that go on at a thread step: those it names, or all that no other step names. */
function partsAt(
  { steps, parts }: LinesInput,
  step: Extract<Step, { kind: "thread" }>,
): readonly ProcedurePart[] {
  if (step.parts) return step.parts.flatMap((id) => parts.find((part) => part.id === id) ?? []);
  const elsewhere = steps.flatMap((eachStep) =>
    eachStep.kind === "thread" && eachStep !== step ? (eachStep.parts ?? []) : [],
  );
  return parts.filter(({ id }) => !elsewhere.includes(id));
}

function figureOf(
  { procedure, placed }: LinesInput,
  step: Step,
  madeSoFar: readonly string[],
): Figure | null {
  const madeFeature = madeBy(step);
  const at = madeFeature === null ? undefined : placed.get(madeFeature);
  if (!at?.own) return null;
  const { datum, distance, dimension } = at.own;
  const { plus, minus } = fromDatum(
    dimension,
    dimension.from === at.feature.id ? dimension.to : dimension.from,
  );
  const before = madeSoFar.filter((feature) => feature !== madeFeature).at(-1);
  const root = procedure.features[0]?.id;
  return {
    feature: at.feature.id,
    fromEnd: at.position,
    own: { datum, distance, plus, minus },
    representative: dimension.representative,
    ...(dimension.confirmation && { confirmation: dimension.confirmation }),
    previous:
      before === undefined
        ? null
        : { feature: before, distance: um(at.position - placedAt(placed, before).position) },
    workFromOwn: datum !== root && (at.feature.kind === "end" || dimension.workFrom !== undefined),
  };
}

function baresOf({ placed }: LinesInput, step: Step): Line["bares"] {
  if (step.kind === "remove") return step.layers.map((layer) => ({ layer, edge: step.to }));
  if (step.kind !== "trim" && step.kind !== "cleave") return [];
  return (placed.get(step.makes)?.feature.ends ?? []).map((layer) => ({ layer, edge: step.makes }));
}

function bitesOf(
  { placed }: LinesInput,
  step: Step,
  bared: ReadonlyMap<LayerKind, Length>,
): BiteCount | null {
  if (step.kind !== "remove" || !step.bites) return null;
  const starts = step.layers.map((layer) => bared.get(layer) ?? 0);
  const length = um(placedAt(placed, step.to).position - Math.min(...starts));
  return countBites(length, step.bites);
}

/**
 * How many bites take a length off: as few as the longest bite allows, all alike; or the sections asked for.
 * @example countBites(mm(40), { most: mm(6.35) }) // { length: 40000, count: 7, countMost: 7, each: 5714 }
 */
export function countBites(length: Length, bites: Bites): BiteCount {
  const count = "most" in bites ? Math.max(1, Math.ceil(length / bites.most)) : bites.sections.min;
  const countMost = "most" in bites ? count : bites.sections.max;
  return { length, count, countMost, each: um(Math.round(length / count)) };
}

function stepChecks({ procedure, cable, dimensions, placed, limits }: LinesInput, step: Step): Check[] {
  return checksOf(step).flatMap((id) => {
    const dimension = dimensions.find((dimension) => dimension.id === id);
    if (!dimension) return [];
    const { ifLong, ifShort, fromStart, joint, gap, representative, confirmation } = dimension;
    const limit = limitOf(dimension, placed, limits);
    return cable.legs.map((leg) => ({
      ...limit,
      id: leg ? `${id}/${leg}` : id,
      leg,
      step: step.id,
      representative,
      ...(confirmation && { confirmation }),
      ifLong: remedyText(ifLong, procedure.features),
      ifShort: remedyText(ifShort, procedure.features),
      fromStart,
      ...(joint && cable.legs.length === 2 ? { joint } : {}),
      ...(gap && { gap }),
    }));
  });
}

/** What a stated length must be: a side it leaves open is closed by what the others make of it. */
export function limitOf(
  dimension: Stated,
  placed: ReadonlyMap<string, Placed>,
  limits: readonly Limit[],
): SheetLimit {
  const { id, from, to, name } = dimension;
  const stated = statedLimits(dimension);
  const closed = limitBetween(limits, from, to);
  return {
    dimension: id,
    name,
    from,
    to,
    nominal: um(placedAt(placed, to).position - placedAt(placed, from).position),
    min: Number.isFinite(stated.min) ? um(stated.min) : (closed?.min ?? null),
    max: Number.isFinite(stated.max) ? um(stated.max) : (closed?.max ?? null),
    ...(dimension.stop && { stop: dimension.stop }),
  };
}
