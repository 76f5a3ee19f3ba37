import { undecidedOf } from "../bench/undecided";
import { type Violation, violationText } from "../bench/violation";
import { walk, walkWithWays } from "../bench/walk";
import type { Cable } from "../cable/cable";
import { attempt } from "../problem/attempt";
import { check } from "../problem/check";
import { mustHoldAt } from "../problem/held";
import type { Problem } from "../problem/problem";
import { misfits } from "../procedure/fit";
import { type Procedure, type ProcedureDocument, withDefaults, zProcedure } from "../procedure/procedure";
import { checksOf, madeBy } from "../procedure/step";
import type { Tool } from "../procedure/tool";
import { compileRunSheet } from "../runsheet/compile";
import type { RunSheet } from "../runsheet/document";
import { figuresFor } from "../runsheet/stated";
import { type Advice, adviceOn } from "./advice";
import type { Contradiction } from "./contradictions";
import { type FirstLook, firstLook } from "./first-look";
import { nestingOf } from "./nesting";
import { type Chosen, chosenPlacements, type Placement, placedOf, usualLayouts } from "./placements";
import { strainAdvice, strainsOf } from "./strains";
import { toolingAdvice } from "./tooling";

/** A document being edited: whether it can be read, what contradicts, what a colleague would ask, and its sheet. */
export interface Review {
  readonly procedure: Procedure | null;
  /** The first thing that is wrong with it, contradictions apart. */
  readonly problem: Problem | null;
  readonly contradictions: readonly Contradiction[];
  readonly advice: readonly Advice[];
  /** Cables it goes on, and the one it is drawn on. */
  readonly fitting: readonly Cable[];
  readonly on: Cable | null;
  /** Drawn on the cable asked for, with that cable's first fitting core and every default. */
  readonly sheet: RunSheet | null;
  /** Of each length with other figures, which of them that cable is worked to; null for its own figure. */
  readonly cases: Readonly<Record<string, number | null>>;
}

const NOTHING: Review = {
  procedure: null,
  problem: null,
  contradictions: [],
  advice: [],
  fitting: [],
  on: null,
  sheet: null,
  cases: {},
};

/** Steps that cannot be done when they come, and remedies that make it worse, each with its place. */
const cannotBeDone = (placement: Placement, violations = walk(placement)): Contradiction[] =>
  violations.map((violation) => {
    const step = placement.steps.find(({ id }) => id === violation.step);
    const own = placement.placed.get((step && madeBy(step)) ?? "")?.own;
    const number = placement.procedure.steps.findIndex(({ id }) => id === violation.step) + 1;
    return {
      ids: violation.dimension ? [violation.dimension] : own ? [own.dimension.id] : [],
      shortBy: 0,
      message: violationText(violation),
      cable: placement.cable.name,
      source: violation.dimension ? "remedy" : "step",
      ...(number > 0 && { number }),
      features: placesOf(violation, placement),
    };
  });

/** Where a violation is seen on the cable: the ends of its length, what its step makes or reads, or what was made last. */
function placesOf({ step, dimension }: Violation, { steps, dimensions, placed }: Placement): string[] {
  const endsOf = (id: string): string[] => {
    const length = dimensions.find((dimension) => dimension.id === id);
    return length ? [length.from, length.to] : [];
  };
  if (dimension) return endsOf(dimension);
  const upTo = steps.slice(0, steps.findIndex(({ id }) => id === step) + 1).reverse();
  const shown = upTo.map((step) => {
    const madeFeature = madeBy(step);
    return [...(madeFeature ? [madeFeature] : []), ...checksOf(step).flatMap(endsOf)].filter((id) =>
      placed.has(id),
    );
  });
  return shown.find((features) => features.length > 0) ?? [];
}

/** What the walk of a sheet goes by, as a text: alike for sheets that are walked alike. */
const asWalked = ({ steps, dimensions, parts, picked }: Placement): string =>
  JSON.stringify([
    steps.map(({ id, setting }) => [id, setting?.kind === "film" ? setting.grain : null]),
    dimensions.map(({ id, caseIndex }) => [id, caseIndex]),
    parts.map(({ id }) => id),
    picked.choices["bend-screen"] ?? null,
  ]);

/** The same with an option picked, or why it cannot be laid out at all. */
const cannotBeChosen = (chosen: Chosen, ids: ReadonlySet<string>): Contradiction[] =>
  "placement" in chosen
    ? cannotBeDone(chosen.placement, walkWithWays(chosen.placement, ids))
    : [{ ids: [], shortBy: 0, message: chosen.problem.message, cable: chosen.cable.name }];

/** The same advice from several cables said once. */
const once = (all: readonly Advice[]): Advice[] => [
  ...new Map(all.map((advice) => [`${advice.id} ${advice.message}`, advice])).values(),
];

/**
 * Reviews a document as it stands, after every key: nothing is thrown, whatever it holds.
 * @example review(stubWritten, { cables, tools }, null).contradictions // []
 */
export const review = (document: ProcedureDocument, shelf: Shelf, wanted: string | null): Review =>
  secondLook(firstLook(document, shelf.cables), shelf, wanted);

interface Shelf {
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
}

/**
 * All there is to say of a document, from what was seen of it first.
 * @param wanted id of the cable to draw it on; without one, or where it does not fit, the first that does.
 * @example secondLook(firstLooks(cables)(stubWritten), { cables, tools }, null).contradictions // []
 */
export function secondLook(
  { document, contradictions: chains }: FirstLook,
  { cables, tools }: Shelf,
  wanted: string | null,
): Review {
  const read = attempt(() => check(zProcedure, document));
  const procedure = read.value;
  if (!procedure) return { ...NOTHING, problem: read.problem };
  const fitting = cables.filter((cable) => misfits(procedure, cable).length === 0);
  const on = fitting.find(({ id }) => id === wanted) ?? fitting[0] ?? null;
  const layouts = usualLayouts(procedure, cables, tools);
  const placements = layouts.flatMap(placedOf);
  const chosen = fitting[0] ? chosenPlacements(procedure, fitting[0], tools) : [];
  const ids = new Set(placements[0]?.steps.map(({ id }) => id));
  // An option that changes nothing the bench model sees is walked with another: a wipe more, a finer alcohol.
  const distinct = [
    ...new Map(
      chosen.map((chosen, i) => ["placement" in chosen ? asWalked(chosen.placement) : i, chosen]),
    ).values(),
  ];
  const contradictions = [
    ...chains,
    ...new Map(
      placements
        .flatMap(nestingOf)
        .concat(
          // Ways back are asked for on one cable: they go by steps and rules, not by diameters.
          placements.flatMap((placement, i) =>
            cannotBeDone(placement, i === 0 ? walkWithWays(placement) : walk(placement)),
          ),
          distinct.flatMap((other) => cannotBeChosen(other, ids)),
          layouts.flatMap((layout) => ("placement" in layout ? [] : cannotBeChosen(layout, ids))),
        )
        .map((contradiction) => [contradiction.message, contradiction]),
    ).values(),
  ];
  const advice = [
    ...adviceOn(procedure),
    ...undecidedOf(procedure),
    // While figures contradict one another, what feeds what says nothing.
    ...(contradictions.length > 0 ? [] : strainAdvice(placements.flatMap(strainsOf))),
    ...once(placements.flatMap((placement) => toolingAdvice(placement, tools))),
  ];
  const review = { procedure, contradictions, advice, fitting, on };
  if (!on) return { ...review, problem: null, sheet: null, cases: {} };
  const core = on.cores.find((core) => misfits(procedure, on, core).length === 0) ?? mustHoldAt(on.cores, 0);
  const drawn = attempt(() => compileRunSheet({ procedure, cable: on, core, choices: {}, tools }));
  const problem = drawn.problem?.code === "contradiction" ? null : drawn.problem;
  const cases = Object.fromEntries(
    figuresFor(procedure, on, { core, choices: withDefaults(procedure, {}) }).map((figure) => [
      figure.id,
      figure.caseIndex,
    ]),
  );
  return { ...review, problem, sheet: drawn.value, cases };
}
