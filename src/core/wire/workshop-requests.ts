import { z } from "zod";
import { t } from "@/messages/service";
import { zUuid } from "../names/names";
import { zStudyInput } from "../study/repeatability";

export const zStudy = zStudyInput.extend({ id: zUuid(t("an-id-is-a-uuid")).optional() });

export const zToolEvent = z.strictObject({
  id: zUuid(t("an-id-is-a-uuid")).optional(),
  action: z.enum(["wipe", "turn", "new"], { error: t("a-blade-is-wiped-turned-or-new") }),
});

export const zAimQuery = z.strictObject({
  /** Id of the person. */
  person: z.string().trim().min(1, t("whose-aim")).max(120),
  style: z.string().max(80).optional(),
});
