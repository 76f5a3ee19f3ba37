"use client";

import { useCallback, useEffect, useMemo, useState } from "react";
import { type Procedure, type SheetShelf, zProcedure } from "@/core";
import { getDocument } from "../http/http";

/**
 * The shelf with the procedure that was picked: lists travel with the page, a procedure when it is asked for, once.
 * @returns why it could not be had, and how to ask again.
 */
export function useFetched(shelf: SheetShelf, style: string | null) {
  const [fetched, setFetched] = useState<readonly Procedure[]>([]);
  const [failed, setFailed] = useState<string | null>(null);
  const whole = useMemo(() => {
    // One read before somebody saved the next revision is not the one in the list any more.
    const revisions = [...shelf.procedures, ...fetched].filter(({ id, revision }) =>
      shelf.styles.some((style) => style.id === id && style.revision === revision),
    );
    return { ...shelf, procedures: revisions };
  }, [shelf, fetched]);
  const wanted = shelf.styles.find(({ id }) => id === style);
  const missing = wanted && !whole.procedures.some(({ id }) => id === wanted.id) ? wanted.id : null;
  const fetchIt = useCallback(async (id: string) => {
    setFailed(null);
    const answer = await getDocument(zProcedure, { kind: "procedures", id });
    if (!answer.ok) {
      setFailed(answer.problem.message);
      return;
    }
    setFetched((before) => [...before.filter((procedure) => procedure.id !== id), answer.value]);
  }, []);
  useEffect(() => {
    if (missing) fetchIt(missing);
  }, [missing, fetchIt]);
  return {
    shelf: whole,
    failed,
    again: () => missing && fetchIt(missing),
  };
}
