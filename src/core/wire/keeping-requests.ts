import { z } from "zod";
import { RESULTS } from "../event/judged";
import { PURPOSES } from "../event/recorded";
import { said } from "../words/service";

export const zSealText = z.strictObject({ seal: z.string(said("a-seal-is-text")) });

/** Which ends a proof is of: one by its id, or those of a job by its name; all where neither is said. */
export const zProofQuery = z
  .strictObject({
    end: z.string().max(60).optional(),
    job: z.string().max(120).optional(),
  })
  .refine(({ end, job }) => end === undefined || job === undefined, said("ask-for-an-end-or-a-job"));

/** How many lines of the register an earlier seal is over. */
export const zGrowthQuery = z.strictObject({
  lines: z.coerce.number(said("lines-must-be-a-whole-number")).int().min(0).default(0),
});

const zCursor = z.union([
  z.literal(["file", "documents", "register", "loose", "seals"]),
  z.string().regex(/^ends:[0-9a-zA-Z-]{0,60}$/, said("from-must-be-a-value-this-check")),
]);

export const zRecordCheck = z.strictObject({ after: zCursor.default("file") });

/** How one end is set on paper: on one page for whoever it was made for, or with all that happened to it. */
export const zPdfQuery = z.strictObject({
  form: z.enum(["page", "log"], said("form-must-be-page-or-log")).default("log"),
});

/** A factor a card is drawn by, as a printer's correction. */
const zFactor = z.coerce
  .number(said("a-correction-must-be-a-number"))
  .min(0.9, said("a-correction-must-be-from-0-9-to-1-1"))
  .max(1.1, said("a-correction-must-be-from-0-9-to-1-1"));

/** Which sheet's strip cards, on which paper and in which form; `choices` as JSON, `x` and `y` the printer's correction. */
export const zCardQuery = z.strictObject({
  cable: z.string().min(1).max(80),
  procedure: z.string().min(1).max(80),
  core: z.string().max(20).optional(),
  choices: z.string().max(2_000).default("{}"),
  paper: z.enum(["a4", "letter", "roll-62", "roll-100"], said("paper-must-be-one-of")).default("a4"),
  format: z.enum(["pdf", "svg", "dxf"], said("format-must-be-pdf-svg-or-dxf")).default("pdf"),
  /** One page of a drawing; a PDF has them all. */
  page: z.coerce.number().int().min(1).max(50).default(1),
  printer: z.string().trim().max(60).default(""),
  x: zFactor.optional(),
  y: zFactor.optional(),
});

/** Parts of a job's print, in printing order. */
export const JOB_PRINT_PARTS = [
  "cuts",
  "pocket",
  "cards",
  "closures",
  "travellers",
  "trays",
  "labels",
] as const;
export type JobPrintPart = (typeof JOB_PRINT_PARTS)[number];

/** Query of a job's print: parts, paper, format; `x` and `y` are the printer's correction. */
export const zJobPrintQuery = zCardQuery.pick({ paper: true, printer: true, x: true, y: true }).extend({
  page: z.coerce.number().int().min(1).max(2_000).default(1),
  /** Parts with commas between. */
  parts: z
    .string()
    .max(100)
    .default("cards")
    .transform((text) => text.split(",").filter(Boolean))
    .pipe(
      z.array(z.enum(JOB_PRINT_PARTS, said("a-part-must-be-one-of"))).min(1, said("a-part-must-be-one-of")),
    ),
  format: z.enum(["pdf", "svg"], said("format-must-be-pdf-or-svg")).default("pdf"),
});

const zGaugeStyles = z
  .array(zCardQuery.pick({ cable: true, procedure: true, core: true, choices: true }))
  .min(1, said("name-at-least-one-style"))
  .max(8, said("name-at-most-8-styles"));

/** Query of a gauge: its procedures as JSON; marks nearer than `error` millimetres can be mistaken for each other. */
export const zGaugeQuery = zCardQuery
  .pick({ paper: true, format: true, page: true, printer: true, x: true, y: true })
  .extend({
    styles: z
      .string()
      .max(6_000)
      .transform((text, context) => {
        try {
          const styles: unknown = JSON.parse(text);
          return styles;
        } catch {
          context.addIssue({ code: "custom", message: said("the-styles-must-be-json").error() });
          return z.NEVER;
        }
      })
      .pipe(zGaugeStyles),
    /** Number of edges: 1 for a strip, 2 for one face, 4 for both. */
    edges: z.coerce
      .number(said("edges-must-be-1-2-or-4"))
      .pipe(z.literal([1, 2, 4], said("edges-must-be-1-2-or-4")))
      .default(4),
    error: z.coerce
      .number(said("this-must-be-millimetres"))
      .min(0.1, said("this-must-be-millimetres"))
      .max(20, said("this-must-be-millimetres"))
      .default(1.5),
  });

/** The form a closure's record is sent in. */
export const zClosureFile = z.strictObject({
  format: z.enum(["pdf", "csv"], said("format-must-be-pdf-or-csv")).default("pdf"),
});

/** A day as a calendar writes it; the ledger counts days in UTC. */
const zDay = z.iso.date(said("a-day-must-be-written-as-year"));

export const zLedgerQuery = z.strictObject({
  result: z.enum(RESULTS, said("result-must-be-one-of", { results: RESULTS.join(", ") })).optional(),
  style: z.string().max(80).optional(),
  /** Work, unless practice is asked for: it is never shown among work. */
  purpose: z.enum(PURPOSES, said("purpose-must-be-work-or-practice")).default("work"),
  find: z.string().max(200, said("search-for-at-most-200-characters")).optional(),
  from: zDay.optional(),
  to: zDay.optional(),
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/i, said("from-must-be-a-value-this-list"))
    .optional(),
});
