import { z } from "zod";
import { zDemoSplicing } from "./closure-work";

const zBase = {
  job: z.string(),
  label: z.string(),
  style: z.string(),
  cable: z.string(),
  core: z.string(),
  choices: z.record(z.string(), z.string()).default({}),
  /** Where it is made, of a piece of a job in the order they are planned; without it, it is an end by itself. */
  at: z.object({ job: z.string(), piece: z.int(), side: z.string(), address: z.string() }).optional(),
};
const zMade = z.object({
  ...zBase,
  by: z.int(),
  off: z.record(z.string(), z.number()),
  skip: z.array(z.string()).default([]),
  /** Looks that were bad the first time, by judgement: the answer seen. */
  bad: z.record(z.string(), z.string()).default({}),
  outcome: z.enum(["kept", "cut-off"]).default("kept"),
  /** What was out was redone by the recommended way before going on. */
  reworked: z.boolean().default(false),
});
const zSeries = z.object({
  ...zBase,
  by: z.int(),
  off: z.record(z.string(), z.number()),
  outcome: z.enum(["kept", "cut-off"]).default("kept"),
  /** Tool whose blade was turned before the first of them. */
  turned: z.string().optional(),
  count: z.int(),
});
/** The demo's data as its file has it. */
export const zDemo = z.object({
  people: z.array(z.string()),
  /** `off` says by how many micrometres a length was made off its nominal. */
  ends: z.array(zMade),
  /** Ends of the pieces that are planned. */
  placed: z.array(zMade),
  /** Ends alike, one fibre after the other, by one hand: what its aim is worked out from. */
  series: z.array(zSeries),
  /** The same, made before all the others. */
  history: z.array(zSeries),
  /** Checks of tools in the morning of a day. */
  toolChecks: z.array(
    z.object({
      daysAgo: z.int(),
      by: z.int(),
      tool: z.string(),
      answers: z.record(z.string(), z.string()).default({}),
      gauge: z.number().optional(),
      reading: z.number().optional(),
    }),
  ),
  /** One piece measured again and again, in millimetres. */
  studies: z.array(z.object({ by: z.int(), instrument: z.string(), readings: z.array(z.number()) })),
  open: z.array(z.object({ ...zBase, toStep: z.string() })),
  /** Figures held against a part's sheet, by whom; ends after it are made by them. */
  confirmed: z.array(
    z.object({ style: z.string(), cable: z.string(), core: z.string(), by: z.int(), sheet: z.string() }),
  ),
  /** Pieces of cable as they are planned, and the closures they are joined in; a closure names a piece by its place in the list. */
  jobs: z.array(
    z.object({
      name: z.string(),
      by: z.int(),
      pieces: z.array(z.unknown()),
      closures: z.array(
        z.object({
          name: z.string(),
          entry: z.string(),
          cables: z.array(
            z.looseObject({ joins: z.object({ piece: z.int(), side: z.string() }).optional() }),
          ),
          splicing: zDemoSplicing.optional(),
        }),
      ),
      /** Feeders; a joint names its closure by its place in the list. */
      feeders: z
        .array(
          z.looseObject({
            name: z.string(),
            joints: z.array(z.looseObject({ closure: z.int().nullable() })),
          }),
        )
        .default([]),
    }),
  ),
  /** Many ends at once: the first `begun` of them stand at a step. */
  batches: z.array(
    z.object({
      job: z.string(),
      style: z.string(),
      cable: z.string(),
      core: z.string(),
      count: z.int(),
      begun: z.int(),
      toStep: z.string(),
    }),
  ),
});

export type Demo = z.output<typeof zDemo>;
/** An end that is made from its first step to its sign-off. */
export type MadeEnd = z.output<typeof zMade>;
