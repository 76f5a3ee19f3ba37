"use client";

import { useMemo } from "react";
import useSWRImmutable from "swr/immutable";
import { asError, problemOf, type SheetShelf, zProcedure } from "@/core";
import { getDocument } from "../http/http";

/**
 * The shelf with the procedure that was picked: lists travel with the page, a procedure when it is asked for, once.
 * @returns why it could not be had, and how to ask again.
 */
export function useFetched(shelf: SheetShelf, style: string | null) {
  const wanted = shelf.styles.find(({ id }) => id === style);
  const isHere =
    !wanted || shelf.procedures.some(({ id, revision }) => id === wanted.id && revision === wanted.revision);
  const { data, error, mutate } = useSWRImmutable(
    isHere ? null : (["procedure", wanted.id, wanted.revision] as const),
    async ([, id]) => {
      const answer = await getDocument(zProcedure, { kind: "procedures", id });
      if (!answer.ok) throw asError(answer.problem);
      return answer.value;
    },
  );
  const whole = useMemo(
    () =>
      // One that somebody saved after the page was made is not the one in its list.
      data && data.id === wanted?.id && data.revision === wanted.revision
        ? { ...shelf, procedures: [...shelf.procedures, data] }
        : shelf,
    [shelf, data, wanted],
  );
  return {
    shelf: whole,
    failed: error ? (problemOf(error)?.message ?? String(error)) : null,
    again: () => void mutate(),
  };
}
