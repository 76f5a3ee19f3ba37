"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import type { EndId } from "@/core";
import {
  applied,
  type BatchEnd,
  type EndEvent,
  type EndState,
  type Line,
  nextInBatch,
  planBatch,
  type Recorded,
  type RunSheet,
  readyAt,
  stagesOf,
  zAddMany,
} from "@/core";
import { t } from "@/messages/batch";
import { call } from "../http/http";
import { knownEvents, onNews } from "../live/end-news";
import { deviceBox, waitingFor } from "../live/outbox";
import { standing } from "../live/standing";
import { usePeople } from "../people/people-context";
import { useKept } from "../words/use-kept";
import { type Member, seenOf, withNews } from "./news";

export type { Member } from "./news";

export const MODES = ["planned", "across", "through"] as const;
type Mode = (typeof MODES)[number];

const modeOf = (saved: unknown) => MODES.find((mode) => mode === saved);
const placeOf = (saved: unknown) => (typeof saved === "number" || saved === null ? saved : undefined);

const ASK_AGAIN_MS = 3_000;
const NOTHING_WAITS: readonly never[] = [];

/**
 * A batch, live: where each end stands, which is in hand, and which comes next.
 * @param asked the end it was opened for, if any: it goes before what this window had in hand.
 */
export function useBatch(id: string, sheet: RunSheet, initial: readonly Member[], picked: string | null) {
  const [members, setMembers] = useState(() =>
    withNews(
      initial,
      initial.map((member) => ({ ...member, events: knownEvents(member.id) })),
    ),
  );
  /** What is known of each end at any moment; it is drawn a little later. */
  const held = useRef(members);
  const learn = useCallback((news: readonly Member[]) => {
    held.current = withNews(held.current, news);
    setMembers(held.current);
  }, []);
  /** How often anything was done here that waits on this device; nothing is looked for there before the page stands. */
  const [noted, setNoted] = useState(0);
  const note = useCallback(() => setNoted((before) => before + 1), []);
  useEffect(note, [note]);
  const [mode, setMode] = useKept<Mode>(`mode/${id}`, "planned", modeOf);
  const [current, setCurrent] = useKept<number | null>(`hand/${id}/${picked ?? ""}`, null, placeOf);
  const by = usePeople().who?.id ?? null;
  const stages = useMemo(() => stagesOf(sheet), [sheet]);
  const plan = useMemo(() => planBatch(stages, members.length), [stages, members.length]);
  const states = useMemo(
    () =>
      members.map(({ id: end, events }) =>
        standing(events, noted > 0 ? waitingFor(deviceBox(), end) : NOTHING_WAITS),
      ),
    [members, noted],
  );
  const ask = useCallback(async () => {
    if (document.hidden) return;
    const answer = await call("get /batches/{id}", { params: { id }, query: { seen: seenOf(held.current) } });
    if (answer.ok && answer.value.ends.length > 0) learn(answer.value.ends);
  }, [id, learn]);
  useEffect(() => {
    const every = setInterval(ask, ASK_AGAIN_MS);
    return () => clearInterval(every);
  }, [ask]);

  useEffect(
    () =>
      onNews((end, events) =>
        learn(held.current.filter(({ id: first }) => first === end).map((member) => ({ ...member, events }))),
      ),
    [learn],
  );
  /** All that is known of an end now: how it comes into the hand. */
  const eventsOf = (end: EndId): readonly Recorded[] =>
    held.current.find(({ id: first }) => first === end)?.events ?? [];

  /** Where what was just done on an end leaves it, before the server has answered. */
  const left = (events: readonly EndEvent[], before: EndState): EndState =>
    events.reduce(
      (state, event) =>
        applied(state, { id: "", seq: state.lastSeq, at: new Date().toISOString(), client: "", event }),
      before,
    );
  const group = mode === "across" ? members.length : plan.group;
  /** The end to take after this one, `changed` as the work just done leaves it. */
  const next = (from: number, changed?: Partial<BatchEnd>): number | null => {
    const ends = states.map(
      (state, i): BatchEnd => ({
        at: state.at,
        readyAt: readyAt(state),
        done: state.signed !== null,
        ...(i === from ? changed : {}),
      }),
    );
    return nextInBatch(
      stages,
      ends,
      { mode: mode === "through" ? "through" : "across", group, current: from },
      Date.now(),
    );
  };
  const addToAll = (ends: z.output<typeof zAddMany>["ends"]) =>
    call("post /batches/{id}", {
      params: { id },
      body: { by, ...z.encode(zAddMany, { client: uuid(), ends }) },
    });
  /** Names every end not signed off yet, all or none. @returns whether they were. */
  const nameAll = async (job: string, names: readonly string[]): Promise<boolean> => {
    const ends = members.flatMap(({ id: end }, i) => {
      const state = states[i];
      const label = names[i];
      if (!state || state.signed || label === undefined) return [];
      return [
        {
          end,
          after: state.lastSeq,
          events: [{ id: uuid(), event: { kind: "label" as const, job, label } }],
        },
      ];
    });
    if (ends.length === 0) return true;
    const answer = await addToAll(ends);
    if (answer.ok) learn(answer.value.ends);
    else toast.error(t("no-end-was-named", { message: answer.problem.message }));
    return answer.ok;
  };
  /** Does the same on every other end that stands at a line, all or none. */
  const onOthers = async (
    line: Line,
    eventsOf: (state: EndState) => readonly EndEvent[],
  ): Promise<boolean> => {
    const ends = members.flatMap(({ id: end }, i) => {
      const state = states[i];
      if (i === current || !state || state.signed || state.inHand || state.at !== line.index) return [];
      const events = eventsOf(state).map((event) => ({ id: uuid(), event }));
      return events.length > 0 ? [{ end, after: state.lastSeq, events }] : [];
    });
    if (ends.length === 0) return true;
    const answer = await addToAll(ends);
    if (answer.ok) learn(answer.value.ends);
    else toast.error(t("nothing-was-changed-on-the-others", { message: answer.problem.message }));
    return answer.ok;
  };
  return {
    members,
    states,
    stages,
    plan,
    mode,
    setMode,
    current,
    setCurrent,
    next,
    left,
    note,
    eventsOf,
    onOthers,
    nameAll,
  };
}

export type BatchWork = ReturnType<typeof useBatch>;
