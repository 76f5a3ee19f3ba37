"use client";

import { useEffect, useState } from "react";
import { toast } from "sonner";
import type { CrewAnswer, CrewChange } from "@/core";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { useSession } from "../session/session-context";

/** The crew with its devices and tokens, and a way to change it; a refusal is said until the next change. */
export function useCrew(initial: CrewAnswer) {
  const { crew: current, learn } = useSession();
  const { who } = usePeople();
  const [problem, setProblem] = useState("");
  // Other pages are sent no devices and tokens: here they are learned with the page, and by every answer after it.
  const [isWhole, setWhole] = useState(false);
  // biome-ignore lint/correctness/useExhaustiveDependencies: learned once, as the page comes
  useEffect(() => {
    learn(initial);
    setWhole(true);
  }, []);
  const change = async (wanted: CrewChange, done: string): Promise<void> => {
    const answer = await call("post /crew", { body: { change: wanted, by: who?.id ?? null } });
    setProblem(answer.ok ? "" : answer.problem.message);
    if (!answer.ok) return;
    learn(answer.value);
    toast(done);
  };
  const refresh = async (): Promise<void> => {
    const answer = await call("get /crew", {});
    if (answer.ok) learn(answer.value);
  };
  return { crew: isWhole ? current : initial, problem, change, refresh };
}

export type CrewApi = ReturnType<typeof useCrew>;
