import type { Cable } from "../cable/cable";
import { closeLimits } from "../dimensions/dimensions";
import { dualUnitCheck } from "../length/dual-unit";
import { formatMm } from "../length/format";
import { um } from "../length/length";
import { InputError } from "../problem/problem";
import { holds, type Picked } from "../procedure/condition";
import { misfits } from "../procedure/fit";
import { type Procedure, type StatedDimension, withDefaults } from "../procedure/procedure";
import type { Tool } from "../procedure/tool";
import { compileLengths } from "./lengths";
import { compileLines } from "./lines";
import { type Placed, placeFeatures, spokenDimension } from "./placing";
import type { RunSheet, SheetFeature } from "./runsheet";

export interface CompileInput {
  readonly procedure: Procedure;
  readonly cable: Cable;
  readonly core: string;
  /** What was picked of the procedure's choices; the rest take their defaults. */
  readonly choices: Readonly<Record<string, string>>;
  readonly tools: readonly Tool[];
}

/**
 * Compiles a run sheet: every mark and cut said from the end, from the mark before and from its own datum;
 * bites, parts, lengths as they will measure with the limits that follow, the predicted stack-up, cable used.
 * @throws InputError when the pair does not go together, a choice is not known, or the limits contradict.
 */
export function compileRunSheet({ procedure, cable, core, choices, tools }: CompileInput): RunSheet {
  refuseMisfit(procedure, cable, core);
  const picked = { core, choices: pickedChoices(procedure, choices) };
  const steps = procedure.steps.filter((step) => holds(step.when, cable, picked));
  const dimensions = procedure.dimensions
    .filter((dimension) => holds(dimension.when, cable, picked))
    .map((dimension) => ({ ...dimension, ...figuresFor(dimension, cable, picked) }));
  const parts = procedure.parts.filter((part) => holds(part.when, cable, picked));
  const placed = placeFeatures(procedure, steps, dimensions, new Map(tools.map((tool) => [tool.id, tool])));
  const known = dimensions.filter(({ from, to }) => placed.has(from) && placed.has(to));
  const limits = closedOrRefused(procedure, [...placed.keys()], known);
  const lines = compileLines({ procedure, cable, steps, parts, dimensions: known, placed, limits });
  return {
    procedure: {
      id: procedure.id,
      revision: procedure.revision,
      name: procedure.name,
      family: procedure.family,
      representative: procedure.source.kind === "representative",
    },
    cable: { id: cable.id, revision: cable.revision, name: cable.name, legs: cable.legs },
    picked,
    layers: cable.layers.slice(
      Math.max(
        0,
        cable.layers.findIndex(({ kind }) => kind === procedure.startsAt),
      ),
    ),
    features: [...placed.values()].map(asFeature),
    lines,
    parts,
    lengths: compileLengths(known, placed, limits),
    checks: lines.flatMap(({ checks }) => checks),
    uses: cableUsed(procedure, placed),
    disagreements: disagreements(known),
  };
}

/** The figures of a dimension for this cable and what was picked. */
function figuresFor(dimension: StatedDimension, cable: Cable, picked: Picked) {
  const { nominal, plus, minus } =
    dimension.cases.find(({ when }) => holds(when, cable, picked)) ?? dimension;
  return { nominal, plus, minus };
}

function refuseMisfit(procedure: Procedure, cable: Cable, core: string): void {
  const reasons = misfits(procedure, cable, core);
  if (!cable.cores.some((one) => one === core))
    throw new InputError(
      "unknown-core",
      `${cable.name} comes with ${cable.cores.join(" or ")} glass, not ${core}.`,
      ["core"],
    );
  if (reasons.length > 0)
    throw new InputError(
      "does-not-fit",
      `${procedure.name} does not go on ${cable.name}. ${reasons.map(({ message }) => message).join(" ")}`,
      ["cable"],
    );
}

function pickedChoices(
  procedure: Procedure,
  choices: Readonly<Record<string, string>>,
): Record<string, string> {
  for (const [id, option] of Object.entries(choices)) {
    const choice = procedure.choices.find((one) => one.id === id);
    if (!choice)
      throw new InputError("unknown-choice", `${procedure.name} has no choice called “${id}”.`, [
        "choices",
        id,
      ]);
    if (!choice.options.some((one) => one.id === option))
      throw new InputError(
        "unknown-option",
        `${choice.name}: “${option}” is not one of ${choice.options.map((one) => one.id).join(", ")}.`,
        ["choices", id],
      );
  }
  return withDefaults(procedure, choices);
}

function closedOrRefused(
  procedure: Procedure,
  features: readonly string[],
  dimensions: readonly StatedDimension[],
) {
  const closed = closeLimits({
    features: [...features],
    dimensions: dimensions.map(({ id, from, to, nominal, plus, minus }) => ({
      id,
      from,
      to,
      nominal,
      plus,
      minus,
    })),
  });
  if (closed.consistent) return closed.limits;
  const said = closed.conflict.ids.map((id) =>
    spokenDimension(procedure, dimensions.find((one) => one.id === id) as StatedDimension),
  );
  throw new InputError(
    "contradiction",
    `These cannot all hold: ${said.join("; ")}. They are ${formatMm(closed.conflict.shortBy)} mm short of agreeing.`,
    ["dimensions", ...closed.conflict.ids],
  );
}

function asFeature({ feature, position, from, until }: Placed): SheetFeature {
  return {
    id: feature.id,
    name: feature.name,
    kind: feature.kind,
    position,
    madeAt: from,
    goneAt: Number.isFinite(until) ? until : null,
  };
}

function cableUsed(procedure: Procedure, placed: ReadonlyMap<string, Placed>): RunSheet["uses"] {
  const all = [...placed.values()];
  const edges = all.filter(({ feature }) => feature.kind === "edge" || feature.kind === "end");
  const prepared = um(Math.max(0, ...edges.map(({ position }) => position)));
  const lastEnd = all.filter(({ feature, until }) => feature.kind === "end" && !Number.isFinite(until));
  const cutOff = um(Math.max(0, ...lastEnd.map(({ position }) => position)));
  return { prepared, cutOff, retry: um(prepared + procedure.squareUp) };
}

function disagreements(dimensions: readonly StatedDimension[]): RunSheet["disagreements"] {
  return dimensions.flatMap(({ id, printed }) => {
    if (!printed) return [];
    const compared = dualUnitCheck(...printed);
    return compared.agree ? [] : [{ ...compared, dimension: id, printed }];
  });
}
