import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { zName } from "../names/names";

/** What a tool is set to, so that it can be drawn and not only said. */
export const zSetting = z.discriminatedUnion("kind", [
  /** Diameter of the stripper's hole. */
  z.strictObject({ kind: z.literal("hole"), diameter: zMmNotNegative }),
  /** Size across a crimp die, and its shape. */
  z.strictObject({
    kind: z.literal("die"),
    across: zMmNotNegative,
    shape: z.enum(["hexagon", "round", "square"]).default("hexagon"),
  }),
  /** Grain of a lapping film, micrometres; finer than any length here. */
  z.strictObject({ kind: z.literal("film"), grain: z.number().min(0.01).max(100) }),
  /** Depth of a ring cutter's blade. */
  z.strictObject({ kind: z.literal("depth"), depth: zMmNotNegative }),
  /** The same as a share of the wall it cuts, ripcords spared: a depth once the cable is known. */
  z.strictObject({ kind: z.literal("share"), share: z.number().gt(0).lt(1) }),
  /** Program of a heater, oven or splicer. */
  z.strictObject({ kind: z.literal("program"), name: zName, celsius: z.number().min(0).max(400).optional() }),
  /** Pull on a finished joint, newtons. */
  z.strictObject({ kind: z.literal("pull"), newtons: z.number().min(0).max(500) }),
  /** Torque on a nut, newton metres. */
  z.strictObject({ kind: z.literal("torque"), newtonMetres: z.number().min(0).max(100) }),
  z.strictObject({ kind: z.literal("words"), words: zName }),
]);

export type Setting = z.output<typeof zSetting>;
