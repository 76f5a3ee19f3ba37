import { z } from "zod";

/** What a thing is called, in the trade's words, or the word it goes by inside a document. */
export const zName = z
  .string("A name is text")
  .min(1, "Enter a name")
  .max(200, "A name must have at most 200 characters");

/** What something goes by inside a document: any name but those every object of the program answers to already. */
export const zId = zName.refine((id) => !(id in Object.prototype), {
  error: "This word is reserved. Choose another id",
});

/** A UUID, in small letters whichever way it was written (RFC 9562 takes both). */
export const zUuid = (noun: string) => z.uuid(noun).toLowerCase();

/** What a document goes by: small letters, digits, points and hyphens. */
export const zDocumentId = z
  .string("An id is text")
  .regex(/^[a-z0-9]+(?:[.-][a-z0-9]+)*$/, "An id may have small letters, digits, points and hyphens only")
  .max(80, "An id must have at most 80 characters");
