import type { z } from "zod";
import { type Length, um } from "../../length/length";

/** How a length is written: whole micrometres where it is stored, millimetres where it travels. */
export type LengthSchema = z.ZodType<Length, number>;

/** The greatest reading taken: no prepared end is longer. */
export const LONGEST_READING = um(5_000_000);
