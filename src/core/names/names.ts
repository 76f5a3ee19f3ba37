import { z } from "zod";
import { said } from "../words/core";
import type { Said } from "../words/wording";

/** What a thing is called, in the trade's words, or the word it goes by inside a document. */
export const zName = z
  .string(said("a-name-is-text"))
  .min(1, said("enter-a-name"))
  .max(200, said("a-name-must-have-at-most-200"));

/** What something goes by inside a document: any name but those every object of the program answers to already. */
export const zId = zName.refine(
  (id) => !(id in Object.prototype),
  said("this-word-is-reserved-choose-another-id"),
);

/** A UUID, in small letters whichever way it was written (RFC 9562 takes both). */
export const zUuid = (wrong: Said) => z.uuid(wrong).toLowerCase();

/** What a document goes by: small letters, digits, points and hyphens. */
export const zDocumentId = z
  .string(said("an-id-is-text"))
  .regex(/^[a-z0-9]+(?:[.-][a-z0-9]+)*$/, said("an-id-may-have-small-letters-digits"))
  .max(80, said("an-id-must-have-at-most-80"));
