import { z } from "zod";
import { zName } from "../../names/names";
import { FAULTS } from "./faults";
import type { LengthSchema } from "./length-schema";

/** Something seen on a feature: a bad cleave, a touched end, one that has stood too long, a nick in bare glass, a mark that is gone. */
export const faultWith = (zLength: LengthSchema) =>
  z.strictObject({
    kind: z.literal("fault"),
    leg: z.string().max(40),
    feature: zName,
    what: z.enum(FAULTS),
    /** How far behind the fibre end the nick lies, where that is known. */
    at: zLength.nullable(),
    on: z.boolean(),
  });
