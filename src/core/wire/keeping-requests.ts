import { z } from "zod";
import { t } from "@/messages/service";
import { RESULTS } from "../event/judged";
import { PURPOSES } from "../event/recorded";

export const zSealText = z.strictObject({ seal: z.string(t("a-seal-is-text")) });

const zCursor = z.union([
  z.literal(["file", "documents", "register", "loose"]),
  z.string().regex(/^ends:[0-9a-zA-Z-]{0,60}$/, t("from-must-be-a-value-this-check")),
]);

export const zRecordCheck = z.strictObject({ after: zCursor.default("file") });

/** How one end is set on paper: on one page for whoever it was made for, or with all that happened to it. */
export const zPdfQuery = z.strictObject({
  form: z.enum(["page", "log"], { error: t("form-must-be-page-or-log") }).default("log"),
});

/** A day as a calendar writes it; the ledger counts days in UTC. */
const zDay = z.iso.date(t("a-day-must-be-written-as-year"));

export const zLedgerQuery = z.strictObject({
  result: z.enum(RESULTS, { error: t("result-must-be-one-of", { results: RESULTS.join(", ") }) }).optional(),
  style: z.string().max(80).optional(),
  /** Work, unless practice is asked for: it is never shown among work. */
  purpose: z.enum(PURPOSES, { error: t("purpose-must-be-work-or-practice") }).default("work"),
  find: z.string().max(200, t("search-for-at-most-200-characters")).optional(),
  from: zDay.optional(),
  to: zDay.optional(),
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/i, t("from-must-be-a-value-this-list"))
    .optional(),
});
