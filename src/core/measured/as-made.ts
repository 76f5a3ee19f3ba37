import type { Conformance, Rule } from "../conformance/conformance";
import type { EndState } from "../end/end-state";
import { standingOf } from "../end/result";
import { type Length, um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import type { Check, Line, RunSheet, SheetFeature } from "../runsheet/document";
import { adjust, type OddReadings, type ReadDifference } from "./adjust";
import { placesOf, shiftOf } from "./places";

/** One leg's end as it lies there now, by everything read. */
export interface AsMade {
  readonly leg: string;
  /** Features that are there, in the order of the sheet. */
  readonly present: readonly SheetFeature[];
  readonly places: ReadonlyMap<string, Length>;
  /** What was read of it, each length judged. */
  readonly read: readonly { readonly check: Check; readonly judged: Conformance }[];
  readonly odd: OddReadings | null;
  /** Where a rework in hand puts what it has not come to yet. */
  readonly pending: ReadonlyMap<string, Length>;
  /** Marks that were lost and that the rework in hand has not drawn again yet. */
  readonly lost: ReadonlySet<string>;
}

/** Faces that show how a fibre sits in a part, once it is in: they say nothing of how the end was cut. */
const isSeat = (sheet: RunSheet, { kind, cutAt, madeAt }: SheetFeature): boolean => {
  const step = sheet.lines[madeAt]?.step.kind;
  return kind === "part" && cutAt === null && (step === "insert" || step === "actuate" || step === "crimp");
};

/**
 * Features there once every line before `reached` is done: made, not cut off since, nor cut back past.
 * @example presentFeatures(sheet, 0).map(({ id }) => id) // ["cable-end"]
 */
export function presentFeatures(sheet: RunSheet, reached: number): SheetFeature[] {
  const bares = sheet.lines.filter(({ index }) => index < reached).flatMap(({ bares: all }) => all);
  const passed = ({ id, cutAt, ends }: SheetFeature) =>
    cutAt !== null &&
    cutAt < reached &&
    ends.length > 0 &&
    ends.every((layer) => {
      const last = bares.filter((bare) => bare.layer === layer).at(-1);
      return last !== undefined && last.edge !== id;
    });
  return sheet.features.filter(
    (feature) =>
      feature.madeAt < reached &&
      (feature.goneAt === null || feature.goneAt >= reached) &&
      !passed(feature) &&
      !isSeat(sheet, feature),
  );
}

/** Features that a rework in hand has not come to yet: where they lie still, and where it will put them. */
function notRemade(
  sheet: RunSheet,
  { inHand, places, at }: EndState,
  leg: string,
): { readonly feature: string; readonly was: Length | null; readonly now: Length }[] {
  if (inHand?.leg !== leg) return [];
  const root = sheet.features[0]?.id;
  const shift = inHand.trim === null ? shiftOf(sheet, places[leg] ?? {}) : 0;
  const remade = (id: string) =>
    id === root
      ? inHand.trimmed
      : inHand.steps.every((index) => index < at || !makes(sheet, mustHoldAt(sheet.lines, index), id));
  return inHand.moves
    .filter(({ feature }) => !remade(feature))
    .map(({ feature, was, now }) => ({
      feature,
      was: was === null ? null : um(was - shift),
      now: um(now - shift),
    }));
}

/** Whether a line draws, cuts or sets a feature. */
export const makes = ({ features }: RunSheet, { index, figure, bares }: Line, id: string): boolean =>
  figure?.feature === id ||
  bares.some(({ edge }) => edge === id) ||
  features.some((feature) => feature.id === id && feature.madeAt === index);

/**
 * Where one leg's features lie, from where they should lie and everything read of them.
 * @example asMade(sheet, read({ "glass-end": -1500 }), rule, "").leg // ""
 */
export function asMade(sheet: RunSheet, state: EndState, rule: Rule, leg: string): AsMade {
  const present = presentFeatures(sheet, state.reached);
  const lying = placesOf(sheet, state, leg);
  const waiting = notRemade(sheet, state, leg);
  const still = new Map(
    waiting.flatMap(({ feature, was }) => (was === null ? [] : [[feature, was] as const])),
  );
  const inOrder = [...present].sort((a, b) => a.madeAt - b.madeAt);
  const expected = new Map(
    inOrder.map(({ id, position }) => [id, still.get(id) ?? lying.get(id) ?? position]),
  );
  const read = sheet.checks
    .filter((check) => check.leg === leg && expected.has(check.from) && expected.has(check.to))
    .flatMap((eachCheck) => {
      const { check, judged } = standingOf(sheet, state, rule, eachCheck);
      return judged ? [{ check, judged }] : [];
    });
  const differences = read.map(
    ({ check: { id, from, to }, judged: { mean, u } }): ReadDifference => ({ id, from, to, mean, u }),
  );
  const pending = new Map(waiting.map(({ feature, now }) => [feature, now]));
  const lost = new Set(waiting.filter(({ was }) => was === null).map(({ feature }) => feature));
  const adjusted = adjust(expected, differences);
  const places = heldAtStops(sheet, present, pending, adjusted.places);
  return { leg, present, read, pending, lost, ...adjusted, places };
}

/** The face of a holder stood where the cleaved end says: as far from it as the stop gives, whatever else was read. */
function heldAtStops(
  { limits }: RunSheet,
  present: readonly SheetFeature[],
  pending: ReadonlyMap<string, Length>,
  places: ReadonlyMap<string, Length>,
): ReadonlyMap<string, Length> {
  const kindOf = (id: string) => present.find((feature) => feature.id === id)?.kind;
  const moved = limits.flatMap(({ from, to, nominal, stop }): [string, Length][] => {
    const [end, face, way] = kindOf(to) === "part" ? [from, to, 1] : [to, from, -1];
    const at = places.get(end);
    if (!stop || at === undefined || kindOf(face) !== "part" || pending.has(end) || pending.has(face))
      return [];
    return [[face, um(at + way * nominal)]];
  });
  return moved.length > 0 ? new Map([...places, ...moved]) : places;
}
