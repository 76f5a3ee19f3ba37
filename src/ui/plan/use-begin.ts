"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import type { z } from "zod";
import type { PieceId } from "@/core";
import {
  type Ahead,
  addressText,
  type Outcome,
  type Place,
  type PlaceAsked,
  type PlaceSide,
  type zRule,
} from "@/core";
import { call } from "../http/http";
import { ruleOf } from "../prefs/prefs";
import { usePrefs } from "../prefs/prefs-context";

/** The sheet of what is in hand at a place. */
export const sheetHref = (piece: PieceId, { side, address }: Place): string =>
  `/?${new URLSearchParams({ piece, side, at: addressText(address) })}`;

/** What is asked for, for one try after another to be the same end. */
interface Wanted {
  readonly key: string;
  readonly id: string;
}

/** Figures nobody has checked yet, asked about before anything begins: what is to begin, and what the answer does. */
export interface AskedFirst {
  readonly ahead: Ahead;
  /** Where on a piece that is; none where a shelf's own cable begins. */
  readonly place?: PlaceAsked | undefined;
  readonly goOn: () => void;
  readonly leave: () => void;
}

/** What every beginning says: the id it is answered by, how readings are judged, who begins. */
interface Common {
  readonly id: string;
  readonly rule: z.input<typeof zRule>;
  readonly by: string | null;
}

/** Ends to begin: what lies ahead of them, and the call that begins them. */
interface BeginCalls {
  /** The same for the same ends: asked again, they are begun once. */
  readonly key: string;
  readonly look: () => Promise<Outcome<Ahead>>;
  readonly start: (common: Common) => Promise<Outcome<{ readonly id: string; readonly batch: boolean }>>;
  /** Where on a piece the first of them is; none where a shelf's own cable begins. */
  readonly place?: PlaceAsked | undefined;
}

/**
 * Begins ends, one or several as a batch, and goes to the bench with them; figures nobody has checked yet are asked about
 * first.
 */
export function useBeginning() {
  const { prefs } = usePrefs();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [asking, setAsking] = useState<AskedFirst | null>(null);
  const wanted = useRef<Wanted>({ key: "", id: "" });
  const begin = async (beginning: BeginCalls) => {
    setBusy(true);
    setProblem(null);
    const ahead = await beginning.look();
    if (ahead.ok && !ahead.value.unchecked) return start(beginning);
    setBusy(false);
    if (!ahead.ok) return setProblem(ahead.problem.message);
    const leave = () => setAsking(null);
    const goOn = () => {
      leave();
      start(beginning);
    };
    setAsking({ ahead: ahead.value, place: beginning.place, goOn, leave });
  };
  const start = async (beginning: BeginCalls) => {
    setBusy(true);
    setProblem(null);
    if (wanted.current.key !== beginning.key) wanted.current = { key: beginning.key, id: uuid() };
    const answer = await beginning.start({ id: wanted.current.id, rule: ruleOf(prefs), by: prefs.person });
    if (answer.ok)
      return router.push(
        answer.value.batch ? `/bench/batch/${answer.value.id}` : `/bench/${answer.value.id}`,
      );
    // No answer may have come though it was begun: asked again, it is the same.
    if (answer.problem.code !== "offline") wanted.current = { key: "", id: "" };
    setBusy(false);
    setProblem(answer.problem.message);
  };
  return { begin, busy, problem, asking };
}

/** The same at places of a piece. */
export function useBegin(piece: PieceId) {
  const { begin: beginThere, ...rest } = useBeginning();
  const begin = (side: PlaceSide, addresses: readonly Place["address"][]) => {
    const params = { id: piece };
    const first = { side, at: addressText(addresses[0] ?? []) };
    return beginThere({
      key: JSON.stringify([piece, side, addresses]),
      look: () => call("get /pieces/{id}/ends", { params, query: first }),
      start: (common) =>
        call("post /pieces/{id}/ends", { params, body: { ...common, side, addresses: [...addresses] } }),
      place: { piece, ...first },
    });
  };
  return { begin, ...rest };
}
