import type { Cable } from "../cable/cable";
import { closeLimits } from "../dimensions/dimensions";
import { dualUnitCheck } from "../length/dual-unit";
import { mm, um } from "../length/length";
import { InputError } from "../problem/problem";
import { holds } from "../procedure/condition";
import { misfits } from "../procedure/fit";
import { type Procedure, pickedNames, withDefaults } from "../procedure/procedure";
import { madeBy, type Step } from "../procedure/step";
import type { Tool } from "../procedure/tool";
import { say } from "../words/core";
import type { RunSheet, SheetFeature } from "./document";
import { compileLengths } from "./lengths";
import { compileLines, limitOf } from "./lines";
import { type Placed, placeFeatures } from "./placing";
import { resolved } from "./resolved";
import { spokenConflict } from "./spoken";
import type { Stated } from "./stated";

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
 * @example compileRunSheet({ procedure: stub, cable: cord, core: "9/125", choices: {}, tools }).lines[0].step.kind
 * // "thread"
 */
export function compileRunSheet({ procedure, cable, core, choices, tools }: CompileInput): RunSheet {
  refuseMisfit(procedure, cable, core);
  const picked = { core, choices: pickedChoices(procedure, cable, core, choices) };
  const compiled = resolved(procedure, cable, picked);
  const placed = placeFeatures(compiled, tools);
  const stated = compiled.dimensions.filter(({ from, to }) => placed.has(from) && placed.has(to));
  const limits = closedOrRefused(procedure, [...placed.keys()], stated);
  const lines = compileLines({ ...compiled, dimensions: stated, placed, limits });
  return {
    procedure: {
      id: procedure.id,
      revision: procedure.revision,
      name: procedure.name,
      family: procedure.family,
      representative: stated.some(({ representative }) => representative),
      source: procedure.source,
    },
    cable: { id: cable.id, revision: cable.revision, name: cable.name, legs: cable.legs },
    picked,
    as: pickedNames(procedure, picked.choices),
    layers: cable.layers.slice(
      Math.max(
        0,
        cable.layers.findIndex(({ kind }) => kind === procedure.startsAt),
      ),
    ),
    features: [...placed.values()].map((placed) => asFeature(placed, compiled.steps, tools)),
    lines,
    parts: compiled.parts,
    retries: compiled.retries,
    lengths: compileLengths(stated, placed, limits),
    limits: stated.map((dimension) => limitOf(dimension, placed, limits)),
    checks: lines.flatMap(({ checks }) => checks),
    uses: cableUsed(procedure, placed),
    disagreements: disagreements(stated),
  };
}

function refuseMisfit(procedure: Procedure, cable: Cable, core: string): void {
  const reasons = misfits(procedure, cable, core);
  if (!cable.cores.some((eachCore) => eachCore === core))
    throw new InputError(
      "unknown-core",
      say("comes-with-glass-not", { cable: cable.name, cores: cable.cores.join(" or "), core }),
      ["core"],
    );
  if (reasons.length > 0)
    throw new InputError(
      "does-not-fit",
      say("does-not-go-on", {
        procedure: procedure.name,
        cable: cable.name,
        reasons: reasons.map(({ message }) => message).join(" "),
      }),
      ["cable"],
    );
}

function pickedChoices(
  procedure: Procedure,
  cable: Cable,
  core: string,
  choices: Readonly<Record<string, string>>,
): Record<string, string> {
  const picked = withDefaults(procedure, choices);
  for (const [id, option] of Object.entries(choices)) {
    const choice = procedure.choices.find((choice) => choice.id === id);
    if (!choice)
      throw new InputError("unknown-choice", say("has-no-choice-called", { procedure: procedure.name, id }), [
        "choices",
        id,
      ]);
    const given = choice.options.find((eachOption) => eachOption.id === option);
    if (!given)
      throw new InputError(
        "unknown-option",
        say("is-not-one-of", {
          choice: choice.name,
          option,
          options: choice.options.map((option) => option.id).join(", "),
        }),
        ["choices", id],
      );
    if (!holds(given.when, cable, { core, choices: picked }))
      throw new InputError(
        "option-not-here",
        say("is-not-available-on-with", {
          choice: choice.name,
          given: given.name,
          cable: cable.name,
          core,
          why: given.why,
        }),
        ["choices", id],
      );
  }
  return picked;
}

function closedOrRefused(procedure: Procedure, features: readonly string[], dimensions: readonly Stated[]) {
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
  throw new InputError("contradiction", spokenConflict(procedure, dimensions, closed.conflict), [
    "dimensions",
    ...closed.conflict.ids,
  ]);
}

/** What a cut takes off at the least where neither tool nor sheet says: the end as it came, trimmed by snips. */
const USUAL_BITE = mm(1);

function asFeature(
  { feature, position, from, until }: Placed,
  steps: readonly Step[],
  tools: readonly Tool[],
): SheetFeature {
  const cutAt = steps.findIndex((step) => step.kind !== "mark" && madeBy(step) === feature.id);
  const cuts = steps.filter((step) => step.kind !== "mark" && madeBy(step) === feature.id);
  const bites = cuts.map((step) => {
    const tool = "tool" in step ? tools.find(({ id }) => id === step.tool) : undefined;
    return (step.kind === "cleave" ? tool?.scrap : undefined) ?? tool?.bite ?? USUAL_BITE;
  });
  return {
    id: feature.id,
    name: feature.name,
    kind: feature.kind,
    position,
    madeAt: from,
    goneAt: Number.isFinite(until) ? until : null,
    cutAt: cutAt < 0 ? null : cutAt,
    bite: um(bites.length > 0 ? Math.max(...bites) : USUAL_BITE),
    ends: feature.ends,
  };
}

function cableUsed(procedure: Procedure, placed: ReadonlyMap<string, Placed>): RunSheet["uses"] {
  const all = [...placed.values()];
  // A cable opened in the middle of its run goes on: none of it is taken up.
  if (procedure.features[0]?.kind === "mark") return { prepared: um(0), cutOff: um(0), retry: um(0) };
  const edges = all.filter(({ feature }) => feature.kind === "edge" || feature.kind === "end");
  const prepared = um(Math.max(0, ...edges.map(({ position }) => position)));
  const lastEnd = all.filter(({ feature, until }) => feature.kind === "end" && !Number.isFinite(until));
  const cutOff = um(Math.max(0, ...lastEnd.map(({ position }) => position)));
  return { prepared, cutOff, retry: um(prepared + procedure.squareUp) };
}

function disagreements(dimensions: readonly Stated[]): RunSheet["disagreements"] {
  return dimensions.flatMap(({ id, printed }) => {
    if (!printed) return [];
    const compared = dualUnitCheck(...printed);
    return compared.agree ? [] : [{ ...compared, dimension: id, printed }];
  });
}
