"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import {
  type Ahead,
  addressText,
  type Place,
  type PlaceAsked,
  type PlaceSide,
  zAheadAnswer,
  zBegunAnswer,
} from "@/core";
import { get, post } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";

/** The sheet of what is in hand at a place. */
export const sheetHref = (piece: string, { side, address }: Place): string =>
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

/**
 * Begins ends, one or several as a batch, where an address of the interface says, and goes to the bench with them; figures
 * nobody has checked yet are asked about first.
 */
export function useBeginAt(url: string) {
  const { prefs } = usePrefs();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [asking, setAsking] = useState<AskedFirst | null>(null);
  const wanted = useRef<Wanted>({ key: "", id: "" });
  /** @param of which of them stands for all: they are of one sheet. */
  const begin = async (
    request: Readonly<Record<string, unknown>>,
    of: Readonly<Record<string, string>>,
    place?: AskedFirst["place"],
  ) => {
    setBusy(true);
    setProblem(null);
    const ahead = await get(`${url}?${new URLSearchParams(of)}`, zAheadAnswer);
    if (ahead.ok && !ahead.value.unchecked) return start(request);
    setBusy(false);
    if (!ahead.ok) return setProblem(ahead.problem.message);
    const leave = () => setAsking(null);
    const goOn = () => {
      leave();
      start(request);
    };
    setAsking({ ahead: ahead.value, place, goOn, leave });
  };
  const start = async (request: Readonly<Record<string, unknown>>) => {
    setBusy(true);
    setProblem(null);
    const key = JSON.stringify([url, request]);
    if (wanted.current.key !== key) wanted.current = { key, id: uuid() };
    const answer = await post(url, zBegunAnswer, {
      id: wanted.current.id,
      ...request,
      rule: prefs.risk === null ? { kind: "simple" } : { kind: "guarded", risk: prefs.risk },
      by: prefs.person,
    });
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
export function useBegin(piece: string) {
  const { begin: beginAt, ...rest } = useBeginAt(`/api/v1/pieces/${piece}/ends`);
  const begin = (side: PlaceSide, addresses: readonly Place["address"][]) => {
    const first = { side, at: addressText(addresses[0] ?? []) };
    return beginAt({ side, addresses }, first, { piece, ...first });
  };
  return { begin, ...rest };
}
