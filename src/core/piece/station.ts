import { z } from "zod";
import { zMmNotNegative } from "../length/length";
import { zDocumentId, zUuid } from "../names/names";
import { coded } from "../problem/codes";
import { said } from "../words/core";
import { TOWARDS } from "./address";

/** Where a tube or fibre is cut in an opening: in its middle, or at the end that lies towards one side. */
export const CUT_PLACES = ["middle", "upstream", "downstream"] as const;
export type CutPlace = (typeof CUT_PLACES)[number];

/** Which cut ends of a parted fibre are worked: both, or the one towards a side. */
export const CUT_ENDS = ["both", ...TOWARDS] as const;

/** The most fibres that are parted at one station. */
const MOST_PARTED = 288;

/** A fibre that is cut at a station, by its number over the whole cable; all else there stays whole. */
export const zParted = z.strictObject({
  fibre: z
    .int(said("a-fibres-number-must-be-a-whole"))
    .min(1, said("a-fibres-number-must-be-1-or"))
    .max(6_912),
  at: z.enum(CUT_PLACES, said("cut-must-be-one-of", { cutPlaces: CUT_PLACES.join(", ") })),
});
export type Parted = z.output<typeof zParted>;

export const zStationId = zUuid(said("a-stations-id-must-be-a-uuid")).brand("StationId");
export type StationId = z.output<typeof zStationId>;

const zChoices = z.record(z.string().max(80), z.string().max(80)).default({});

/** Where a piece's sheath is opened in the middle of its run. */
export const zStation = z.strictObject({
  id: zStationId,
  /** What hangs or stands there: a closure, a pole. */
  place: z.string(said("a-name-is-text")).trim().max(200, said("a-name-must-have-at-most-200")),
  /** Its centre mark, along the cable from side A's end as it is cut. */
  along: zMmNotNegative,
  /** By which it is opened: one for a cable in mid-run. */
  procedure: zDocumentId,
  choices: zChoices,
  /** What is then put on the cut ends of each fibre that is parted here. */
  onto: z
    .strictObject({
      procedure: zDocumentId,
      choices: zChoices,
      /** Null in a plan of an earlier program: one end of each fibre, and nobody said which. */
      cutEnds: z.enum(CUT_ENDS).nullable().default("both"),
    })
    .nullable()
    .default(null),
  parted: z
    .array(zParted)
    .max(MOST_PARTED, said("at-most-fibres-can-be-parted-at", { mostParted: MOST_PARTED }))
    .refine((all) => new Set(all.map(({ fibre }) => fibre)).size === all.length, {
      ...said("list-each-fibre-once"),
      params: coded("duplicate"),
    })
    .default([]),
});
export type Station = z.output<typeof zStation>;
