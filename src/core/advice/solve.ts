import { type Dimension, statedLimits } from "../dimensions/dimension";
import { type Length, um } from "../length/length";
import { mustHoldIn } from "../problem/held";
import type { ReworkFeature, ReworkInput } from "../rework/problem";
import { type Rework, rework } from "../rework/rework";
import { type LeastProblem, NICK, PLANNED } from "./problem";

/** Where everything comes to lie, cuts and marks, by one of the two ways. */
export interface Placing {
  /** Cuts made again. */
  readonly moved: readonly string[];
  readonly places: Readonly<Record<string, Length>>;
  readonly cableLost: Length;
}

type Solved =
  | {
      readonly possible: true;
      readonly least: Placing;
      readonly recommended: Placing & { readonly margin: number };
    }
  | Extract<Rework, { possible: false }>;

/** A length that is left as it is while neither of its ends is made again, even where it does not hold. */
function leftAlone(dimension: Dimension, places: LeastProblem["places"]): Dimension {
  const [from, to] = [places.get(dimension.from), places.get(dimension.to)];
  if (from === undefined || to === undefined) return dimension;
  const off = to - from - dimension.nominal;
  return {
    ...dimension,
    plus: dimension.plus === null ? null : um(Math.max(dimension.plus, off)),
    minus: dimension.minus === null ? null : um(Math.max(dimension.minus, -off)),
  };
}

/** The problem with what is left alone loosened, and what follows from a moved edge forced. */
function inputFor(problem: LeastProblem, moved: ReadonlySet<string>): ReworkInput {
  const { features, dimensions, binding, follows, forced, cable, places } = problem;
  const follow = follows
    .filter(([edge, end]) => moved.has(edge) && isCut(problem, end))
    .map(([, end]) => end);
  return {
    features: [...features],
    dimensions: dimensions.map((dimension) =>
      binding.has(dimension.id) || moved.has(dimension.from) || moved.has(dimension.to)
        ? dimension
        : leftAlone(dimension, places),
    ),
    forced: [...new Set([...forced, ...follow])],
    cable,
  };
}

const isCut = ({ features }: LeastProblem, name: string): boolean =>
  features.some((feature) => feature.name === name && feature.kind === "cut");

/**
 * The least that must be made again. What only has to hold once its ends move, and the cleave that follows a moved
 * coating, each ask for more as more moves; the moved set grows from nothing until it asks for no more, so it is the
 * smallest that holds, and within it every place the least.
 */
export function leastMoves(problem: LeastProblem): Solved {
  const least = fixpoint(problem, []);
  if (!least.result.possible) return least.result;
  return {
    possible: true,
    least: leastPlacing(problem, least.input, least.result),
    recommended: recommendedPlacing(problem, roomier(problem, { ...least, result: least.result })),
  };
}

interface Fixed<Found extends Rework = Rework> {
  readonly input: ReworkInput;
  readonly result: Found;
}
type Possible = Extract<Rework, { possible: true }>;

function fixpoint(problem: LeastProblem, also: readonly string[]): Fixed {
  let moved: ReadonlySet<string> = new Set();
  for (;;) {
    const plain = inputFor(problem, moved);
    const input = { ...plain, forced: [...new Set([...plain.forced, ...also])] };
    const reworked = rework(input);
    if (!reworked.possible) return { input, result: reworked };
    const grown = new Set([...moved, ...reworked.moved]);
    if (grown.size === moved.size) return { input, result: reworked };
    moved = grown;
  }
}

/** Share of the limits' half-width under which a way is too tight to be worked to by hand. */
const TIGHT = 0.25;

/**
 * Where the least set leaves no room, a neighbour is cut again too: whichever gives the most room, one after the other
 * until there is enough. Glass that may stay is never cut for this.
 */
function roomier(problem: LeastProblem, start: Fixed<Possible>): Fixed<Possible> {
  let best = start;
  const also: string[] = [];
  while (best.result.recommended.margin < TIGHT) {
    const { moved } = best.result;
    const tries = problem.features
      .filter(({ name, kind }) => kind === "cut" && !moved.includes(name) && !isGlass(problem, name))
      .filter(({ name }) =>
        problem.dimensions.some(
          ({ from, to }) => (from === name && moved.includes(to)) || (to === name && moved.includes(from)),
        ),
      )
      .flatMap(({ name }) => {
        const tried = fixpoint(problem, [...also, name]);
        return tried.result.possible ? [{ name, fixed: { input: tried.input, result: tried.result } }] : [];
      })
      .filter(
        ({ fixed }) => !fixed.result.moved.some((name) => isGlass(problem, name) && !moved.includes(name)),
      );
    const [top] = tries.sort((a, b) => b.fixed.result.recommended.margin - a.fixed.result.recommended.margin);
    if (!top || top.fixed.result.recommended.margin <= best.result.recommended.margin + 0.05) break;
    also.push(top.name);
    best = top.fixed;
  }
  return best;
}

const isGlass = ({ glass }: LeastProblem, name: string): boolean => glass.includes(name);

function leastPlacing(problem: LeastProblem, input: ReworkInput, reworked: Possible): Placing {
  const held: ReworkInput = {
    ...input,
    forced: [],
    features: input.features.map((feature) =>
      feature.kind === "mark"
        ? feature
        : { name: feature.name, kind: "fixed", at: mustHoldIn(reworked.least, feature.name) },
    ),
  };
  // With the cuts held at their least, the marks go in the middle of what that leaves them.
  const about = rework(held);
  const marks = about.possible ? about.recommended.positions : {};
  const places = marksKept(problem, input.dimensions, {
    ...marks,
    ...reworked.least,
    ...onlyMarks(problem, marks),
  });
  return { moved: reworked.moved, places: without(places), cableLost: reworked.cableLost };
}

function recommendedPlacing(
  problem: LeastProblem,
  { input, result: reworked }: Fixed<Possible>,
): Placing & { readonly margin: number } {
  const eased = easeToTenths(problem, input, new Set(reworked.moved), reworked.recommended.positions);
  const places = marksKept(problem, input.dimensions, eased);
  const cableLost = um((places[problem.cable] ?? 0) - (problem.places.get(problem.cable) ?? 0));
  return { moved: reworked.moved, places: without(places), cableLost, margin: reworked.recommended.margin };
}

const onlyMarks = ({ features }: LeastProblem, places: Readonly<Record<string, Length>>) =>
  Object.fromEntries(
    features.flatMap(({ name, kind }) =>
      kind === "mark" && places[name] !== undefined ? [[name, mustHoldIn(places, name)]] : [],
    ),
  );

const without = ({ [NICK]: _nick, [PLANNED]: _planned, ...places }: Readonly<Record<string, Length>>) =>
  places;

/** Whether every limit holds at these places. */
const holdsAt = (dimensions: readonly Dimension[], places: Readonly<Record<string, Length>>): boolean =>
  dimensions.every((dimension) => {
    const [from, to] = [places[dimension.from], places[dimension.to]];
    if (from === undefined || to === undefined) return true;
    const { min, max } = statedLimits(dimension);
    return to - from >= min && to - from <= max;
  });

/** A mark stays where it is drawn while that is within its limits and on something that is still there. */
function marksKept(
  { features, places: now, dimensions }: LeastProblem,
  held: readonly Dimension[],
  places: Readonly<Record<string, Length>>,
): Readonly<Record<string, Length>> {
  let saved = places;
  for (const { name, kind } of features) {
    const was = now.get(name);
    if (kind !== "mark" || was === undefined) continue;
    const tried = { ...saved, [name]: was };
    const own = held.filter(({ from, to }) => from === name || to === name);
    const datums = dimensions
      .filter(({ from, to, nominal }) => to === name && nominal > 0 && from !== name)
      .map(({ from }) => saved[from] ?? Number.NEGATIVE_INFINITY);
    if (holdsAt(own, tried) && datums.every((at) => at <= was)) saved = tried;
  }
  return saved;
}

const TENTH = 100;

/** Moved cuts and free marks to the nearest tenth of what they are laid off by, where every limit and bite still holds. */
function easeToTenths(
  problem: LeastProblem,
  input: ReworkInput,
  moved: ReadonlySet<string>,
  positions: Readonly<Record<string, Length>>,
): Readonly<Record<string, Length>> {
  let eased = positions;
  const turn = (each: ReworkFeature) => (each.kind === "mark" ? 2 : isFollower(problem, each.name) ? 1 : 0);
  const inTurn = [...input.features].sort((a, b) => turn(a) - turn(b));
  // Twice: what one neighbour forbade the first time may be free once that lies on a tenth itself.
  for (const feature of [...inTurn, ...inTurn]) {
    const at = eased[feature.name];
    if (at === undefined || feature.kind === "fixed" || (feature.kind === "cut" && !moved.has(feature.name)))
      continue;
    const from =
      feature.kind === "cut" && !isFollower(problem, feature.name)
        ? feature.at
        : datumOf(problem, eased, feature.name);
    const least = feature.kind === "cut" ? feature.at + feature.bite : Number.NEGATIVE_INFINITY;
    const nearest = Math.round((at - from) / TENTH) * TENTH;
    for (const by of [nearest, nearest + TENTH, nearest - TENTH]) {
      const tried = { ...eased, [feature.name]: um(from + by) };
      if (from + by < least || Math.abs(from + by - at) > TENTH || !holdsAt(input.dimensions, tried))
        continue;
      eased = tried;
      break;
    }
  }
  return eased;
}

const isFollower = ({ follows }: LeastProblem, name: string): boolean =>
  follows.some(([, end]) => end === name);

/** What a mark or a cleave is laid off from: the other end of its first length whose place is known. */
function datumOf(
  { dimensions, order }: LeastProblem,
  places: Readonly<Record<string, Length>>,
  name: string,
): number {
  const own = dimensions.find(({ id, from, to }) => !order.has(id) && (from === name || to === name));
  return own ? (places[own.from === name ? own.to : own.from] ?? 0) : 0;
}
