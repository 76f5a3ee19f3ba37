import { z } from "zod";

/** What an end comes to. */
export const RESULTS = ["in", "out", "unsure", "unmeasured", "cut-off", "discarded"] as const;
export type Result = (typeof RESULTS)[number];

/** A verdict as it is kept with a signed end: mean and uncertainty in micrometres, not rounded. */
const zKeptVerdict = z.strictObject({
  check: z.string(),
  mean: z.number(),
  u: z.number(),
  probability: z.number(),
  verdict: z.enum(["in", "out", "unsure"]),
  more: z.int().nullable().optional(),
});
export type KeptVerdict = Readonly<z.output<typeof zKeptVerdict>>;

/** What an end was judged to be when it was signed off, by the program of that day. */
export const zJudged = z.strictObject({
  program: z.string(),
  result: z.enum(RESULTS),
  verdicts: z.array(zKeptVerdict).readonly(),
});
export type Judged = Readonly<z.output<typeof zJudged>>;
