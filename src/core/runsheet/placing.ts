import type { Dimension } from "../dimensions/dimension";
import { formatMm } from "../length/format";
import { type Length, negate, um, ZERO } from "../length/length";
import { mustHold, mustHoldAt } from "../problem/held";
import { InputError } from "../problem/problem";
import type { Procedure, ProcedureFeature } from "../procedure/procedure";
import { madeBy, type Step } from "../procedure/step";
import type { Tool } from "../procedure/tool";
import type { StackInput } from "../stack/stack";
import { say } from "../words/core";
import type { Resolved } from "./resolved";
import type { Stated } from "./stated";

/** A feature where the procedure puts it: its nominal place, from what, and with which tools. */
export interface Placed {
  readonly feature: ProcedureFeature;
  /** Behind the cable end. */
  readonly position: Length;
  /** The dimension it is made by, and what it is laid off from; null for the cable end and for parts. */
  readonly own: {
    readonly datum: string;
    readonly distance: Length;
    readonly dimension: Stated;
  } | null;
  /** Each tool that moved it off its place, in order: the mark, then the cut. */
  readonly errors: readonly Length[];
  /** Index of the step that first places it, and of the step after which it is gone. */
  readonly from: number;
  readonly until: number;
  /** Of a part's face that something is laid off from: where it lies itself, and how far off its place it may. */
  readonly lies?: { readonly from: string; readonly nominal: Length; readonly error: Length };
}

/** A feature that was placed. @throws Error with its id: only what was placed is asked for. */
export function placedAt(placed: ReadonlyMap<string, Placed>, id: string): Placed {
  const placement = placed.get(id);
  if (!placement) throw new Error(`“${id}” is not placed on this cable`);
  return placement;
}

/** A dimension turned so that it starts at the given datum. */
export function fromDatum(
  dimension: Dimension,
  datum: string,
): { to: string; nominal: Length; plus: Length | null; minus: Length | null } {
  const { from, to, nominal, plus, minus } = dimension;
  return from === datum
    ? { to, nominal, plus, minus }
    : { to: from, nominal: negate(nominal), plus: minus, minus: plus };
}

/**
 * Places every feature by walking the steps in order.
 * @throws InputError when a datum is not there yet, or a tool is not known.
 */
export function placeFeatures(
  { procedure, steps, dimensions }: Pick<Resolved, "procedure" | "steps" | "dimensions">,
  shelf: readonly Tool[],
): Map<string, Placed> {
  const tools = new Map(shelf.map((tool) => [tool.id, tool]));
  const featureOf = new Map(procedure.features.map((feature) => [feature.id, feature]));
  const root = mustHoldAt(procedure.features, 0);
  const placed = new Map<string, Placed>([
    [
      root.id,
      { feature: root, position: ZERO, own: null, errors: [], from: -1, until: Number.POSITIVE_INFINITY },
    ],
  ]);
  steps.forEach((step, index) => {
    const makes = madeBy(step);
    if (makes === null) return;
    const error = toolError(step, tools);
    const before = placed.get(makes);
    if (!before) placeDatum(step, index, { steps, dimensions }, featureOf, placed);
    if (before)
      placed.set(makes, { ...before, errors: error === null ? before.errors : [...before.errors, error] });
    else placed.set(makes, place(mustHold(featureOf, makes), step, index, error, dimensions, placed));
    if ("replaces" in step && step.replaces !== undefined) {
      const gone = placed.get(step.replaces);
      if (gone) placed.set(step.replaces, { ...gone, until: index });
    }
  });
  placeParts(procedure, dimensions, steps, placed);
  return placed;
}

function toolError(step: Step, tools: ReadonlyMap<string, Tool>): Length | null {
  if (!("tool" in step) || step.tool === undefined) return null;
  const tool = tools.get(step.tool);
  if (!tool)
    throw new InputError(
      "unknown-tool",
      say("step-uses-a-tool-that-is-not", { step: step.title, tool: step.tool }),
      ["steps", step.id, "tool"],
    );
  return tool.error;
}

function place(
  feature: ProcedureFeature,
  step: Step,
  index: number,
  error: Length | null,
  dimensions: readonly Stated[],
  placed: ReadonlyMap<string, Placed>,
): Placed {
  const by = "by" in step ? step.by : undefined;
  const dimension = dimensions.find((dimension) => dimension.id === by);
  if (!dimension)
    throw new InputError("no-figure", say("step-has-no-figure-that-applies-to", { step: step.title }), [
      "steps",
      step.id,
      "by",
    ]);
  const datum = dimension.from === feature.id ? dimension.to : dimension.from;
  const at = placed.get(datum);
  if (!at)
    throw new InputError(
      "no-datum",
      say("step-measures-from-the-which-is-not", { step: step.title, datum }),
      ["steps", step.id, "by"],
    );
  const position = um(at.position + fromDatum(dimension, datum).nominal);
  if (position < 0)
    throw new InputError(
      "off-cable",
      say("the-would-lie-mm-in-front-of", { feature: feature.name, length: formatMm(-position) }),
      ["dimensions", dimension.id, "nominal"],
    );
  const worked = dimension.workFrom === undefined ? undefined : placed.get(dimension.workFrom);
  const from = worked && worked.feature.id !== feature.id ? worked : at;
  return {
    feature,
    position,
    own: { datum: from.feature.id, distance: um(position - from.position), dimension },
    errors: error === null ? [] : [error],
    from: index,
    until: Number.POSITIVE_INFINITY,
  };
}

/** A part's face is where its dimension to the prepared end puts it. */
function placeParts(
  procedure: Procedure,
  dimensions: readonly Stated[],
  steps: readonly Step[],
  placed: Map<string, Placed>,
): void {
  for (const feature of procedure.features.filter(({ kind, id }) => kind === "part" && !placed.has(id)))
    placePart(feature, dimensions, placed, ({ after }) => steps.findIndex(({ id }) => id === after));
}

/**
 * @param from the step it is there from, by the dimension that puts it there.
 * @param datum whether something is laid off from it, so that its own error counts.
 */
function placePart(
  feature: ProcedureFeature,
  dimensions: readonly Stated[],
  placed: Map<string, Placed>,
  from: (dimension: Stated) => number,
  isDatum = false,
): void {
  const dimension = dimensions.find(
    ({ from, to }) => (from === feature.id && placed.has(to)) || (to === feature.id && placed.has(from)),
  );
  if (!dimension) return;
  const datum = dimension.from === feature.id ? dimension.to : dimension.from;
  const { nominal, plus, minus } = fromDatum(dimension, datum);
  const position = um(placedAt(placed, datum).position + nominal);
  placed.set(feature.id, {
    feature,
    position,
    own: null,
    errors: [],
    from: from(dimension),
    until: Number.POSITIVE_INFINITY,
    ...(isDatum && {
      lies: { from: datum, nominal, error: um(Math.max(plus ?? 0, minus ?? 0)) },
    }),
  });
}

/** A part's face that a step's length is laid off from is there by then: a tube's rear end, the bottom of a comb. */
function placeDatum(
  step: Step,
  index: number,
  { steps, dimensions }: Pick<Resolved, "steps" | "dimensions">,
  featureOf: ReadonlyMap<string, ProcedureFeature>,
  placed: Map<string, Placed>,
): void {
  const by = "by" in step ? step.by : undefined;
  const dimension = dimensions.find(({ id }) => id === by);
  /** A holder's face is there once the holder is closed; what is only read later is there when it is laid off from. */
  const thereFrom = (after: string): number => {
    const at = steps.findIndex(({ id }) => id === after);
    return at < 0 ? index : Math.min(at, index);
  };
  for (const id of dimension ? [dimension.from, dimension.to] : []) {
    const feature = featureOf.get(id);
    if (feature?.kind === "part" && id !== madeBy(step) && !placed.has(id))
      placePart(feature, dimensions, placed, ({ after }) => thereFrom(after), true);
  }
}

/** The placed features as a stack of errors: each tool that touches a feature adds its own. */
export function asStack(placed: ReadonlyMap<string, Placed>): StackInput["features"] {
  return [...placed.values()].flatMap(({ feature, own, errors, from, lies }): StackInput["features"] => {
    if (own === null && lies) return [{ name: feature.id, ...lies }];
    if (own === null) return from === -1 ? [{ name: feature.id }] : [];
    const [mark = ZERO, ...cuts] = errors;
    if (cuts.length === 0) return [{ name: feature.id, from: own.datum, nominal: own.distance, error: mark }];
    return [
      { name: `${feature.id} (mark)`, from: own.datum, nominal: own.distance, error: mark },
      {
        name: feature.id,
        from: `${feature.id} (mark)`,
        nominal: ZERO,
        error: um(cuts.reduce((sum, cut) => sum + cut, 0)),
      },
    ];
  });
}
