import { z } from "zod";
import { zCable } from "../cable/cable";
import { zEntry } from "../entry/entry";
import { zProcedure } from "../procedure/procedure";

const inputOf = (schema: z.ZodType) => z.toJSONSchema(schema, { io: "input", reused: "ref" });

/**
 * JSON Schema (draft 2020-12) of the documents a user can bring, made from the very schemas that check them.
 * What one field asks of another is beyond it: that is shown when a document is read.
 * @example Object.keys(jsonSchemas()) // ["procedure", "entry", "cable"]
 */
export const jsonSchemas = () => ({
  procedure: { title: "Arlent procedure", ...inputOf(zProcedure) },
  entry: { title: "Arlent entry", ...inputOf(zEntry) },
  cable: { title: "Arlent cable", ...inputOf(zCable) },
});
