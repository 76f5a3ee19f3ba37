import { type Limit, limitBetween } from "../dimensions/dimensions";
import { type Length, um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import { type Stacked, stackErrors } from "../stack/stack";
import type { Prediction, SheetLength } from "./document";
import { asStack, type Placed, placedAt } from "./placing";
import type { Stated } from "./stated";

type Stage = SheetLength["stage"];

/**
 * Every length worth reading at each stage: stated ones, from the fibre end to each feature, and between
 * neighbours. Before the cleave the fibre end is the cable end; after it, the cleaved end.
 */
export function compileLengths(
  dimensions: readonly Stated[],
  placed: ReadonlyMap<string, Placed>,
  limits: readonly Limit[],
): SheetLength[] {
  const cleave = Math.min(...[...placed.values()].map(({ until }) => until));
  const stages: Stage[] = Number.isFinite(cleave) ? ["before-cleave", "prepared"] : ["prepared"];
  const features = asStack(placed);
  return stages.flatMap((stage) => {
    const there = [...placed.values()]
      .filter(({ from, until }) => (stage === "before-cleave" ? from < cleave : !Number.isFinite(until)))
      .sort((a, b) => a.position - b.position);
    return pairsOf(there, dimensions).map(([from, to]): SheetLength => {
      const stated = dimensions.find(
        (dimension) =>
          (dimension.from === from && dimension.to === to) ||
          (dimension.from === to && dimension.to === from),
      );
      const { min = null, max = null } = limitBetween(limits, from, to) ?? {};
      const near = placedAt(placed, from);
      const far = placedAt(placed, to);
      const isMade = [from, to].every((id) => features.some(({ name }) => name === id));
      const [stacked] = isMade ? stackErrors({ features, between: [{ from, to }] }).between : [];
      return {
        id: `${stage}:${from}>${to}`,
        name: stated?.name ?? `${near.feature.name} to ${far.feature.name}`,
        from,
        to,
        nominal: um(far.position - near.position),
        min,
        max,
        stage,
        stated: stated?.id ?? null,
        predicted: stacked ? predict(stacked, min, max) : null,
      };
    });
  });
}

function pairsOf(there: readonly Placed[], dimensions: readonly Stated[]): [string, string][] {
  const ends = there.filter(({ feature }) => feature.kind === "end");
  const edges = there.filter(({ feature }) => feature.kind !== "part");
  const pairs: [string, string][] = [];
  // Where two features share a place, the one placed first counts as nearer the fibre end.
  const add = (a: Placed, b: Placed) => {
    const [near, far] = there.indexOf(a) <= there.indexOf(b) ? [a, b] : [b, a];
    const pair: [string, string] = [near.feature.id, far.feature.id];
    if (near !== far && !pairs.some(([from, to]) => from === pair[0] && to === pair[1])) pairs.push(pair);
  };
  for (const end of ends) for (const other of edges) add(end, other);
  edges.slice(1).forEach((feature, i) => {
    add(mustHoldAt(edges, i), feature);
  });
  for (const { from, to } of dimensions) {
    const [a, b] = [from, to].map((id) => there.find(({ feature }) => feature.id === id));
    if (a && b) add(a, b);
  }
  return pairs;
}

function predict({ nominal, worst, rss }: Stacked, min: Length | null, max: Length | null): Prediction {
  const within = (error: number) =>
    (min === null || nominal - error >= min) && (max === null || nominal + error <= max);
  return { worst, rss, holds: within(worst) ? "worst" : within(rss) ? "rss" : "neither" };
}
