"use client";

import { useBeginAt } from "../jobs/use-begin";

/** Begins cables of a closure, by their ids, and goes to the bench with them. */
export function useBeginClosure(closure: string) {
  const { begin: beginAt, busy, problem } = useBeginAt(`/api/v1/closures/${closure}/ends`);
  return { begin: (cables: readonly string[]) => beginAt({ cables }), busy, problem };
}
