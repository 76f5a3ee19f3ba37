import { useMemo } from "react";
import {
  type Cable,
  type Contradiction,
  firstLooks,
  type ProcedureDocument,
  type Review,
  secondLook,
  type Tool,
  workedFrom,
} from "@/core";
import { useAfterPaint } from "./use-after-paint";

/**
 * What there is to say of a document under the pen: what contradicts within the key's own frame, all the rest and the
 * drawing in the next. Figures laid off from elsewhere than they are stated come from where features lie: with such a
 * length, nothing waits.
 */
export function useReview(
  draft: ProcedureDocument,
  { cables, tools }: { readonly cables: readonly Cable[]; readonly tools: readonly Tool[] },
  wanted: string | null,
): { readonly looked: Review; readonly contradictions: readonly Contradiction[] } {
  const look = useMemo(() => firstLooks(cables), [cables]);
  const first = useMemo(() => look(draft), [look, draft]);
  const late = useAfterPaint(first);
  const shown = draft.dimensions.some((one) => workedFrom(one) !== one.from) ? first : late;
  const looked = useMemo(() => secondLook(shown, { cables, tools }, wanted), [shown, cables, tools, wanted]);
  const contradictions = useMemo(
    () => [
      ...first.contradictions,
      ...looked.contradictions.filter((one) => !shown.contradictions.includes(one)),
    ],
    [first, looked, shown],
  );
  return { looked, contradictions };
}
