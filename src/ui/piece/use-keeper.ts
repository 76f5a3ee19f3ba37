"use client";

import { useCallback, useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import type { z } from "zod";
import type { Outcome, zRevisionAnswer } from "@/core";
import { t } from "@/messages/jobs";
import { useSteady } from "../controls/use-steady";

/** How it stands with what was changed last. */
export type Kept =
  | { readonly now: "kept" | "keeping" }
  | { readonly now: "refused"; readonly message: string; readonly movedOn: boolean };

interface Keeper<T> {
  /** The revision that was shown. */
  readonly revision: number;
  /** Keeps a value as the next revision after another; stays the same function. */
  readonly send: (value: T, basis: number) => Promise<Outcome<z.output<typeof zRevisionAnswer>>>;
  /** Called when all that was changed is kept. */
  readonly onKept: () => void;
  /** Called when a later revision was kept elsewhere and nothing changed here waits: what is shown is taken from it. */
  readonly onNewer: () => void;
}

/** Keeps one change after the other on the server, each on the revision before it: of those that wait, the newest. */
export function useKeeper<T>({ revision, send, onKept, onNewer }: Keeper<T>) {
  const [saved, setKept] = useState<Kept>({ now: "kept" });
  const basis = useRef(revision);
  const waiting = useRef<{ readonly value: T } | null>(null);
  const sending = useRef(false);
  const keep = useCallback(
    async (next: T) => {
      waiting.current = { value: next };
      setKept({ now: "keeping" });
      if (sending.current) return;
      sending.current = true;
      while (waiting.current) {
        const { value }: { readonly value: T } = waiting.current;
        waiting.current = null;
        const answer = await send(value, basis.current);
        if (answer.ok) basis.current = answer.value.revision;
        else {
          waiting.current = null;
          sending.current = false;
          const { code, message } = answer.problem;
          return setKept({ now: "refused", message: message, movedOn: code === "moved-on" });
        }
      }
      sending.current = false;
      setKept({ now: "kept" });
      onKept();
    },
    [send, onKept],
  );
  const takeIn = useSteady(onNewer);
  const settled = saved.now === "kept";
  useEffect(() => {
    if (!settled || revision <= basis.current) return;
    basis.current = revision;
    takeIn();
    toast(t("changed-elsewhere-it-is-shown-as"));
  }, [settled, revision, takeIn]);
  return { saved, keep };
}
