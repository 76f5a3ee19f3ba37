import { z } from "zod";
import { zSource } from "../cable/cable";
import { type ItemCount, itemSums, zUses } from "../consumable/consumables";
import { type Length, um, zMmNotNegative } from "../length/length";
import { zDocumentId, zId, zName } from "../names/names";
import { eachOnce } from "../names/once";
import { said } from "../words/core";

/** What a step of splicing does; `confirm` names both fibres by colour, `program` checks the arc and picks its program. */
const SPLICING_ACTS = [
  "confirm",
  "sleeve",
  "first-fibre",
  "hold",
  "strip",
  "wipe",
  "cleave",
  "open-joint",
  "load",
  "program",
  "look",
  "fuse",
  "close-joint",
  "estimate",
  "pull",
  "cover",
  "shrink",
  "cool",
  "slot",
] as const;

/** Which of the two fibres a step is done on. */
const SPLICED_SIDES = ["a", "b", "both"] as const;

const zSplicingStep = z.strictObject({
  id: zId,
  title: zName,
  act: z.enum(SPLICING_ACTS),
  side: z.enum(SPLICED_SIDES).default("both"),
  /** Tool it is done with, by its id; absent where it is done by hand or eye. */
  tool: zDocumentId.optional(),
  /** What to look at, or how; shown below the title. */
  note: z.string().max(300).default(""),
  caution: z.string().max(300).default(""),
  /** Consumables it uses up: a sleeve or a mechanical splice once a splice, all else once a try. */
  uses: zUses,
  /** How long it takes by itself: a sleeve that shrinks or cools. */
  seconds: z.int().min(1).max(3_600).optional(),
});

/** One side as it must be when it goes into the splicer or joint. Millimetres outside, micrometres inside. */
const zPreparedSide = z.strictObject({
  /** What ends where the glass is bare: the 250 coating, or the 900 buffer. */
  layer: z.enum(["coating", "buffer"]),
  diameter: zMmNotNegative,
  /** Bared before the cleave. */
  strip: zMmNotNegative,
  /** Bare glass left by the cleave: the limits are inclusive. */
  cleave: z.strictObject({ min: zMmNotNegative, max: zMmNotNegative }),
});

/** How two fibres, or two ribbons, are joined: what is prepared on each side, and the steps in order. */
export const zSplicing = z.strictObject({
  id: zId,
  revision: z.int().min(1),
  name: zName,
  about: z.string().max(300),
  source: zSource,
  method: z.enum(["fusion", "mass-fusion", "mechanical"]),
  /** Fibres joined at once. */
  fibres: z.strictObject({ min: z.int().min(1), max: z.int().min(1).max(24) }),
  sides: z.strictObject({ a: zPreparedSide, b: zPreparedSide }),
  /** Bare glass the cleaver holds beyond its blade. */
  beyondBlade: zMmNotNegative,
  /** The sleeve, and the least of either side's coating or buffer it must lie on; null where the joint itself holds. */
  sleeve: z.strictObject({ length: zMmNotNegative, cover: zMmNotNegative }).nullable(),
  /** Proof pull in newtons after the arc; null where the school has none. */
  pullNewtons: z.number(said("this-must-be-a-number")).min(0).max(20).nullable(),
  steps: z.array(zSplicingStep).min(1).max(60).superRefine(eachOnce("id")),
});
export type Splicing = z.output<typeof zSplicing>;
export type SplicingStep = Splicing["steps"][number];

/**
 * The most bare glass between two coatings once they are joined, micrometres.
 * @example bareGlass({ sides: splicing250.sides }) // 20000
 */
export const bareGlass = ({ sides: { a, b } }: Pick<Splicing, "sides">): Length =>
  um(a.cleave.max + b.cleave.max);

/**
 * The least a sleeve may be off the middle of the joint and still lie on the coating of both sides as far as it must,
 * micrometres; null where there is no sleeve, negative where it is too short.
 * @example sleeveRoom(splicing250) // 9000
 */
export function sleeveRoom({ sides, sleeve }: Pick<Splicing, "sides" | "sleeve">): Length | null {
  if (!sleeve) return null;
  const bare = Math.max(sides.a.cleave.max, sides.b.cleave.max);
  return um(Math.floor(sleeve.length / 2) - bare - sleeve.cover);
}

/**
 * The splicing procedures that join so many fibres at once.
 * @example splicingFor([splicing250], 12).length // 0
 */
export const splicingFor = (all: readonly Splicing[], count: number): readonly Splicing[] =>
  all.filter(({ fibres }) => count >= fibres.min && count <= fibres.max);

/** Acts whose consumables stay with the fibre when a try fails: the next try uses them again. */
const ONCE: readonly SplicingStep["act"][] = ["sleeve", "open-joint"];

/**
 * Consumables of splices made by a procedure: a sleeve or a mechanical splice for each splice, all else for each try.
 * @param tries of all the splices together.
 * @example splicingUses(splicing250, { splices: 2, tries: 3 })
 * // [{ item: "splice sleeve", count: 2 }, { item: "lint-free wipe", count: 6 }]
 */
export const splicingUses = (
  { steps }: Pick<Splicing, "steps">,
  { splices, tries }: { readonly splices: number; readonly tries: number },
): ItemCount[] =>
  itemSums(
    steps.flatMap(({ act, uses }) =>
      uses.map(({ item, count }) => ({ item, count: count * (ONCE.includes(act) ? splices : tries) })),
    ),
  ).filter(({ count }) => count > 0);
