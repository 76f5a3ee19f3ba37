"use client";

import { useRouter } from "next/navigation";
import { useCallback } from "react";
import useUndo from "use-undo";
import type { FeederAnswer, FeederPlan } from "@/core";
import { call } from "../http/http";
import { useKeeper } from "../piece/use-keeper";
import { usePrefs } from "../prefs/prefs-context";

/** A job's feeder being planned: each change is its next revision on the server. */
export function useJobFeeder({ id, revision, plan: saved }: Pick<FeederAnswer, "id" | "revision" | "plan">) {
  const router = useRouter();
  const { prefs } = usePrefs();
  const [{ past, present: plan, canUndo }, history] = useFeederHistory(saved);
  const send = useCallback(
    (next: FeederPlan, basis: number) =>
      call("post /feeders/{id}", { params: { id }, body: { basis, plan: next, by: prefs.person } }),
    [id, prefs.person],
  );
  const keeper = useKeeper({
    ...{ revision, send, onKept: router.refresh },
    onNewer: () => history.reset(saved),
  });
  const change = (next: FeederPlan) => {
    history.set(next);
    void keeper.keep(next);
  };
  return {
    ...{ plan, change, mayUndo: canUndo, save: keeper.saved },
    again: () => keeper.keep(plan),
    undo: () => {
      const before = past.at(-1);
      if (!before) return;
      history.undo();
      void keeper.keep(before);
    },
  };
}

function useFeederHistory(saved: FeederPlan) {
  const [{ past, present }, history] = useUndo<FeederPlan>(saved);
  return [{ past, present, canUndo: history.canUndo }, history] as const;
}
