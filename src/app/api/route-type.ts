import type { z } from "zod";
import { zActing } from "./acting";

/** A file that is answered, or sent, in place of JSON. */
export interface Media {
  readonly media: readonly string[];
}

/** One thing the interface for programs does, by the schemas that check it. */
export interface Route {
  readonly method: "get" | "post";
  /** As in the address, what varies in braces. */
  readonly path: string;
  readonly does: string;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType | Media;
  readonly answer: z.ZodType | Media;
  readonly status?: 201;
}

/** What is done by somebody: who is working goes with it, where that was said. */
export const acted = (schema: z.ZodObject) => schema.extend(zActing.shape);
