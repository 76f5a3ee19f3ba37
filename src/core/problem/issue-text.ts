import { z } from "zod";
import { t } from "../words/core";

/** What a JSON type is called in a sentence. */
const TYPES: Readonly<Record<string, string>> = {
  string: "text",
  number: "a number",
  int: "a whole number",
  boolean: "true or false",
  object: "an object",
  array: "a list",
  record: "an object",
};

/** The sentence of a Zod issue whose schema gives none of its own; undefined leaves it as Zod words it. */
function issueText(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case "invalid_type":
      return t("must-be", { type: TYPES[issue.expected] ?? issue.expected });
    case "invalid_value":
      return t("must-be-one-of", { values: issue.values.map(String).join(", ") });
    case "unrecognized_keys":
      return t("has-fields-that-are-not-known", { keys: issue.keys.join(", "), count: issue.keys.length });
    case "too_small":
      return issue.origin === "string" || issue.origin === "array"
        ? t("must-have-at-least", { least: Number(issue.minimum), kind: issue.origin })
        : t("must-be-at-least", { least: String(issue.minimum), open: issue.inclusive ? "no" : "yes" });
    case "too_big":
      return issue.origin === "string" || issue.origin === "array"
        ? t("must-have-at-most", { most: Number(issue.maximum), kind: issue.origin })
        : t("must-be-at-most", { most: String(issue.maximum), open: issue.inclusive ? "no" : "yes" });
    case "invalid_union":
      return t("is-none-of-the-forms-allowed");
    case "invalid_format":
      return t("is-not-written-as-it-must-be", { format: issue.format });
    default:
      return undefined;
  }
}

z.config({ customError: issueText });
