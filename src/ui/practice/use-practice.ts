"use client";

import { useCallback, useEffect, useMemo, useState } from "react";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import { call } from "../http/http";
import { nextTask, practisedFrom } from "./schedule";

/** Results kept on the device. */
const MOST = 5_000;

const zResult = z.object({
  id: z.string(),
  at: z.string(),
  task: z.string(),
  good: z.boolean(),
  seconds: z.number(),
  /** True once the server has it. */
  sent: z.boolean(),
});
type Result = z.output<typeof zResult>;

const keyOf = (person: string | null): string => `arlent:drills:${person ?? "anyone"}`;

function stored(person: string | null): readonly Result[] {
  try {
    return z.array(zResult).parse(JSON.parse(localStorage.getItem(keyOf(person)) ?? "[]"));
  } catch {
    return [];
  }
}

function keep(person: string | null, results: readonly Result[]): void {
  try {
    localStorage.setItem(keyOf(person), JSON.stringify(results.slice(-MOST)));
  } catch {
    // A device that stores nothing still drills.
  }
}

/** Results of both lists, once each, in the order they came. */
const merged = (own: readonly Result[], others: readonly Result[]): readonly Result[] =>
  [...new Map([...own, ...others].map((result) => [result.id, result])).values()].sort((a, b) =>
    a.at < b.at ? -1 : 1,
  );

/** Sends what the server has not got. @returns the ids it has now. */
async function sendAll(person: string, results: readonly Result[]): Promise<ReadonlySet<string>> {
  const taken = new Set<string>();
  for (const { sent, ...result } of results.filter((each) => !each.sent)) {
    const answer = await call("post /drills", { body: { ...result, by: person } });
    if (!answer.ok && answer.problem.code === "offline") break;
    taken.add(result.id);
  }
  return taken;
}

/** Results of somebody's drills: on this device, and with the crew where a name is picked. */
function useResults(person: string | null) {
  const [results, setResults] = useState<readonly Result[] | null>(null);
  useEffect(() => {
    if (results !== null) keep(person, results);
  }, [person, results]);
  const send = useCallback(
    async (all: readonly Result[]) => {
      if (person === null) return;
      const taken = await sendAll(person, all);
      // Others may have been added meanwhile: only the marks change.
      setResults(
        (now) => now?.map((result) => (taken.has(result.id) ? { ...result, sent: true } : result)) ?? now,
      );
    },
    [person],
  );
  useEffect(() => {
    const own = stored(person);
    setResults(own);
    if (person === null) return;
    let isLeft = false;
    void call("get /drills", { query: { person } }).then((answer) => {
      if (!answer.ok || isLeft) return;
      const theirs = answer.value.results.map((result) => ({ ...result, sent: true }));
      setResults((now) => merged(now ?? [], theirs));
      void send(own.filter(({ id }) => !theirs.some((result) => result.id === id)));
    });
    return () => {
      isLeft = true;
    };
  }, [person, send]);
  const add = (result: Result) => {
    setResults((now) => [...(now ?? []), result]);
    void send([result]);
  };
  return { results, add, clear: () => setResults([]) };
}

/** Tasks practised by somebody, and the task at hand. */
export function usePractice(person: string | null) {
  const { results, add, clear } = useResults(person);
  const practised = useMemo(() => practisedFrom(results ?? []), [results]);
  const [picked, setPicked] = useState<string | null>(null);
  const [drill, setDrill] = useState({ n: 1, since: 0 });
  const isRead = results !== null;
  // The first task is picked once, of what was known then: what comes in later changes no drill at hand.
  const first = useMemo(
    () => (isRead ? nextTask(practisedFrom(stored(person)), new Date(), null) : null),
    [isRead, person],
  );
  const task = picked ?? first;
  useEffect(() => setDrill((before) => ({ ...before, since: Date.now() })), []);
  const begin = (next: string) => {
    setPicked(next);
    setDrill({ n: drill.n + 1, since: Date.now() });
  };
  return {
    ...{ practised, task, drill: drill.n },
    answer: (good: boolean) => {
      if (task === null) return;
      const seconds = Math.min(86_400, Math.round((Date.now() - drill.since) / 1_000));
      add({ id: uuid(), at: new Date().toISOString(), task, good, seconds, sent: false });
    },
    goOn: () => begin(nextTask(practised, new Date(), task)),
    /** Begins a drill of some tasks: the one of them that teaches most. */
    practise: (among: readonly string[]) => begin(nextTask(practised, new Date(), task, among)),
    forget: async () => {
      if (person !== null) {
        const answer = await call("post /drills/forget", { body: { confirm: true, by: person } });
        if (!answer.ok) return;
      }
      clear();
      begin(nextTask({}, new Date(), null));
    },
  };
}
