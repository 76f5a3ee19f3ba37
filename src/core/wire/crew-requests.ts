import { z } from "zod";
import { zPersonId, zPersonName } from "../people/people";
import { said } from "../words/service";

export const zNewPerson = z.strictObject({ id: zPersonId.optional(), name: zPersonName });

export const zRename = z.strictObject({ name: zPersonName });

export const zMerge = z.strictObject({ into: zPersonId });

export const zEnter = z.strictObject({
  key: z.string(said("enter-the-crew-key")).min(1, said("enter-the-crew-key")).max(200),
});
