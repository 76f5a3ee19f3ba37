import type { Dimension } from "../dimensions/dimension";
import { type Length, um } from "../length/length";
import type { RunSheet, SheetFeature } from "../runsheet/document";

/** A length between two features by its limits. */
type Between = Pick<Dimension, "id" | "from" | "to" | "nominal"> & { min: Length | null; max: Length | null };

/**
 * Stated lengths between what is there; those that ran by a feature cut off since are carried over it
 * (Fourier–Motzkin: what two limits by one middle feature say of its neighbours).
 */
export function statedBetween({ limits }: RunSheet, present: readonly SheetFeature[]): Dimension[] {
  const there = new Set(present.map(({ id }) => id));
  let all: Between[] = limits.map(({ dimension, from, to, nominal, min, max, stop }) => ({
    id: dimension,
    from,
    to,
    nominal,
    min: stop ? nominal : min,
    max: stop ? nominal : max,
  }));
  const gone = [...new Set(all.flatMap(({ from, to }) => [from, to]))].filter((id) => !there.has(id));
  for (const middle of gone) {
    const by = all
      .filter(({ from, to }) => from === middle || to === middle)
      .map((between) => fromMiddle(between, middle));
    const over = by.flatMap((a, i) =>
      by.slice(i + 1).flatMap((b) =>
        a.to === b.to
          ? []
          : [
              {
                id: `${a.id}+${b.id}`,
                from: a.to,
                to: b.to,
                nominal: um(b.nominal - a.nominal),
                min: b.min === null || a.max === null ? null : um(b.min - a.max),
                max: b.max === null || a.min === null ? null : um(b.max - a.min),
              },
            ],
      ),
    );
    all = onePerPair([...all.filter(({ from, to }) => from !== middle && to !== middle), ...over]);
  }
  return all
    .filter(({ min, max }) => min !== null || max !== null)
    .map(({ min, max, ...first }) => ({
      ...first,
      plus: max === null ? null : um(max - first.nominal),
      minus: min === null ? null : um(first.nominal - min),
    }));
}

/** Merges derived limits between the same two features. Unmerged, their number grows with every eliminated feature. */
function onePerPair(all: readonly Between[]): Between[] {
  const derived = new Map<string, Between>();
  const stated: Between[] = [];
  for (const limit of all) {
    if (!limit.id.includes("+")) stated.push(limit);
    else {
      const turned = limit.from < limit.to ? limit : fromMiddle(limit, limit.to);
      const key = `${turned.from} ${turned.to}`;
      const other = derived.get(key);
      derived.set(key, other ? bothOf(other, turned) : turned);
    }
  }
  return [...stated, ...derived.values()];
}

const tighter = (
  a: Length | null,
  b: Length | null,
  pick: (a: number, b: number) => number,
): Length | null => (a === null ? b : b === null ? a : um(pick(a, b)));

const bothOf = (a: Between, b: Between): Between => ({
  ...a,
  min: tighter(a.min, b.min, Math.max),
  max: tighter(a.max, b.max, Math.min),
});

const fromMiddle = (between: Between, middle: string): Between =>
  between.from === middle
    ? between
    : {
        ...between,
        from: between.to,
        to: between.from,
        nominal: um(-between.nominal),
        min: between.max === null ? null : um(-between.max),
        max: between.min === null ? null : um(-between.min),
      };
