import type { EndState } from "../end/end-state";
import { type Length, um, ZERO } from "../length/length";
import { makes } from "../measured/as-made";
import { axisStart, completedPlaces, isGone, laidOffBy, placesOf, shiftOf } from "../measured/places";
import { mustHold, mustHoldAt } from "../problem/held";
import type { Figure, Line, RunSheet, SheetFeature } from "../runsheet/document";
import { countBites } from "../runsheet/lines";
import { featureOf } from "../runsheet/runsheet";

type Places = ReadonlyMap<string, Length>;

/**
 * The legs whose places differ from the sheet's.
 * @example reworkedLegs(bare) // []
 */
export const reworkedLegs = ({ places }: EndState): string[] => Object.keys(places);

/**
 * The sheet as this end has it now: everything counted from the end as it now is, features where the last rework
 * put them, what is not made yet from where its datum is; while a rework is being done, its lines as they are to be
 * worked.
 * @example reworkedSheet(sheet, bare) === sheet // true
 */
export function reworkedSheet(sheet: RunSheet, state: EndState): RunSheet {
  const legs = reworkedLegs(state);
  const leg = state.inHand?.leg ?? legs.at(-1);
  if (leg === undefined) return sheet;
  const places = placesOf(sheet, state, leg);
  if (state.signed && state.countedFromFirstEnd.includes(leg)) return withPositions(sheet, places);
  return sheetWith(sheet, places, state, state.inHand?.leg === leg ? state.inHand : null);
}

/**
 * The sheet as it will be once a plan is done: what the band shows of a rework that is offered.
 * @example plannedSheet(sheet, bare, { places: {}, steps: [] }).lines.length === sheet.lines.length // true
 */
export const plannedSheet = (
  sheet: RunSheet,
  state: EndState,
  plan: { readonly places: Readonly<Record<string, Length>>; readonly steps: readonly number[] },
): RunSheet => sheetWith(sheet, completedPlaces(sheet, plan.places, state.reached), state, null);

interface InHand {
  readonly steps: readonly number[];
  readonly moves: readonly { readonly feature: string; readonly was: Length | null; readonly now: Length }[];
}

function sheetWith(sheet: RunSheet, places: Places, state: EndState, inHand: InHand | null): RunSheet {
  const start = axisStart(sheet, state.reached);
  const root = mustHoldAt(sheet.features, 0);
  const drawn = withPositions(sheet, places);
  const there = (id: string) => !isGone(featureOf(sheet, id), state.reached);
  return {
    ...drawn,
    // The end that was cut off is no more: the axis begins at the one there is.
    features:
      start.id === root.id
        ? drawn.features
        : [
            featureOf(drawn, start.id),
            ...drawn.features.filter(({ id }) => id !== start.id && id !== root.id),
          ],
    lines: sheet.lines.map((line) => lineAt(line, { sheet, places, there, reached: state.reached, inHand })),
  };
}

/** The same sheet with its features elsewhere. */
const withPositions = (sheet: RunSheet, places: Places): RunSheet => ({
  ...sheet,
  features: sheet.features.map((feature) => ({
    ...feature,
    position: places.get(feature.id) ?? feature.position,
  })),
});

interface Now {
  readonly sheet: RunSheet;
  readonly places: Places;
  readonly there: (feature: string) => boolean;
  readonly reached: number;
  readonly inHand: InHand | null;
}

function lineAt(line: Line, now: Now): Line {
  const { sheet, inHand } = now;
  const again = inHand?.steps.includes(line.index) ?? false;
  const id = line.figure?.feature ?? line.bares[0]?.edge;
  const move = again ? inHand?.moves.find(({ feature }) => feature === id) : undefined;
  const further = !move || move.was === null ? null : um(move.now - move.was);
  const bites =
    again && line.step.kind === "remove" && line.step.bites
      ? further !== null && further > 0
        ? countBites(further, line.step.bites)
        : null
      : line.bites;
  if (!line.figure) return { ...line, bites };
  const figure = figureAt(sheet, line.figure, { ...now, line: line.index, again, further });
  return {
    ...line,
    // What the sheet says of a mark's place holds for a fresh end only.
    step: again && line.step.kind === "mark" ? { ...line.step, how: "" } : line.step,
    bites,
    figure,
  };
}

/** A place known by measurement is shown to a tenth of a millimetre: more would be more than anybody knows. */
const TOLD_TO = 100;

const within = (value: number, min: number | null, max: number | null): boolean =>
  (min === null || value >= min) && (max === null || value <= max);

/** A distance as it is shown: to a tenth, unless that would lie outside the limits it is within itself. */
function statedLength(distance: number, min: number | null, max: number | null): Length {
  const rounded = Math.round(distance / TOLD_TO) * TOLD_TO;
  return um(within(rounded, min, max) || !within(distance, min, max) ? rounded : distance);
}

function figureAt(
  sheet: RunSheet,
  figure: Figure,
  {
    places,
    there,
    reached,
    inHand,
    line,
    again,
    further,
  }: Now & { readonly line: number; readonly again: boolean; readonly further: Length | null },
): Figure {
  const { feature: id, own, previous } = figure;
  const feature = featureOf(sheet, id);
  const at = (featureId: string) => mustHold(places, featureId);
  const root = mustHoldAt(sheet.features, 0).id;
  const laidOff = laidOffBy(sheet).get(id);
  const by = laidOff && there(laidOff.datum) ? laidOff : null;
  // A step already done and not redone keeps its own nominal figure.
  const place = by && feature.madeAt < reached && !again ? um(at(by.datum) + by.nominal) : at(id);
  // If the datum was cut off, measure from the old mark or edge itself: so much further back.
  const byFurther = !there(own.datum) && feature.kind !== "end" && further !== null && further !== 0;
  const inPlace = (featureId: string) => there(featureId) && !isStillToMove(sheet, featureId, line, inHand);
  const datum = byFurther ? id : there(own.datum) ? own.datum : standIn(sheet, figure, inPlace);
  const room = by
    ? {
        min: by.min === null ? null : at(by.datum) + by.min,
        max: by.max === null ? null : at(by.datum) + by.max,
      }
    : roomAt(sheet, places, id, there);
  const from = byFurther ? um(place - (further ?? 0)) : at(datum);
  const relative = (limit: number | null) => (limit === null ? null : limit - from);
  const [min, max] = [relative(room.min), relative(room.max)];
  const distance =
    by && place - at(by.datum) === by.nominal && datum === own.datum && datum === by.datum
      ? um(place - from)
      : statedLength(place - from, min, max);
  return {
    ...figure,
    fromEnd: datum === root ? distance : statedLength(place, room.min, room.max),
    own: {
      datum,
      distance,
      plus: max === null ? null : um(Math.max(0, max - distance)),
      minus: min === null ? null : um(Math.max(0, distance - min)),
    },
    previous:
      previous && there(previous.feature) && !again
        ? { ...previous, distance: statedLength(place - at(previous.feature), null, null) }
        : null,
    workFromOwn: figure.workFromOwn || !there(root) || datum !== own.datum,
    ...(further === null ? {} : { further }),
  };
}

/** Whether a rework in hand makes a feature again only after a line: until then it lies elsewhere than it will. */
export function isStillToMove(sheet: RunSheet, id: string, line: number, inHand: InHand | null): boolean {
  if (!inHand?.moves.some(({ feature }) => feature === id)) return false;
  if (id === sheet.features[0]?.id) return false;
  return !inHand.steps.some((index) => index < line && makes(sheet, mustHoldAt(sheet.lines, index), id));
}

/** Between which places a feature may come to lie, with everything that is there where it lies. */
function roomAt(
  { limits }: RunSheet,
  places: Places,
  id: string,
  there: (feature: string) => boolean,
): { readonly min: number | null; readonly max: number | null } {
  const at = (featureId: string) => mustHold(places, featureId);
  const rooms = limits
    .filter(({ from, to }) => (from === id || to === id) && there(from) && there(to))
    .map(({ from, to, min, max }) =>
      to === id
        ? { min: min === null ? null : at(from) + min, max: max === null ? null : at(from) + max }
        : { min: max === null ? null : at(to) - max, max: min === null ? null : at(to) - min },
    );
  const stated = (all: readonly (number | null)[]) => all.filter((limit) => limit !== null);
  const [mins, maxs] = [stated(rooms.map(({ min }) => min)), stated(rooms.map(({ max }) => max))];
  return {
    min: mins.length > 0 ? Math.max(...mins) : null,
    max: maxs.length > 0 ? Math.min(...maxs) : null,
  };
}

/** Another feature to measure from, where the datum was cut off: by the length that joins the two, else any still there. */
function standIn(
  { limits, features }: RunSheet,
  { feature, own }: Figure,
  there: (id: string) => boolean,
): string {
  const isEdge = (id: string) =>
    features.some((sheetFeature) => sheetFeature.id === id && sheetFeature.kind !== "part");
  const joined = limits
    .filter(({ from, to }) => from === feature || to === feature)
    .map(({ from, to }) => (from === feature ? to : from))
    .filter(there);
  return (
    joined.find(isEdge) ??
    joined[0] ??
    features.find(({ id }) => id !== feature && isEdge(id) && there(id))?.id ??
    own.datum
  );
}

/**
 * How much of the end is still to be trimmed off before the rework in hand goes on; null where nothing is.
 * @example trimDue(sheet, bare) // null
 */
export function trimDue(sheet: RunSheet, state: Pick<EndState, "inHand" | "at" | "places">): Length | null {
  const { inHand } = state;
  if (!inHand || inHand.trimmed) return null;
  if (inHand.trim !== null) return inHand.trim > 0 ? inHand.trim : null;
  const root = sheet.features[0]?.id;
  const move = inHand.moves.find(({ feature }) => feature === root);
  return move && move.was !== null && move.now > move.was ? um(move.now - move.was) : null;
}

/** The id of the step that trims an end before it is made again; no document can have it. */
export const TRIM_STEP = ":trim";

/**
 * The step that trims the end, and the sheet as the end lies before it: counted from the end that is cut off, the cut
 * where the new end will be.
 * @returns null where nothing is to be trimmed.
 * @example trimming(sheet, bare) // null
 */
export function trimming(
  sheet: RunSheet,
  state: EndState,
): { readonly sheet: RunSheet; readonly line: Line } | null {
  const trim = trimDue(sheet, state);
  const { inHand } = state;
  if (trim === null || !inHand) return null;
  const root = mustHoldAt(sheet.features, 0);
  const shift = inHand.trim === null ? shiftOf(sheet, state.places[inHand.leg] ?? {}) : 0;
  const now = placesOf(sheet, state, inHand.leg);
  const was = new Map(
    [...now].map(([id, at]) => {
      const move = inHand.moves.find(({ feature }) => feature === id);
      return [id, um((move && move.was !== null ? move.was - shift : at) + trim)] as const;
    }),
  );
  was.set(root.id, ZERO);
  const drawn = withPositions(sheet, was);
  const cut: SheetFeature = {
    id: TRIM_STEP,
    name: "trim here",
    kind: "edge",
    position: trim,
    madeAt: sheet.lines.length,
    goneAt: null,
    cutAt: null,
    bite: ZERO,
    ends: [],
  };
  const line: Line = {
    index: inHand.steps[0] ?? state.at,
    step: {
      id: TRIM_STEP,
      kind: "trim",
      title: `Trim the ${root.name}`,
      how: "",
      makes: TRIM_STEP,
      tool: "snips",
      cases: [],
      cautions: ["eyes"],
      uses: [],
      shards: 0,
      moves: [],
      aids: [],
    },
    figure: {
      feature: TRIM_STEP,
      fromEnd: trim,
      own: { datum: root.id, distance: trim, plus: null, minus: null },
      representative: false,
      previous: nearestTo(drawn, state.reached, root.id, trim),
      workFromOwn: false,
    },
    bites: null,
    parts: [],
    checks: [],
    bares: [],
  };
  // What is not made yet has no place on an end that is about to be cut.
  const sheetFeatures = drawn.features.filter(({ madeAt }) => madeAt < state.reached);
  const features = [...sheetFeatures, cut];
  return { sheet: { ...drawn, features, lines: [...sheet.lines, line] }, line };
}

/** The edge or mark nearest a place, which that can be found by where the fibre's own end is gone. */
function nearestTo({ features }: RunSheet, reached: number, root: string, at: Length): Figure["previous"] {
  const [nearest] = features
    .filter(
      (feature) =>
        feature.id !== root &&
        feature.kind === "edge" &&
        feature.madeAt < reached &&
        !isGone(feature, reached),
    )
    .sort((a, b) => Math.abs(a.position - at) - Math.abs(b.position - at));
  return nearest ? { feature: nearest.id, distance: um(at - nearest.position) } : null;
}
