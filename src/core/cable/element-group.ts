import { z } from "zod";
import { said } from "../words/core";

/** What lies inside a cable, from the outside in. */
export const ELEMENT_KINDS = ["tube", "ribbon", "unit", "leg", "fibre", "conductor"] as const;
export type ElementKind = (typeof ELEMENT_KINDS)[number];

/** So many alike side by side, each holding the same again. */
export interface ElementGroup {
  readonly kind: ElementKind;
  readonly count: number;
  readonly of?: ElementGroup | undefined;
}

const zCount = z.int(said("the-number-of-elements-must-be-a")).min(1).max(6_912);
const group = <S extends z.ZodType<ElementGroup>>(of: S) =>
  z.strictObject({ kind: z.enum(ELEMENT_KINDS), count: zCount, of: of.optional() });
const zFibres = z.strictObject({ kind: z.enum(["fibre", "conductor"]), count: zCount });

/** A cable's elements as its document states them: at most three deep, fibres or conductors innermost. */
export const zElements = z.union([zFibres, group(zFibres), group(group(zFibres))]);
