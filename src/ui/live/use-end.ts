"use client";

import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import { applied, type EndState, type Entry, endState, type Recorded } from "@/core";
import { get } from "../words/api";
import { deviceBox, putIn, type Waiting, waitingFor } from "./outbox";
import { refusalText, sendWaiting } from "./sender";

type Answer = { entries: readonly Recorded[] };

const ASK_AGAIN_MS = 2_000;
const RETRY_MS = 1_500;

export interface LiveEnd {
  readonly state: EndState;
  /** Adds an entry: shown at once, kept on this device, sent in order. @returns its id. */
  readonly add: (entry: Entry) => string;
  /** Entries the server has not answered yet. */
  readonly waiting: number;
  readonly offline: boolean;
  /** Whether the server holds this entry. */
  readonly saved: (id: string) => boolean;
  /** Takes in entries the server answered with to something else, such as a photograph sent. */
  readonly learn: (entries: readonly Recorded[]) => void;
}

const merged = (known: readonly Recorded[], more: readonly Recorded[]): readonly Recorded[] => {
  const fresh = more.filter(({ id }) => !known.some((one) => one.id === id));
  return fresh.length === 0 ? known : [...known, ...fresh].sort((a, b) => a.seq - b.seq);
};

const SAID: Record<Entry["kind"], string> = {
  thread: "a part",
  step: "the step",
  reading: "a reading",
  strike: "a struck reading",
  answer: "an answer",
  label: "the label",
  redo: "a redo",
  restart: "a fresh start",
  shards: "the shards",
  use: "what was used",
  timer: "a timer",
  sign: "the sign-off",
  rework: "a rework",
  untake: "a redo taken back",
  fault: "something seen",
  spare: "the cable to spare",
  correction: "a correction",
  photo: "a photograph",
};

/**
 * One end, live: what the server holds, with this window's own entries over it. Entries are sent one at a time in
 * the order they were made; while the server does not answer they wait on this device.
 */
export function useEnd(id: string, initial: readonly Recorded[]): LiveEnd {
  const [known, setKnown] = useState(initial);
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [offline, setOffline] = useState(false);
  const client = useMemo(() => uuid(), []);
  const knownNow = useRef(known);
  knownNow.current = known;
  const sending = useRef(false);

  /** Entries that went out from this window, whichever page load made them. */
  const mine = useRef(new Set<string>());

  const learn = useCallback((more: readonly Recorded[]) => {
    const others = more.filter(
      (one) => !mine.current.has(one.id) && !knownNow.current.some((old) => old.id === one.id),
    );
    if (others.length > 0)
      toast(
        `Changed in another window: ${[...new Set(others.map(({ entry }) => SAID[entry.kind]))].join(", ")}.`,
        { duration: 6_000 },
      );
    setKnown((before) => merged(before, more));
  }, []);

  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    const stillWaiting = () => setWaiting(waitingFor(deviceBox(), id));
    const sent = await sendWaiting(deviceBox(), id, {
      answered: (entries) => {
        learn(entries);
        stillWaiting();
      },
      refused: async (problem, entry) => {
        toast.error(refusalText(problem, entry), { duration: 9_000 });
        const fresh = await get<Answer>(`/api/v1/ends/${id}?after=0`);
        if (fresh.ok) setKnown(fresh.value.entries);
        stillWaiting();
      },
      reached: setOffline,
    });
    sending.current = false;
    stillWaiting();
    if (!sent) setTimeout(send, RETRY_MS);
  }, [id, learn]);

  useEffect(() => {
    const left = waitingFor(deviceBox(), id);
    for (const one of left) mine.current.add(one.id);
    setWaiting(left);
    send();
  }, [id, send]);

  useEffect(() => {
    const ask = async () => {
      if (document.hidden || sending.current) return;
      const after = knownNow.current.at(-1)?.seq ?? 0;
      const answer = await get<Answer>(`/api/v1/ends/${id}?after=${after}`);
      setOffline(!answer.ok && answer.problem.code === "offline");
      if (!answer.ok) return;
      learn(answer.value.entries);
    };
    // At once too: in a batch an end comes back into the hand with what was known of it when it was put down.
    ask();
    const timer = setInterval(ask, ASK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [id, learn]);

  const add = useCallback(
    (entry: Entry) => {
      const one = {
        id: uuid(),
        client,
        after: knownNow.current.at(-1)?.seq ?? 0,
        at: new Date().toISOString(),
        entry,
      };
      mine.current.add(one.id);
      putIn(deviceBox(), id, one);
      setWaiting(waitingFor(deviceBox(), id));
      send();
      return one.id;
    },
    [id, client, send],
  );

  const state = useMemo(() => {
    const unanswered = waiting.filter((one) => !known.some(({ id: held }) => held === one.id));
    return unanswered.reduce(
      (before, { id: own, client: from, at, entry }) =>
        applied(before, { id: own, seq: before.lastSeq, at, client: from, entry }),
      endState(known),
    );
  }, [known, waiting]);
  const saved = useCallback((entry: string) => known.some((one) => one.id === entry), [known]);
  const own = useCallback(
    (entries: readonly Recorded[]) => {
      for (const { id: one } of entries) mine.current.add(one);
      learn(entries);
    },
    [learn],
  );
  return { state, add, waiting: waiting.length, offline, saved, learn: own };
}
