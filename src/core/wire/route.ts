import { z } from "zod";
import { zUuid } from "../names/names";
import type { Role } from "../people/crew-event";
import { said } from "../words/service";

/** A file that is answered, or sent, in place of JSON. */
export interface Media {
  readonly media: readonly string[];
}

/** One thing the interface for programs does. */
export interface RouteSpec {
  readonly does: string;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodObject | Media;
  readonly answer: z.ZodType | Media;
  /** Where it is not 200. */
  readonly status?: 201;
  /** Done by somebody: `by`, a person's id or null, goes with the body, or with the query where the body is a file. */
  readonly acts?: true;
  /** Who may, where names are proven. Absent: a technician where it `acts`, else whoever is let in. */
  readonly roles?: readonly Role[];
  /** Of the proof of names itself: it decides who may by what it is sent. */
  readonly open?: true;
  /** Each use stands in the crew's log, where names are proven or a program used it. */
  readonly logged?: true;
}

export const route = <const S extends RouteSpec>(spec: S): S => spec;

/** Who is working at the device that asks. */
export const zBy = z.object({ by: zUuid(said("a-persons-id-must-be-a-uuid")).nullable().default(null) });

export const zNothing = z.strictObject({});
