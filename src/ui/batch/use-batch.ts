"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { EndId } from "@/core";
import {
  applied,
  type BatchEnd,
  type EndEvent,
  type EndState,
  nextInBatch,
  planBatch,
  type Recorded,
  type RunSheet,
  readyAt,
  stagesOf,
} from "@/core";
import { call } from "../http/http";
import { knownEvents, onNews } from "../live/end-news";
import { deviceBox, waitingFor } from "../live/outbox";
import { standing } from "../live/standing";
import { usePeople } from "../people/people-context";
import { useKept } from "../words/use-kept";
import { useAddToAll } from "./add-to-all";
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
 * @param picked the end it was opened for, if any; otherwise the one this window had in hand is taken up.
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
  useNews(id, held, learn);
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
  const { nameAll, onOthers } = useAddToAll({ id, members, states, current, by, learn });
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

/** Asks the server for news of the ends every few seconds, and takes in what other views of this window learn. */
function useNews(
  id: string,
  members: { readonly current: readonly Member[] },
  learn: (news: readonly Member[]) => void,
) {
  const ask = useCallback(async () => {
    if (document.hidden) return;
    const query = { seen: seenOf(members.current) };
    const answer = await call("get /batches/{id}", { params: { id }, query });
    if (answer.ok && answer.value.ends.length > 0) learn(answer.value.ends);
  }, [id, members, learn]);
  useEffect(() => {
    const every = setInterval(ask, ASK_AGAIN_MS);
    return () => clearInterval(every);
  }, [ask]);
  useEffect(
    () =>
      onNews((end, events) =>
        learn(members.current.filter(({ id }) => id === end).map((member) => ({ ...member, events }))),
      ),
    [members, learn],
  );
}

export type BatchWork = ReturnType<typeof useBatch>;
