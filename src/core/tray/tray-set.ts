import { z } from "zod";
import { type Length, um, zMmNotNegative } from "../length/length";
import { zId } from "../names/names";
import { coded } from "../problem/codes";
import { said } from "../words/core";
import { layLoops, leastTrim, reachesOf, type TraySide, zTraySide } from "./loops";
import { giveSlots } from "./trays";

const zPaths = zTraySide.shape.paths;

const zSlot = z.strictObject({
  id: zId,
  /** Takes the sleeve of a whole ribbon instead of one fibre's. */
  ribbon: z.literal(true).optional(),
  /** Ways round the tray to this slot, of fibres that come in on either side. */
  a: zPaths,
  b: zPaths,
});

/** The trays of an entry, all alike: where their slots lie and how fibre is stored on them. */
export const zTraySet = z.strictObject({
  /** How many the entry takes. */
  most: z
    .int(said("this-must-be-a-whole-number"))
    .min(1, said("an-entry-takes-at-least-1-tray"))
    .max(48, said("an-entry-takes-at-most-48-trays")),
  /** Of the tray, for its drawing: its loops run round its middle. */
  width: zMmNotNegative,
  height: zMmNotNegative,
  /** The least radius of a fibre stored on it. */
  radius: zMmNotNegative,
  turns: zTraySide.shape.turns,
  perimeter: zTraySide.shape.perimeter,
  /** Fibre from where it comes onto a tray to its splice, as it is prepared. */
  fibre: zMmNotNegative,
  /** The least fibre that still reaches the splicer and back. */
  reach: zMmNotNegative,
  /** What a try takes off both fibres: the cleave's scrap and what is stripped anew. */
  perTry: zMmNotNegative.refine((value) => value > 0, {
    ...said("this-length-must-be-greater-than-0"),
    params: coded("negative"),
  }),
  slots: z
    .array(zSlot)
    .min(1, said("give-at-least-one-slot"))
    .max(48, said("give-at-most-48-slots"))
    .refine((slots) => new Set(slots.map(({ id }) => id)).size === slots.length, {
      ...said("each-slot-must-have-its-own-id"),
      params: coded("duplicate"),
    }),
});

export type TraySet = z.output<typeof zTraySet>;

/** A slot of one of the trays: tray 2, slot 5. */
interface SlotPlace {
  readonly tray: number;
  readonly slot: string;
}

/**
 * A slot's place as it is kept and written: `2.5`.
 * @example slotText({ tray: 2, slot: "5" }) // "2.5"
 */
export const slotText = ({ tray, slot }: SlotPlace): string => `${tray}.${slot}`;

/**
 * A place as it is written, where the trays have it.
 * @example slotAt({ most: 1, slots: [{ id: "5" }] }, "1.5") // { tray: 1, slot: "5" }
 */
export function slotAt(
  trays: { readonly most: number; readonly slots: readonly { readonly id: string }[] },
  text: string,
): SlotPlace | null {
  const [, number = "", slot = ""] = /^(\d{1,2})\.(.+)$/.exec(text) ?? [];
  const tray = Number(number);
  const isThere = tray >= 1 && tray <= trays.most && trays.slots.some(({ id }) => id === slot);
  return isThere ? { tray, slot } : null;
}

/** A splice as trays see it: how much fibre it has on either side, and whether it joins ribbons. */
interface StoredSplice {
  readonly id: string;
  readonly a: Length;
  readonly b: Length;
  readonly ribbon: boolean;
  /** Where it lies, or is to lie, as it is written; null where nobody has said. */
  readonly slot: string | null;
}

const SIDES_OF_SLOT = ["a", "b"] as const;
type SlotSide = (typeof SIDES_OF_SLOT)[number];

const sideOf = (trays: TraySet, slot: TraySet["slots"][number], side: SlotSide): TraySide => ({
  paths: slot[side],
  turns: trays.turns,
  perimeter: trays.perimeter,
});

/** How one side of a splice lies in a slot. */
interface SideLaid {
  /** To be trimmed before it lies; null where it cannot be laid there at all. */
  readonly trim: Length | null;
  /** Path and loops once it is trimmed; null where it cannot be laid. */
  readonly path: string | null;
  /** Whole loops and half ones together. */
  readonly turns: number | null;
  readonly perimeter: number | null;
  /** How often it can be cleaved anew and still reach; −1 where it does not reach as it is. */
  readonly tries: number;
}

/** How a splice lies in a slot: both sides, and how many tries are left for it before a fibre no longer reaches. */
export interface SpliceLaid {
  readonly a: SideLaid;
  readonly b: SideLaid;
  readonly tries: number;
}

/**
 * How a splice lies in a slot of a tray: by which path and loops, what to trim, and for how many more tries its fibres reach.
 * Each try takes as much off both fibres.
 * @example laidIn(dome.trays, "1", { a: um(1_300_000), b: um(1_300_000) })?.a.trim // 0
 */
export function laidIn(
  trays: TraySet,
  slotId: string,
  lengths: { readonly a: Length; readonly b: Length },
): SpliceLaid | null {
  const slot = trays.slots.find(({ id }) => id === slotId);
  if (!slot) return null;
  const [a, b] = SIDES_OF_SLOT.map((side) => sideLaid(trays, sideOf(trays, slot, side), lengths[side]));
  return a && b ? { a, b, tries: Math.min(a.tries, b.tries) } : null;
}

function sideLaid({ perTry, radius, reach }: TraySet, side: TraySide, length: Length): SideLaid {
  const reaches = reachesOf(side, radius);
  const trim = reaches && leastTrim(reaches, length);
  if (!reaches || trim === null) return { trim: null, path: null, turns: null, perimeter: null, tries: -1 };
  const { choices } = layLoops({ length: um(length - trim), bendRadius: radius, ...side });
  const [choice] = choices;
  const half = side.paths.find(({ name }) => name === choice?.path)?.halfTurns ?? 0;
  // Below this a fibre lies nowhere, or no longer comes to the splicer.
  const least = Math.max(reach, Math.min(...reaches.map((way) => way.least)));
  return {
    trim,
    path: choice?.path ?? null,
    turns: choice ? choice.turns + half / 2 : null,
    perimeter: choice?.perimeter ?? null,
    tries: Math.max(-1, Math.floor((length - least) / perTry)),
  };
}

/**
 * Gives every splice without a slot one on the trays, with the least to trim; those that have one keep it. A ribbon's sleeve
 * lies only in a ribbon's slot.
 * @returns each splice's slot as it is written; null where none is left that its fibres reach.
 * @example slotsFor(dome.trays, [{ id: "f", a: um(1_300_000), b: um(1_300_000), ribbon: false, slot: "2.3" }]).get("f") // "2.3"
 */
export function slotsFor(
  trays: TraySet,
  splices: readonly StoredSplice[],
): ReadonlyMap<string, string | null> {
  const taken = new Set(splices.flatMap(({ slot }) => slot ?? []));
  const given = new Map(splices.map(({ id, slot }) => [id, slot]));
  for (const ribbon of [false, true]) {
    const open = splices.filter((splice) => splice.slot === null && splice.ribbon === ribbon);
    // Tray by tray: the next is begun where the one before is full.
    for (let tray = 1; tray <= trays.most; tray++) {
      const waiting = open.filter(({ id }) => given.get(id) === null);
      if (waiting.length === 0) break;
      const slots = trays.slots
        .filter((slot) => (slot.ribbon === true) === ribbon && !taken.has(slotText({ tray, slot: slot.id })))
        .map((slot) => ({
          id: slotText({ tray, slot: slot.id }),
          a: sideOf(trays, slot, "a"),
          b: sideOf(trays, slot, "b"),
        }));
      const first = waiting.slice(0, slots.length);
      const { assignment } = giveSlots({
        slots,
        bendRadius: trays.radius,
        splices: first.map(({ id, a, b }) => ({ id, a, b })),
      });
      for (const { splice, slot } of assignment) if (slot !== null) given.set(splice, slot);
    }
  }
  return given;
}
