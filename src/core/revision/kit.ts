import { z } from "zod";
import { zName } from "../names/names";

const zWords = z.strictObject({
  title: zName,
  how: z.string().max(600).optional(),
  cautions: z.array(zName).optional(),
});

/** What a draft is put together from: the shelf's tools by what they do, and what its steps say. */
export const zDraftKit = z.strictObject({
  note: z.string(),
  tools: z.strictObject({
    mark: zName,
    cleave: zName,
    jacket: zName,
    yarn: zName,
    tube: zName,
    buffer: zName,
    coating: zName,
  }),
  thread: zWords,
  mark: zWords,
  take: zWords,
  /** Taking off the coating. */
  bare: zWords,
  measureFirst: zWords,
  wipe: zWords.extend({ count: z.strictObject({ min: z.int(), max: z.int(), of: z.string() }) }),
  cleave: zWords.extend({ shards: z.int() }),
  measure: zWords,
  finish: zWords,
  dispose: zWords,
  retry: z.strictObject({ name: zName, most: z.int() }),
  /** Millimetres a fresh start takes beyond what was prepared. */
  squareUp: z.number(),
});

export type DraftKit = z.output<typeof zDraftKit>;

/** Words of a step, with the name of what it makes in its title. */
export const named = ({ title, ...rest }: DraftKit["mark"], name: string) => ({
  title: title.replace("{name}", name),
  ...rest,
});
