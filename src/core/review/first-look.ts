import type { z } from "zod";
import type { Cable } from "../cable/cable";
import { mustHoldAt } from "../problem/held";
import { hasLists } from "../problem/is-record";
import { type Figures, type ProcedureDocument, zFigures } from "../procedure/procedure";
import { type Contradiction, contradictionsIn, type Trial, trialsOf } from "./contradictions";

/** A document and the contradictions among its figures: quick enough for every key. */
export interface FirstLook {
  readonly document: ProcedureDocument;
  readonly contradictions: readonly Contradiction[];
}

/** Every chain of figures that contradicts itself; none where the figures cannot be read, which the second look tells. */
export const firstLook = (document: ProcedureDocument, cables: readonly Cable[]): FirstLook =>
  firstLooks(cables)(document);

/**
 * First looks at a document as it is written, key by key. What a key leaves as it was, the very same object, is read once:
 * no document handed to it may be changed in place.
 * @example firstLooks(cables)(stubWritten).contradictions // []
 */
export function firstLooks(cables: readonly Cable[]): (document: ProcedureDocument) => FirstLook {
  const figuresOf = figuresReader();
  let last: Placed | null = null;
  return (document) => {
    const figures = figuresOf(document);
    if (!figures || !allStand(figures)) return { document, contradictions: [] };
    if (!last || !placedAlike(last.figures, figures)) last = { figures, trials: trialsOf(figures, cables) };
    return { document, contradictions: contradictionsIn(figures, last.trials) };
  };
}

interface Placed {
  readonly figures: Figures;
  readonly trials: readonly Trial[];
}

/** Whether two documents have the same sets of figures on the same cables, whatever those figures are. */
function placedAlike(a: Figures, b: Figures): boolean {
  return (
    a.appliesTo === b.appliesTo &&
    (a.choices === b.choices || a.choices.length + b.choices.length === 0) &&
    a.dimensions.length === b.dimensions.length &&
    a.dimensions.every((dimension, i) => {
      const other = mustHoldAt(b.dimensions, i);
      return dimension === other || conditionsOf(dimension) === conditionsOf(other);
    })
  );
}

const conditionsOf = ({ id, when, cases }: Figures["dimensions"][number]): string =>
  JSON.stringify([id, when, cases.map((figure) => figure.when)]);

/** Reads what says a document's lengths; null where that cannot be read. */
function figuresReader(): (document: ProcedureDocument) => Figures | null {
  const { appliesTo, choices, features, dimensions } = zFigures.shape;
  const read = {
    appliesTo: reader(appliesTo),
    choices: reader(choices),
    features: reader(features),
    dimension: reader(dimensions.element),
  };
  return (document) => {
    if (!hasLists(document, "dimensions")) return null;
    const lengths = document.dimensions.map(read.dimension);
    const figures = {
      appliesTo: read.appliesTo(document.appliesTo),
      choices: read.choices(document.choices),
      features: read.features(document.features),
    };
    return isWhole(figures) && lengths.every((length) => length !== null)
      ? { ...figures, dimensions: lengths }
      : null;
  };
}

/** Reads by a schema, each object once; null where it cannot be read. */
function reader<S extends z.ZodType>(schema: S): (value: unknown) => z.output<S> | null {
  const cache = new WeakMap<object, z.output<S> | null>();
  return (value) => {
    const object = typeof value === "object" && value !== null ? value : null;
    const before = object ? cache.get(object) : undefined;
    if (before !== undefined) return before;
    const read = schema.safeParse(value);
    const now = read.success ? read.data : null;
    if (object) cache.set(object, now);
    return now;
  };
}

type Whole<T> = { readonly [K in keyof T]: NonNullable<T[K]> };
const isWhole = <T extends object>(all: T): all is T & Whole<T> =>
  Object.values(all).every((part) => part !== null);

/** Whether every length lies between features there are. */
function allStand({ features, dimensions }: Figures): boolean {
  const ids = new Set(features.map(({ id }) => id));
  return dimensions.every(({ from, to }) => ids.has(from) && ids.has(to));
}
