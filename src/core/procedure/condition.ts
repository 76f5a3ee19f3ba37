import { z } from "zod";
import { type Cable, diameterOf, LAYER_KINDS, zCore } from "../cable/cable";
import { zMmNotNegative } from "../length/length";
import { zName } from "../names/names";
import { said } from "../words/core";

export const zRange = z
  .strictObject({ min: zMmNotNegative, max: zMmNotNegative })
  .refine(({ min, max }) => min <= max, said("the-least-must-not-exceed-the-most"));

/** When a part, dimension or step is there at all. Every clause present must hold. */
export const zCondition = z.strictObject({
  layer: z.strictObject({ kind: z.enum(LAYER_KINDS), diameter: zRange }).optional(),
  choice: z.record(z.string(), z.array(zName).min(1)).optional(),
  core: z.array(zCore).min(1).optional(),
  grip: z
    .array(z.enum(["tight", "semi-tight"]))
    .min(1)
    .optional(),
  /** Layers the cable has not. */
  without: z.array(z.enum(LAYER_KINDS)).min(1).optional(),
});

export type Condition = z.output<typeof zCondition>;

/** What was picked on the sheet besides cable and procedure: the glass, and one option for each choice. */
export interface Picked {
  readonly core: string;
  readonly choices: Readonly<Record<string, string>>;
}

/** Whether a condition holds for a cable and what was picked; no condition always holds. */
export function holds(condition: Condition | undefined, cable: Cable, picked: Picked): boolean {
  if (!condition) return true;
  const { layer, choice, core, grip, without } = condition;
  if (layer) {
    const diameter = diameterOf(cable, layer.kind);
    if (diameter === null || diameter < layer.diameter.min || diameter > layer.diameter.max) return false;
  }
  if (core && !core.some((glass) => glass === picked.core)) return false;
  if (grip && !grip.some((kind) => kind === cable.grip)) return false;
  if (without?.some((kind) => diameterOf(cable, kind) !== null)) return false;
  return Object.entries(choice ?? {}).every(([id, options]) => options.includes(picked.choices[id] ?? ""));
}
