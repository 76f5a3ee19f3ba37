"use client";

import type { EndState } from "@/core";
import { textKept, useKept } from "../words/use-kept";

/** The number counted at the step in hand, saved on the device until the step is left. */
export function useStepCount(id: string, state: EndState, step: string) {
  const attempt = `${step}/${state.reworks}/${JSON.stringify(state.attempts)}`;
  const [saved, save] = useKept<string>(`count/${id}`, "", textKept);
  const count = saved.startsWith(`${attempt} `)
    ? Number(saved.slice(attempt.length + 1))
    : (state.counted[step] ?? 0);
  return { count, setCount: (next: number) => save(`${attempt} ${Math.max(0, next)}`) };
}
