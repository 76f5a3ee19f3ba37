"use client";

import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import type { EndEvent, EndState, Recorded } from "@/core";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { knownEvents, onNews, tell } from "./end-news";
import { changedElsewhere } from "./event-words";
import { deviceBox, putIn, type Waiting, waitingFor } from "./outbox";
import { type Away, refusalText, sendWaiting } from "./sender";
import { merged, standing } from "./standing";

const ASK_AGAIN_MS = 2_000;
const RETRY_MS = 1_500;

interface LiveEnd {
  readonly state: EndState;
  /** Adds an event: shown at once, kept on this device, sent in order. @returns its id. */
  readonly add: (event: EndEvent) => string;
  /** Events the server has not answered yet. */
  readonly waiting: number;
  readonly away: Away;
  /** Whether the server holds this event. */
  readonly saved: (id: string) => boolean;
  /** Takes in events the server answered with to something else, such as a photograph sent. */
  readonly learn: (events: readonly Recorded[]) => void;
}

/** What waits now; the very same where that is nothing, as before. */
const stillIn = (before: readonly Waiting[], now: readonly Waiting[]): readonly Waiting[] =>
  before.length + now.length === 0 ? before : now;

/**
 * One end, live: what the server holds, with this window's own events over it. Events are sent one at a time in
 * the order they were made; while the server does not answer they wait on this device.
 */
export function useEnd(id: string, initial: readonly Recorded[]): LiveEnd {
  const [recorded, setKnown] = useState(() => merged(initial, knownEvents(id)));
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const [away, setAway] = useState<Away>(null);
  const client = useMemo(() => uuid(), []);
  const knownNow = useRef(recorded);
  knownNow.current = recorded;
  const by = usePeople().who?.id ?? null;
  const sending = useRef(false);

  /** Events that went out from this window, whichever page load made them. */
  const mine = useRef(new Set<string>());

  const learn = useCallback((more: readonly Recorded[]) => {
    const others = more.filter(
      (event) => !mine.current.has(event.id) && !knownNow.current.some((old) => old.id === event.id),
    );
    if (others.length > 0) toast(changedElsewhere(others), { duration: 6_000 });
    setKnown((before) => merged(before, more));
  }, []);
  /** Looks what waits on this device now. */
  const look = useCallback(() => setWaiting((before) => stillIn(before, waitingFor(deviceBox(), id))), [id]);
  // From the first moment: what there is news of next waits on the device no longer.
  useLayoutEffect(
    () =>
      onNews((end, events) => {
        if (end !== id) return;
        learn(events);
        look();
      }),
    [id, learn, look],
  );

  const lastSeq = useCallback(() => knownNow.current.at(-1)?.seq ?? 0, []);
  const send = useSending({ id, look, sending, setAway, onFresh: setKnown });

  // Before it is painted: nobody is to act on an end as it stood before what was done last.
  useLayoutEffect(() => {
    for (const event of waitingFor(deviceBox(), id)) mine.current.add(event.id);
    send();
  }, [id, send]);

  usePolling({ id, lastSeq, sending, send, setAway });

  const add = useCallback(
    (event: EndEvent) => {
      const act = {
        id: uuid(),
        client,
        after: lastSeq(),
        at: new Date().toISOString(),
        by,
        event,
      };
      mine.current.add(act.id);
      putIn(deviceBox(), id, act);
      look();
      send();
      return act.id;
    },
    [id, client, by, look, send, lastSeq],
  );

  const state = useMemo(() => standing(recorded, waiting), [recorded, waiting]);
  const saved = useCallback((event: string) => recorded.some(({ id }) => id === event), [recorded]);
  const own = useCallback(
    (events: readonly Recorded[]) => {
      for (const event of events) mine.current.add(event.id);
      tell(id, events);
    },
    [id],
  );
  return { state, add, waiting: waiting.length, away, saved, learn: own };
}

interface Sending {
  readonly id: string;
  readonly look: () => void;
  readonly sending: { current: boolean };
  readonly setAway: (away: Away) => void;
  /** Called with the end's events after one was refused. */
  readonly onFresh: (events: readonly Recorded[]) => void;
}

/** Sends what waits on this device, in order, one request at a time; tries again while the server does not answer. */
function useSending({ id, look, sending, setAway, onFresh }: Sending) {
  const send = useCallback(async () => {
    if (sending.current) return;
    look();
    if (waitingFor(deviceBox(), id).length === 0) return;
    sending.current = true;
    const sent = await sendWaiting(deviceBox(), id, {
      answered: look,
      refused: async (problem, event) => {
        toast.error(refusalText(problem, event), { duration: 9_000 });
        const fresh = await call("get /ends/{id}", { params: { id }, query: { after: 0 } });
        if (fresh.ok) onFresh(fresh.value.events);
        look();
      },
      reached: setAway,
    });
    sending.current = false;
    look();
    if (!sent) setTimeout(send, RETRY_MS);
  }, [id, look, sending, setAway, onFresh]);

  return send;
}

interface Polling {
  readonly id: string;
  /** The number of the latest event known here. */
  readonly lastSeq: () => number;
  readonly sending: { readonly current: boolean };
  readonly send: () => void;
  readonly setAway: (away: Away) => void;
}

/** Asks the server for news of the end every few seconds while the page is in sight. */
function usePolling({ id, lastSeq, sending, send, setAway }: Polling) {
  useEffect(() => {
    const ask = async () => {
      if (document.hidden || sending.current) return;
      const after = lastSeq();
      const answer = await call("get /ends/{id}", { params: { id }, query: { after } });
      if (!answer.ok) return setAway(answer.problem.code === "offline" ? "server" : null);
      tell(id, answer.value.events);
      // What was set aside may have been put back, by another window too. Whether it can be stored, sending it says.
      if (waitingFor(deviceBox(), id).length > 0) send();
      else setAway(null);
    };
    // At once too: in a batch an end comes back into the hand with what was known of it when it was put down.
    ask();
    const timer = setInterval(ask, ASK_AGAIN_MS);
    return () => clearInterval(timer);
  }, [id, lastSeq, sending, send, setAway]);
}
