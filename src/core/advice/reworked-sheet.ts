import type { EndState } from "../end/state";
import { type Length, um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import { countBites } from "../runsheet/lines";
import { type Figure, featureOf, type Line, type RunSheet, type SheetFeature } from "../runsheet/runsheet";

/** The same sheet with features elsewhere: what the band draws of an end as it lies, or as it will. */
export function sheetAt(sheet: RunSheet, places: Readonly<Record<string, Length>>): RunSheet {
  const features = sheet.features.map((feature): SheetFeature => {
    const position = places[feature.id];
    return position === undefined ? feature : { ...feature, position };
  });
  const at = (id: string) => featureOf({ features }, id).position;
  return {
    ...sheet,
    features,
    lines: sheet.lines.map((line) =>
      line.figure
        ? { ...line, figure: moved(line.figure, at, (id) => isElsewhere(sheet, places, id)) }
        : line,
    ),
  };
}

const isElsewhere = (sheet: RunSheet, places: Readonly<Record<string, Length>>, id: string): boolean =>
  places[id] !== undefined && places[id] !== sheet.features.find((feature) => feature.id === id)?.position;

/** A place known by measurement is told to a tenth of a millimetre: more would be more than anybody knows. */
const TOLD_TO = 100;

function moved(figure: Figure, at: (id: string) => Length, elsewhere: (id: string) => boolean): Figure {
  const { feature, own, previous } = figure;
  const rounded = (value: number, ...of: string[]) =>
    um(of.some(elsewhere) ? Math.round(value / TOLD_TO) * TOLD_TO : value);
  return {
    ...figure,
    fromEnd: rounded(at(feature), feature),
    own: { ...own, distance: rounded(at(feature) - at(own.datum), feature, own.datum) },
    previous: previous && {
      ...previous,
      distance: rounded(at(feature) - at(previous.feature), feature, previous.feature),
    },
  };
}

/** The legs whose places differ from the sheet's. */
export const reworkedLegs = ({ places }: EndState): string[] => Object.keys(places);

/**
 * The sheet as this end has it now: features where the last rework put them, and while that is being done, the
 * figures of its lines to work to: how much further an edge goes, and where from for a cleave or a mark.
 */
export function reworkedSheet(sheet: RunSheet, state: EndState): RunSheet {
  const legs = reworkedLegs(state);
  const leg = state.inHand?.leg ?? legs.at(-1);
  if (leg === undefined) return sheet;
  const there = sheetAt(sheet, state.places[leg] ?? {});
  const { inHand } = state;
  if (!inHand) return there;
  return {
    ...there,
    lines: there.lines.map((line) => (inHand.steps.includes(line.index) ? again(there, line, state) : line)),
  };
}

/** A line done again: its figure said by how much further, or from a datum that is still there. */
function again(sheet: RunSheet, line: Line, { inHand, reached }: EndState): Line {
  const id = line.figure?.feature ?? line.bares[0]?.edge;
  const move = inHand?.moves.find(({ feature }) => feature === id);
  if (!move || !id) return line;
  const feature = featureOf(sheet, id);
  const further = move.was === null ? null : um(move.now - move.was);
  const bites =
    line.step.kind === "remove" && line.step.bites && further !== null && further > 0
      ? countBites(further, line.step.bites)
      : null;
  const figure = line.figure;
  if (!figure) return { ...line, bites };
  const byFurther = feature.kind === "edge" && further !== null && further > 0;
  const gone = (datum: string) => {
    const goneAt = sheet.features.find((sheetFeature) => sheetFeature.id === datum)?.goneAt ?? null;
    return goneAt !== null && goneAt < reached;
  };
  const root = mustHoldAt(sheet.features, 0).id;
  const datum = gone(figure.own.datum) ? standIn(sheet, figure, gone) : figure.own.datum;
  const at = (one: string) => featureOf(sheet, one).position;
  const from = byFurther ? id : datum;
  return {
    ...line,
    // What the sheet says of a mark's place holds for a fresh end only.
    step: line.step.kind === "mark" ? { ...line.step, how: "" } : line.step,
    bites,
    figure: {
      ...figure,
      fromEnd: um(figure.fromEnd - at(root)),
      own: {
        datum: from,
        distance: byFurther ? further : um(move.now - at(datum)),
        ...roomAt(sheet, id, (one) => !gone(one)),
      },
      previous: null,
      workFromOwn: true,
      ...(further === null ? {} : { further }),
    },
  };
}

/** How far a feature may come out further back or less, with everything else where it is to lie. */
function roomAt(
  { limits, features }: RunSheet,
  id: string,
  there: (feature: string) => boolean,
): { plus: Length | null; minus: Length | null } {
  const at = (one: string) => featureOf({ features }, one).position;
  const rooms = limits
    .filter(({ from, to }) => (from === id || to === id) && there(from) && there(to))
    .map(({ from, to, min, max }) => {
      const length = at(to) - at(from);
      const [more, less] = [max === null ? null : max - length, min === null ? null : length - min];
      return to === id ? { plus: more, minus: less } : { plus: less, minus: more };
    });
  const least = (all: readonly (number | null)[]) => {
    const known = all.filter((one) => one !== null);
    return known.length > 0 ? um(Math.max(0, Math.min(...known))) : null;
  };
  return { plus: least(rooms.map(({ plus }) => plus)), minus: least(rooms.map(({ minus }) => minus)) };
}

/** Another feature to measure from, where the datum was cut off: by the length that joins the two, else any still there. */
function standIn(
  { limits, features }: RunSheet,
  { feature, own }: Figure,
  gone: (id: string) => boolean,
): string {
  const joined = limits
    .filter(({ from, to }) => from === feature || to === feature)
    .map(({ from, to }) => (from === feature ? to : from))
    .find(
      (id) =>
        !gone(id) && features.some((sheetFeature) => sheetFeature.id === id && sheetFeature.kind !== "part"),
    );
  return joined ?? own.datum;
}
