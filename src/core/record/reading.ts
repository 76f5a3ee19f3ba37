import { z } from "zod";
import type { EndState } from "../end/end-state";
import { zMm } from "../length/length";

/** A reading as it is shown. */
export const zReading = z.strictObject({
  /** The event it came by: what a correction names. */
  id: z.string(),
  value: zMm,
  typed: z.string(),
  unit: z.enum(["mm", "in"]),
  instrument: z.string(),
  at: z.string(),
});

export const readingOf = ({
  id,
  value,
  typed,
  unit,
  instrument,
  at,
}: EndState["readings"][number]): z.output<typeof zReading> => ({
  id,
  value,
  typed,
  unit,
  instrument: instrument.name,
  at,
});
