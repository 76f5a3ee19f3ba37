"use client";

import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { v4 as uuid } from "uuid";
import { addressText, type Place, type PlaceSide, zBegunAnswer } from "@/core";
import { post } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";

/** The sheet of what is in hand at a place. */
export const sheetHref = (piece: string, { side, address }: Place): string =>
  `/?${new URLSearchParams({ piece, side, at: addressText(address) })}`;

/** What is asked for, for one try after another to be the same end. */
interface Wanted {
  readonly key: string;
  readonly id: string;
}

/** Begins ends, one or several as a batch, where an address of the interface says, and goes to the bench with them. */
export function useBeginAt(url: string) {
  const { prefs } = usePrefs();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const wanted = useRef<Wanted>({ key: "", id: "" });
  const begin = async (asked: Readonly<Record<string, unknown>>) => {
    setBusy(true);
    setProblem(null);
    const key = JSON.stringify([url, asked]);
    if (wanted.current.key !== key) wanted.current = { key, id: uuid() };
    const answer = await post(url, zBegunAnswer, {
      id: wanted.current.id,
      ...asked,
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
  return { begin, busy, problem };
}

/** The same at places of a piece. */
export function useBegin(piece: string) {
  const { begin: beginAt, busy, problem } = useBeginAt(`/api/v1/pieces/${piece}/ends`);
  const begin = (side: PlaceSide, addresses: readonly Place["address"][]) => beginAt({ side, addresses });
  return { begin, busy, problem };
}
