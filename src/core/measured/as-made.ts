import type { Conformance, Rule } from "../conformance/conformance";
import { standingOf } from "../end/result";
import type { EndState } from "../end/state";
import type { Length } from "../length/length";
import type { Check, RunSheet, SheetFeature } from "../runsheet/runsheet";
import { adjust, type Difference, type OddReadings } from "./adjust";

/** One leg's end as it lies there now, by everything read. */
export interface AsMade {
  readonly leg: string;
  /** Features that are there, in the order of the sheet. */
  readonly present: readonly SheetFeature[];
  readonly places: ReadonlyMap<string, Length>;
  /** What was read of it, each length judged. */
  readonly read: readonly { readonly check: Check; readonly judged: Conformance }[];
  readonly odd: OddReadings | null;
}

/** Faces that show how a fibre sits in a part, once it is in: they say nothing of how the end was cut. */
const isSeat = (sheet: RunSheet, { kind, cutAt, madeAt }: SheetFeature): boolean => {
  const step = sheet.lines[madeAt]?.step.kind;
  return kind === "part" && cutAt === null && (step === "insert" || step === "actuate" || step === "crimp");
};

/** Features there once every line before `reached` is done: made, not cut off since, nor cut back past. */
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

/** Where one leg's features lie, from where they should lie and everything read of them. */
export function asMade(sheet: RunSheet, state: EndState, rule: Rule, leg: string): AsMade {
  const present = presentFeatures(sheet, state.reached);
  const own = state.places[leg] ?? {};
  const inOrder = [...present].sort((a, b) => a.madeAt - b.madeAt);
  const expected = new Map(inOrder.map(({ id, position }) => [id, own[id] ?? position]));
  const read = sheet.checks
    .filter((check) => check.leg === leg && expected.has(check.from) && expected.has(check.to))
    .flatMap((one) => {
      const { check, judged } = standingOf(sheet, state, rule, one);
      return judged ? [{ check, judged }] : [];
    });
  const differences = read.map(
    ({ check: { id, from, to }, judged: { mean, u } }): Difference => ({ id, from, to, mean, u }),
  );
  return { leg, present, read, ...adjust(expected, differences) };
}
