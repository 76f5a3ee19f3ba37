import { z } from "zod";
import { RESULTS } from "../event/judged";
import { PURPOSES } from "../event/recorded";
import { said } from "../words/service";

export const zSealText = z.strictObject({ seal: z.string(said("a-seal-is-text")) });

const zCursor = z.union([
  z.literal(["file", "documents", "register", "loose", "seals"]),
  z.string().regex(/^ends:[0-9a-zA-Z-]{0,60}$/, said("from-must-be-a-value-this-check")),
]);

export const zRecordCheck = z.strictObject({ after: zCursor.default("file") });

/** How one end is set on paper: on one page for whoever it was made for, or with all that happened to it. */
export const zPdfQuery = z.strictObject({
  form: z.enum(["page", "log"], said("form-must-be-page-or-log")).default("log"),
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
