import type { StripMark } from "./strip";

/** A style on a gauge, by its name and its marks. */
interface GaugeStyle {
  readonly id: string;
  readonly marks: readonly Pick<StripMark, "at" | "name">[];
}

/** Two marks of different styles that lie so near that one may be read for the other. */
interface GaugeClash {
  readonly a: { readonly style: string; readonly name: string };
  readonly b: { readonly style: string; readonly name: string };
  /** The distance between the two marks, micrometres. */
  readonly apart: number;
}

/** A card has four edges to lay a cable against: two faces, two long sides. */
const GAUGE_EDGES = ["front top", "front bottom", "back top", "back bottom"] as const;
export type GaugeEdge = (typeof GAUGE_EDGES)[number];

interface Gauge {
  /** The edge each style has, in the order given; null where no way was found. */
  readonly edges: Readonly<Record<string, GaugeEdge>> | null;
  readonly clashes: readonly GaugeClash[];
}

/**
 * Puts several styles onto the edges of one gauge, so that no two whose marks clash share an edge; as few edges as can be.
 * Every way is tried (graph colouring with at most four colours); the first by the order of edges is taken.
 * @param error marks nearer than this are read for one another, micrometres.
 * @param most how many edges there are: 1 for a strip, 2 for one face, 4 for both.
 * @example gaugeEdges([{ id: "a", marks: [{ at: um(37_000), name: "edge" }] }, { id: "b", marks: [{ at: um(37_500), name: "edge" }] }], 1_500).edges
 * // { a: "front top", b: "front bottom" }
 */
export function gaugeEdges(
  styles: readonly GaugeStyle[],
  error: number,
  most: number = GAUGE_EDGES.length,
): Gauge {
  const clashes = styles.flatMap((a, i) => styles.slice(i + 1).flatMap((b) => clashesOf(a, b, error)));
  const apart = (a: string, b: string) =>
    clashes.some((clash) => [a, b].includes(clash.a.style) && [a, b].includes(clash.b.style));
  for (let count = 1; count <= Math.min(most, GAUGE_EDGES.length); count++) {
    const given = place(
      styles.map(({ id }) => id),
      [],
      count,
      apart,
    );
    if (given)
      return {
        edges: Object.fromEntries(
          styles.map(({ id }, i) => [id, GAUGE_EDGES[given[i] ?? 0] ?? GAUGE_EDGES[0]]),
        ),
        clashes,
      };
  }
  return { edges: null, clashes };
}

/** Edges for the styles that have none yet, after those given; null where there is no way. */
function place(
  ids: readonly string[],
  given: readonly number[],
  count: number,
  apart: (a: string, b: string) => boolean,
): readonly number[] | null {
  const next = ids[given.length];
  if (next === undefined) return given;
  for (let edge = 0; edge < count; edge++) {
    const isFree = given.every((other, i) => other !== edge || !apart(ids[i] ?? "", next));
    const all = isFree ? place(ids, [...given, edge], count, apart) : null;
    if (all) return all;
  }
  return null;
}

const clashesOf = (a: GaugeStyle, b: GaugeStyle, error: number): GaugeClash[] =>
  a.marks.flatMap((mark) =>
    b.marks
      .filter((other) => Math.abs(mark.at - other.at) < error && mark.at !== other.at)
      .map((other) => ({
        a: { style: a.id, name: mark.name },
        b: { style: b.id, name: other.name },
        apart: Math.abs(mark.at - other.at),
      })),
  );
