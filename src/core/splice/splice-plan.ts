import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { zDb } from "../light/light";
import { zUuid } from "../names/names";
import { said } from "../words/core";
import { zDevice } from "./device";
import { type FibreEnd, fibreKey, PIGTAIL, zFibreEnd } from "./fibres";

/** The most splices of one closure, and the most fibres of one ribbon. */
const SPLICE_LIMIT = 600;
const RIBBON_LIMIT = 24;

/** One sleeve: a fibre's end to another's, or a ribbon's fibres to as many others at once. */
const zSplice = z.strictObject({
  id: zUuid(said("a-splices-id-must-be-a-uuid")),
  a: zFibreEnd,
  b: zFibreEnd,
  /** Fibres joined at once, from the named ones on: more than one is a ribbon. */
  count: z
    .int(said("this-must-be-a-whole-number"))
    .min(1, said("a-splice-joins-at-least-1-fibre"))
    .max(RIBBON_LIMIT, said("a-ribbon-has-at-most-24-fibres"))
    .default(1),
  /** Its slot, as tray and slot: `1.5`; null as long as it has none. */
  slot: z.string().max(20).nullable().default(null),
  /** Fibre from the tray's edge to the splice as it was read; null goes by what the trays say. */
  lengths: z
    .strictObject({ a: zMmNotNegative.nullable(), b: zMmNotNegative.nullable() })
    .default({ a: null, b: null }),
  /** Why it is meant as it is, where colours differ. */
  note: z.string().trim().max(200, said("a-note-must-have-at-most-200")).default(""),
});
export type Splice = z.output<typeof zSplice>;

/** Cut ends that are stored without a splice, and why. */
const zSpare = z.strictObject({
  cable: zFibreEnd.shape.cable,
  towards: zFibreEnd.shape.towards,
  fibres: z.array(zFibreEnd.shape.fibre).min(1).max(6_912),
  reason: z.string().trim().min(1, said("say-why-these-fibres-are-not-spliced")).max(200),
});

/** What goes to what in a closure, and the most loss an estimate may tell. */
export const zSplicePlan = z.strictObject({
  splices: z.array(zSplice).max(SPLICE_LIMIT, said("at-most-600-splices")).default([]),
  spares: z.array(zSpare).max(200).default([]),
  /** Taps and splitters that lie in the closure. */
  devices: z.array(zDevice).max(100).default([]),
  /** Least and most power at its outputs; null where not planned. */
  receiver: z
    .strictObject({ leastDbm: zDb, mostDbm: zDb.nullable() })
    .refine(({ leastDbm, mostDbm }) => mostDbm === null || mostDbm > leastDbm, {
      ...said("the-most-power-must-be-above-the-least"),
      path: ["mostDbm"],
    })
    .nullable()
    .default(null),
  /** The most a splicer may estimate, dB. */
  limitDb: z
    .number(said("this-must-be-a-number-of-db"))
    .min(0, said("a-loss-must-be-0-db-or-more"))
    .max(10, said("a-splices-limit-must-be-at-most-10-db"))
    .default(0.1),
});
export type SplicePlan = z.output<typeof zSplicePlan>;

/** Nothing planned yet. */
export const NO_SPLICES: SplicePlan = zSplicePlan.parse({});

/** The fibres' ends one side of a splice joins, in order. */
export const endsJoined = (
  { count, ...splice }: Pick<Splice, "a" | "b" | "count">,
  side: "a" | "b",
): FibreEnd[] =>
  Array.from({ length: count }, (_, i) => ({ ...splice[side], fibre: splice[side].fibre + i }));

/**
 * Every end that is spliced, with the splices that take it: more than one is one too many.
 * @example [...splicesByEnd(splicing.splices).keys()] // ["pad4 - 1", "pad5 - 1"]
 */
export function splicesByEnd(splices: readonly Splice[]): ReadonlyMap<string, readonly Splice[]> {
  const taken = new Map<string, Splice[]>();
  for (const splice of splices)
    for (const side of ["a", "b"] as const)
      for (const end of endsJoined(splice, side)) {
        if (end.cable === PIGTAIL) continue;
        const key = fibreKey(end);
        taken.set(key, [...(taken.get(key) ?? []), splice]);
      }
  return taken;
}
