"use client";

import { useRouter } from "next/navigation";
import { useEffect, useMemo, useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import {
  type ClosureAtWork,
  type ClosureEvent,
  type ClosureId,
  type ClosureRecorded,
  closureWork,
  zClosureEvent,
} from "@/core";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";

interface Start {
  readonly closure: ClosureId;
  readonly at: ClosureAtWork;
  readonly events: readonly ClosureRecorded[];
}

/** A closure's work as it is done: what happens is saved on the server before it counts as done here. */
export function useClosureWork({ closure, at, events: initial }: Start) {
  const { prefs } = usePrefs();
  const router = useRouter();
  const [events, setEvents] = useState(initial);
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const client = useRef(uuid());
  // Sent again after no answer, an event keeps its id: it is kept once.
  const unanswered = useRef<{ readonly id: string; readonly text: string } | null>(null);
  useEffect(() => {
    setEvents((now) => (initial.length > now.length ? initial : now));
  }, [initial]);
  const work = useMemo(() => closureWork(at, events), [at, events]);
  const happen = async (event: ClosureEvent): Promise<string> => {
    const sent = z.encode(zClosureEvent, event);
    const text = JSON.stringify(sent);
    const id = unanswered.current?.text === text ? unanswered.current.id : uuid();
    unanswered.current = { id, text };
    setBusy(true);
    const answer = await call("post /closures/{id}/events", {
      params: { id: closure },
      body: { client: client.current, events: [{ id, event: sent }], by: prefs.person },
    });
    setBusy(false);
    const message = answer.ok ? "" : answer.problem.message;
    if (answer.ok || answer.problem.code !== "offline") unanswered.current = null;
    if (answer.ok) {
      setEvents(answer.value.events);
      router.refresh();
    }
    setProblem(message);
    return message;
  };
  return { events, work, happen, problem, busy };
}

export type ClosureWorkHeld = ReturnType<typeof useClosureWork>;
