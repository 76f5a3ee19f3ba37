import { z } from "zod";
import { reworkedLegs, reworkedSheet } from "../advice/reworked-sheet";
import type { Rule } from "../conformance/conformance";
import type { EndState } from "../end/end-state";
import { zMm } from "../length/length";
import { asMade } from "../measured/as-made";
import type { RunSheet } from "../runsheet/document";

/** One place on the drawing of an end: where the sheet has it, and where it lies by what was read. */
export const zDrawn = z.strictObject({ feature: z.string(), name: z.string(), planned: zMm, made: zMm });
export type Drawn = z.output<typeof zDrawn>;

/** An end as every record draws it: its sheet with each feature where what was read puts it, and the plan beside. */
interface DrawnEnd {
  readonly sheet: RunSheet;
  readonly places: readonly Drawn[];
}

/**
 * Draws an end as it was made. Of a cord of several legs the one reworked last is drawn, else the first. One signed off
 * by a version that counted from the end as it first was is drawn as it was shown then.
 * @example Object.keys(drawnEnd(sheet, bare, rule)) // ["sheet", "places"]
 */
export function drawnEnd(sheet: RunSheet, state: EndState, rule: Rule): DrawnEnd {
  const plan = reworkedSheet(sheet, state);
  const leg = state.inHand?.leg ?? reworkedLegs(state).at(-1) ?? sheet.cable.legs[0] ?? "";
  const asShown = state.signed !== null && state.countedFromFirstEnd.includes(leg);
  const { places } = asShown ? { places: new Map() } : asMade(sheet, state, rule, leg);
  const features = plan.features.map((feature) => ({
    ...feature,
    position: places.get(feature.id) ?? feature.position,
  }));
  return {
    sheet: { ...plan, features },
    places: plan.features.map(({ id, name, position }, i) => ({
      feature: id,
      name,
      planned: position,
      made: features[i]?.position ?? position,
    })),
  };
}
