import { z } from "zod";
import { zCore } from "../cable/cable";
import { zMmNotNegative } from "../length/length";
import { zDocumentId, zName } from "../names/names";
import { coded } from "../problem/codes";
import { zSegment, zStored } from "../slack/cut-length";
import { zYield } from "../slack/retries";
import { said, t } from "../words/core";
import { zStation } from "./station";

/** How a cable lies along a stretch of its route. */
export const STRETCHES = ["tray", "duct", "buried", "wall", "drop", "span"] as const;

const zTitle = z.string(said("a-name-is-text")).trim().max(200, said("a-name-must-have-at-most-200"));

/** A stretch of route; of a span between two points, how far it sags. Null is what nobody has said yet. */
const zStretch = z.strictObject({
  length: zSegment.shape.length.nullable(),
  allowancePct: zSegment.shape.allowancePct.nullable(),
  kind: z.enum(STRETCHES, said("kind-must-be-one-of", { stretches: STRETCHES.join(", ") })),
  name: zTitle,
  sag: zMmNotNegative.nullable().default(null),
});

/** Cable stored in turns, after so many stretches of the route. Null is what nobody has said yet. */
const zLoop = z.strictObject({
  turns: zStored.shape.turns.nullable(),
  perimeter: zStored.shape.perimeter.nullable(),
  name: zTitle,
  after: z.int().min(0).max(200),
});

const zChoices = z.record(z.string().max(80), z.string().max(80)).default({});

const zTries = z
  .int(said("retries-must-be-a-whole-number"))
  .min(0, said("retries-must-be-0-or-more"))
  .max(50, said("enter-at-most-50-retries"));

/** What is done at one side of a piece: by which procedure, on how many of its elements. */
const zSide = z.strictObject({
  place: zTitle,
  procedure: zDocumentId.nullable(),
  choices: zChoices,
  /** What is then put on each element that procedure opens onto. */
  onto: z
    .strictObject({
      procedure: zDocumentId,
      choices: zChoices,
      /** Attempts beyond the first that each element is left long enough for: all of them, side by side. */
      retries: zTries.nullable().default(0),
    })
    .nullable()
    .default(null),
  /** Slack as somebody found it at each place here; null goes by the retries there is cable for. */
  slack: zMmNotNegative.nullable().default(null),
  /** Ends made here, each by that procedure. */
  ends: z.int(said("ends-must-be-a-whole-number")).min(0, said("ends-must-be-0-or-more")).max(6_912),
  /** Cable left over here as slack, beyond the tries; null where none is. */
  leave: zMmNotNegative.nullable().default(null),
  /** From where the cable comes in to where its end is prepared; null as long as nobody has said. */
  entry: zMmNotNegative.nullable(),
  /** Cut off to have it square, and what the pulling grip spoils; null as long as nobody has said. */
  squaring: zMmNotNegative.nullable(),
  grip: zMmNotNegative.nullable(),
  /** Attempts beyond the first that there is cable for; null as long as nobody has said. */
  retries: zTries.nullable(),
});

/** One length of a cable as it is planned, side A to side B. */
export const zPiecePlan = z
  .strictObject({
    name: zName,
    cable: zDocumentId,
    core: zCore,
    sides: z.strictObject({ A: zSide, B: zSide }),
    route: z.array(zStretch).max(200, said("at-most-200-stretches-of-route")),
    loops: z.array(zLoop).max(50, said("at-most-50-loops")),
    /** Where its sheath is opened in the middle of its run. */
    stations: z
      .array(zStation)
      .max(50, said("at-most-50-stations"))
      .refine((all) => new Set(all.map(({ id }) => id)).size === all.length, {
        ...said("each-station-must-have-its-own-id"),
        params: coded("duplicate"),
      })
      .default([]),
    /** The least radius at rest by the cable's own sheet; null goes by its diameter. */
    bendAtRest: zMmNotNegative.nullable().default(null),
    /** How often an end comes out well; null as long as nobody has said. */
    yield: zYield.nullable(),
    /** How likely it may be that an end falls short. */
    risk: z
      .number(said("risk-must-be-a-share-from-0"))
      .min(0, said("risk-must-be-at-least-0"))
      .max(1, said("risk-must-be-at-most-1")),
    roundUpTo: zMmNotNegative.refine((value) => value > 0, {
      ...said("rounding-must-be-to-a-length-greater"),
      params: coded("negative"),
    }),
  })
  .superRefine(({ route, loops }, context) => {
    loops.forEach(({ after }, i) => {
      if (after > route.length)
        context.addIssue({
          code: "custom",
          path: ["loops", i, "after"],
          message: t("a-loop-must-lie-after-one-of", { route: route.length }),
          params: coded("limit"),
        });
    });
  });

/** A plan of a program in which a parted fibre was one end. */
const zOldPlan = z.looseObject({
  stations: z.array(z.looseObject({ onto: z.looseObject({}).nullable().optional() })),
});

/**
 * A stored plan as today's: where one end was planned on a parted fibre, and nobody said which of its two, that stays so.
 * @example liftedPlan(null) // null
 */
export function liftedPlan(body: unknown): unknown {
  const plan = zOldPlan.safeParse(body);
  if (!plan.success) return body;
  const stations = plan.data.stations.map((station) =>
    station.onto ? { ...station, onto: { cutEnds: null, ...station.onto } } : station,
  );
  return { ...plan.data, stations };
}

export type PiecePlan = z.output<typeof zPiecePlan>;
export type RouteStretch = PiecePlan["route"][number];
export type Loop = PiecePlan["loops"][number];
export type SideName = keyof PiecePlan["sides"];
export const SIDES: readonly SideName[] = ["A", "B"];
