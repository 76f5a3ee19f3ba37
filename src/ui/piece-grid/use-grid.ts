"use client";

import { useRouter } from "next/navigation";
import { useCallback, useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import type { Piece, PiecePlan } from "@/core";
import { savePlans } from "../plan/save-plans";
import { usePrefs } from "../prefs/prefs-context";

/** A row changed: which, and to what. */
interface RowChange {
  readonly row: number;
  readonly plan: PiecePlan;
}

type Rows = readonly Piece[];

interface Act {
  readonly label: string;
  /** The plans before, by piece. */
  readonly before: readonly { readonly id: string; readonly plan: PiecePlan }[];
}

/**
 * The pieces of a job being edited: a change is shown at once, kept on the server one piece after the other, and taken
 * back act by act. What somebody else changed meanwhile stops it and is shown.
 */
export function useGrid(pieces: Rows) {
  const { prefs } = usePrefs();
  const router = useRouter();
  const [rows, setRows] = useState(pieces);
  const [acts, setActs] = useState<readonly Act[]>([]);
  const [saving, setSaving] = useState<{ readonly done: number; readonly of: number } | null>(null);
  const queue = useRef(Promise.resolve());
  const latest = useRef(pieces);
  const waiting = useRef(0);
  const show = useCallback((next: Rows) => {
    latest.current = next;
    setRows(next);
  }, []);
  useEffect(() => {
    if (waiting.current === 0) show(pieces);
  }, [pieces, show]);

  /** Shows changes and keeps them, after whatever is being kept. */
  const keep = useCallback(
    (changes: readonly { readonly id: string; readonly plan: PiecePlan }[]) => {
      const planOf = new Map(changes.map(({ id, plan }) => [id, plan]));
      show(latest.current.map((piece) => ({ ...piece, plan: planOf.get(piece.id) ?? piece.plan })));
      waiting.current += 1;
      setSaving((now) => now ?? { done: 0, of: changes.length });
      queue.current = queue.current.then(async () => {
        const { saved, problem } = await savePlans(
          changes.map(({ id, plan }) => ({
            id,
            plan,
            basis: latest.current.find((piece) => piece.id === id)?.revision ?? 0,
          })),
          prefs.person,
          {
            onStep: (done) => setSaving({ done, of: changes.length }),
            stopped: () => false,
          },
        );
        const revisionOf = new Map(saved.map(({ id, revision }) => [id, revision]));
        show(
          latest.current.map((piece) => ({
            ...piece,
            revision: revisionOf.get(piece.id) ?? piece.revision,
          })),
        );
        waiting.current -= 1;
        if (waiting.current === 0) setSaving(null);
        if (problem !== null) {
          toast.error(problem);
          setActs([]);
        }
        router.refresh();
      });
    },
    [prefs.person, router, show],
  );

  const change = useCallback(
    (message: string, changes: readonly RowChange[]) => {
      const before = changes.flatMap(({ row }) => latest.current[row] ?? []);
      setActs((all) => [...all, { label: message, before }]);
      keep(
        changes.flatMap(({ row, plan }) => {
          const piece = latest.current[row];
          return piece ? [{ id: piece.id, plan }] : [];
        }),
      );
    },
    [keep],
  );
  const undo = useCallback(() => {
    const last = acts.at(-1);
    if (!last) return;
    setActs((all) => all.slice(0, -1));
    keep(last.before.map(({ id, plan }) => ({ id, plan })));
  }, [acts, keep]);
  useWarningBeforeLeaving(saving !== null);
  return { rows, change, undo, saving, last: acts.at(-1)?.label ?? null };
}

/** Lets the browser ask before the page is left while changes are still being saved. */
function useWarningBeforeLeaving(isSaving: boolean): void {
  useEffect(() => {
    if (!isSaving) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [isSaving]);
}
