import type { EndState } from "../end/end-state";
import { type Length, um, ZERO } from "../length/length";
import { mustHoldAt } from "../problem/held";
import { madeBy } from "../procedure/step";
import type { RunSheet, SheetFeature, SheetLimit } from "../runsheet/document";

/** How a feature is laid off: so far behind its datum, within the limits of its own dimension. */
interface LaidOff {
  readonly datum: string;
  /** Behind the datum; negative in front of it. */
  readonly nominal: Length;
  readonly min: Length | null;
  readonly max: Length | null;
}

const laidOffByLimits = new WeakMap<RunSheet["limits"], ReadonlyMap<string, LaidOff>>();

/** The dimension each feature of a sheet is laid off by, in the order they are placed; the root has none. */
export function laidOffBy(
  sheet: Pick<RunSheet, "features" | "lines" | "limits">,
): ReadonlyMap<string, LaidOff> {
  const before = laidOffByLimits.get(sheet.limits);
  if (before) return before;
  const placed = new Map<string, LaidOff>();
  const root = sheet.features[0]?.id;
  const isPlaced = (id: string) => id === root || placed.has(id);
  for (const { step } of sheet.lines) {
    const id = madeBy(step);
    if (id === null || isPlaced(id) || !("by" in step)) continue;
    const limit = sheet.limits.find(({ dimension }) => dimension === step.by);
    if (limit) placed.set(id, fromOther(limit, id));
  }
  for (const { id } of sheet.features) {
    if (isPlaced(id)) continue;
    const limit = sheet.limits.find(
      ({ from, to }) => (from === id && isPlaced(to)) || (to === id && isPlaced(from)),
    );
    if (limit) placed.set(id, fromOther(limit, id));
  }
  laidOffByLimits.set(sheet.limits, placed);
  return placed;
}

const negated = (length: Length | null): Length | null => (length === null ? null : um(-length));

const fromOther = ({ from, to, nominal, min, max }: SheetLimit, id: string): LaidOff =>
  to === id
    ? { datum: from, nominal, min, max }
    : { datum: to, nominal: um(-nominal), min: negated(max), max: negated(min) };

/** Whether a feature is made once every line before `reached` is done. The root is there from the start. */
const isMade = ({ madeAt }: Pick<SheetFeature, "madeAt">, reached: number): boolean => madeAt < reached;

/** Whether a feature was cut off by then. */
export const isGone = ({ goneAt }: Pick<SheetFeature, "goneAt">, reached: number): boolean =>
  goneAt !== null && goneAt < reached;

/** The feature the axis of an end begins at: the cable end; once that is cut off, the last end made in its place. */
export function axisStart({ features }: Pick<RunSheet, "features">, reached: number): SheetFeature {
  const root = mustHoldAt(features, 0);
  if (!isGone(root, reached)) return root;
  return features.filter((feature) => feature.kind === "end" && isMade(feature, reached)).at(-1) ?? root;
}

/**
 * Every feature's place, from the places of those that are made: what is not made yet lies at its figure from
 * where its datum then is.
 * @param madePlaces places of made features, counted from where the axis begins.
 */
export function completedPlaces(
  sheet: Pick<RunSheet, "features" | "lines" | "limits">,
  madePlaces: Readonly<Record<string, Length>>,
  reached: number,
): ReadonlyMap<string, Length> {
  const places = new Map<string, Length>();
  const start = axisStart(sheet, reached);
  for (const feature of sheet.features) {
    const at = madePlaces[feature.id];
    if (at !== undefined && isMade(feature, reached)) places.set(feature.id, at);
  }
  if (!places.has(start.id)) places.set(start.id, ZERO);
  const laidOff = laidOffBy(sheet);
  // What was cut off since lies as far from what is still there as it did on a fresh end.
  for (const { id, position } of sheet.features)
    if (!places.has(id) && !laidOff.has(id))
      places.set(id, um((places.get(start.id) ?? 0) + position - start.position));
  const placing = new Set<string>();
  const place = (id: string): Length => {
    const at = places.get(id);
    if (at !== undefined) return at;
    const by = laidOff.get(id);
    if (!by || placing.has(id)) return ZERO;
    placing.add(id);
    const there = um(place(by.datum) + by.nominal);
    places.set(id, there);
    return there;
  };
  for (const { id } of sheet.features) place(id);
  return places;
}

/**
 * Where one leg's features lie, counted from the end as it is now: as the last rework left them, and what is not
 * made yet from where its datum is. Without a rework, as the sheet has them.
 */
export function placesOf(
  sheet: RunSheet,
  state: Pick<EndState, "places" | "countedFromFirstEnd" | "reached" | "signed">,
  leg: string,
): ReadonlyMap<string, Length> {
  const own = state.places[leg];
  if (!own) return new Map(sheet.features.map(({ id, position }) => [id, position]));
  if (!state.countedFromFirstEnd.includes(leg)) return completedPlaces(sheet, own, state.reached);
  // An end signed off by an earlier version stays as it was shown then.
  if (state.signed) return new Map(sheet.features.map(({ id, position }) => [id, own[id] ?? position]));
  return completedPlaces(sheet, countedFromNow(sheet, own), state.reached);
}

/** Places counted from the end as it first was, counted from the end they themselves speak of. */
function countedFromNow(
  sheet: Pick<RunSheet, "features">,
  places: Readonly<Record<string, Length>>,
): Record<string, Length> {
  const by = shiftOf(sheet, places);
  return Object.fromEntries(Object.entries(places).map(([id, at]) => [id, um(at - by)]));
}

/** How far behind the origin the end lies that these places speak of: the cable end, else the last end made. */
export function shiftOf(
  { features }: Pick<RunSheet, "features">,
  places: Readonly<Record<string, Length>>,
): Length {
  const ends = features.filter(({ kind, id }, i) => (i === 0 || kind === "end") && places[id] !== undefined);
  const start = ends[0]?.id === features[0]?.id ? ends[0] : ends.at(-1);
  return (start && places[start.id]) ?? ZERO;
}

/** The fibre's end once every line before `reached` is done: the last end made that is not cut off; null where there is none. */
export const fibreEndOf = ({ features }: Pick<RunSheet, "features">, reached: number): string | null =>
  features
    .filter((feature) => feature.kind === "end" && isMade(feature, reached) && !isGone(feature, reached))
    .at(-1)?.id ?? null;
