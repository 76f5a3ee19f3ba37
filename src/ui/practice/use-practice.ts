"use client";

import { useCallback, useEffect, useState } from "react";
import { nextTask, type Practised, withResult, zPractised } from "./schedule";

const keyOf = (person: string | null): string => `arlent:practice:${person ?? "anyone"}`;

function stored(person: string | null): Practised {
  try {
    return zPractised.parse(JSON.parse(localStorage.getItem(keyOf(person)) ?? "{}"));
  } catch {
    return {};
  }
}

/** Tasks practised by somebody on this device, and the task at hand. */
export function usePractice(person: string | null) {
  const [practised, setPractised] = useState<Practised>({});
  const [task, setTask] = useState<string | null>(null);
  const [drill, setDrill] = useState(1);
  useEffect(() => {
    const before = stored(person);
    setPractised(before);
    setTask(nextTask(before, new Date(), null));
  }, [person]);
  const store = useCallback(
    (next: Practised) => {
      setPractised(next);
      try {
        localStorage.setItem(keyOf(person), JSON.stringify(next));
      } catch {
        // A device that stores nothing still drills.
      }
    },
    [person],
  );
  return {
    ...{ practised, task, drill },
    answer: (right: boolean) => task !== null && store(withResult(practised, task, right, new Date())),
    goOn: () => {
      setTask(nextTask(practised, new Date(), task));
      setDrill(drill + 1);
    },
    forget: () => {
      store({});
      setTask(nextTask({}, new Date(), null));
    },
  };
}
