import { z } from "zod";
import { t } from "@/messages/service";
import { zPersonId, zPersonName } from "../people/people";

export const zNewPerson = z.strictObject({ id: zPersonId.optional(), name: zPersonName });

export const zRename = z.strictObject({ name: zPersonName });

export const zMerge = z.strictObject({ into: zPersonId });

export const zEnter = z.strictObject({
  key: z.string(t("enter-the-crew-key")).min(1, t("enter-the-crew-key")).max(200),
});
