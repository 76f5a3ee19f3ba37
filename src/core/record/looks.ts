import { z } from "zod";
import { seenFibreText } from "../cable/seen";
import type { EndState } from "../end/end-state";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";

/** Something looked at: what was asked, what was seen, whether that is good. */
export const zLook = z.strictObject({
  id: z.string(),
  asks: z.string(),
  answer: z.string().nullable(),
  sees: z.string().nullable(),
  good: z.boolean().nullable(),
  /** The colours it was answered by, fibre by fibre: `fibre 8: tube OR, fibre BL`; none where it asks for no colours. */
  colours: z.array(z.string()),
});
export type Look = Readonly<z.output<typeof zLook>>;

/** Everything a sheet asks to be looked at, in the order of work, as it was answered last. */
export const looksOf = (sheet: RunSheet, { answers, seen }: Pick<EndState, "answers" | "seen">): Look[] =>
  sheet.lines.flatMap(({ step }) => {
    const judgement = judgementOf(step);
    if (!judgement) return [];
    const given = judgement.answers.find(({ id }) => id === answers[judgement.id]);
    return [
      {
        id: judgement.id,
        asks: judgement.asks,
        answer: given?.id ?? null,
        sees: given?.sees ?? null,
        good: given?.good ?? null,
        colours: given ? (seen[judgement.id] ?? []).map(seenFibreText) : [],
      },
    ];
  });
