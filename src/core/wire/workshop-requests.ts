import { z } from "zod";
import { zUuid } from "../names/names";
import { zStudyInput } from "../study/repeatability";
import { said } from "../words/service";

export const zStudy = zStudyInput.extend({ id: zUuid(said("an-id-is-a-uuid")).optional() });

export const zToolEvent = z.strictObject({
  id: zUuid(said("an-id-is-a-uuid")).optional(),
  action: z.enum(["wipe", "turn", "new"], said("a-blade-is-wiped-turned-or-new")),
});

export const zAimQuery = z.strictObject({
  /** Id of the person. */
  person: z.string().trim().min(1, said("whose-aim")).max(120),
  style: z.string().max(80).optional(),
});
