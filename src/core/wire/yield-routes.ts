import { z } from "zod";
import { said } from "../words/service";
import { zLedgerQuery } from "./keeping-requests";
import { route } from "./route";

const zShare = z.number();

/** The yield of one connector, of one person or of all. */
const zYieldHere = z.strictObject({
  good: z.int(),
  tried: z.int(),
  /** The interval of the yield, 9 in 10; shares. */
  least: zShare,
  most: zShare,
  /** Median of ends made by themselves. */
  minutes: z.number().nullable(),
  /** The last end that was not good at its first attempt, and its length nearest to a limit. */
  last: z.strictObject({ end: z.string(), signed: z.string(), length: z.string().nullable() }).nullable(),
});
export type YieldHere = z.output<typeof zYieldHere>;

export const zYieldQuery = z.strictObject({
  style: z.string(said("name-a-style")).min(1, said("name-a-style")).max(80),
  /** Id of a person; all of the crew without one. */
  person: z.string().max(120).optional(),
});

const zInsightFile = zLedgerQuery.omit({ before: true }).extend({
  format: z.enum(["json", "csv"]).default("json"),
});

/** The interface for programs: yield on record, and what the record teaches. */
export const YIELD_ROUTES = {
  "get /insight": route({
    does: "Answers from the record as a file: causes, runs that moved, ways, weeks, blades, people.",
    query: zInsightFile,
    answer: { media: ["application/json", "text/csv"] },
    logged: true,
  }),
  "get /yields": route({
    does: "The yield of a connector at the first attempt, of one person or of all.",
    query: zYieldQuery,
    answer: zYieldHere,
  }),
} as const;
