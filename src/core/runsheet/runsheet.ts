import type { LayerKind } from "../cable/cable";
import { type Length, um, ZERO } from "../length/length";
import type { RunSheet, SheetFeature } from "./document";

/**
 * A feature of a sheet by its id.
 * @example featureOf(sheet, sheet.features[0].id).position // 0
 */
export function featureOf(sheet: Pick<RunSheet, "features">, id: string): SheetFeature {
  const sheetFeature = sheet.features.find((feature) => feature.id === id);
  if (!sheetFeature) throw new Error(`no feature ${id} on this sheet`);
  return sheetFeature;
}

/**
 * Where each layer ends once the lines up to and including one are done; 0 is the cable end as it came.
 * @example layersAfter(sheet, 0).map(({ kind }) => kind) // ["jacket", "yarn", "buffer", "coating", "glass"]
 */
export function layersAfter(
  sheet: RunSheet,
  line: number,
): { readonly kind: LayerKind; readonly edge: Length; readonly feature: string | null }[] {
  return sheet.layers.map(({ kind }) => {
    const last = sheet.lines
      .slice(0, line + 1)
      .flatMap(({ bares }) => bares)
      .filter((bare) => bare.layer === kind)
      .at(-1);
    return {
      kind,
      edge: last ? featureOf(sheet, last.edge).position : ZERO,
      feature: last?.edge ?? null,
    };
  });
}

/**
 * How far from its datum a sheet works: its farthest mark, edge or face.
 * @example workedTo(sheet) // 228000
 */
export const workedTo = ({ features }: Pick<RunSheet, "features">): Length =>
  um(Math.max(0, ...features.map(({ position }) => position)));

/** Whether the work is in the middle of a cable's run: it has no end there, and an edge to either side of a centre mark. */
/**
 * After what is read or done on one leg, which: a leg of a cord, or a side of a sheath opened in mid-run.
 * @example [onLeg("", false), onLeg("A", false), onLeg("A", true)] // ["", ", leg A", ", side A"]
 */
export const onLeg = (leg: string, midRun: boolean): string =>
  leg === "" ? "" : `, ${midRun ? "side" : "leg"} ${leg}`;

/**
 * @example isMidRun(sheet) // false
 */
export const isMidRun = ({ features }: Pick<RunSheet, "features">): boolean => features[0]?.kind === "mark";
