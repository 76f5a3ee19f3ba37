import { useMemo } from "react";
import {
  type Cable,
  type FirstLook,
  firstLooks,
  type ProcedureDocument,
  secondLook,
  type Tool,
  workedFrom,
} from "@/core";
import { usePaused } from "../controls/use-paused";

interface Written {
  readonly draft: ProcedureDocument;
  /** Whether a key into a figure's own field made it so. */
  readonly typed: boolean;
}

/**
 * The review of the document being edited: what contradicts within the key's own frame, all the rest and the
 * drawing once keys pause. Figures laid off from elsewhere than they are stated come from where features lie: with such a
 * length, nothing waits.
 */
export function useReview(
  { draft, typed }: Written,
  { cables, tools }: { readonly cables: readonly Cable[]; readonly tools: readonly Tool[] },
  wanted: string | null,
) {
  const look = useMemo(() => lookedOnce(firstLooks(cables)), [cables]);
  const derived = useMemo(
    () => draft.dimensions.some((dimension) => workedFrom(dimension) !== dimension.from),
    [draft],
  );
  const [shown, settle] = usePaused(draft, typed && !derived);
  const first = look(draft);
  const looked = useMemo(
    () => secondLook(look(shown), { cables, tools }, wanted),
    [look, shown, cables, tools, wanted],
  );
  const contradictions = useMemo(() => {
    const before = look(shown).contradictions;
    return [
      ...first.contradictions,
      ...looked.contradictions.filter((contradiction) => !before.includes(contradiction)),
    ];
  }, [look, shown, first, looked]);
  return {
    /** The document as it is drawn, with what was seen of it. */
    shown,
    looked,
    /** Of the document as it is now. */
    contradictions,
    /** Draws what was typed at once: a field is left. */
    settle,
  };
}

/** The same look at the same document. */
function lookedOnce(look: (document: ProcedureDocument) => FirstLook) {
  const cache = new WeakMap<ProcedureDocument, FirstLook>();
  return (document: ProcedureDocument): FirstLook => {
    const before = cache.get(document);
    if (before) return before;
    const now = look(document);
    cache.set(document, now);
    return now;
  };
}
