"use client";

import type { ClosureCable } from "@/core";
import { call } from "../http/http";
import { useBeginning } from "../plan/use-begin";

/** Begins cables of a closure and goes to the bench with them; several are alike. */
export function useBeginClosure(closure: string) {
  const { begin: beginThere, ...rest } = useBeginning();
  const begin = (wanted: readonly Pick<ClosureCable, "id" | "joins">[]) => {
    const params = { id: closure };
    const cables = wanted.map(({ id }) => id);
    const [first] = wanted;
    return beginThere({
      key: JSON.stringify([closure, cables]),
      look: () => call("get /closures/{id}/ends", { params, query: { cable: first?.id ?? "" } }),
      start: (common) => call("post /closures/{id}/ends", { params, body: { ...common, cables } }),
      place: first?.joins ? { ...first.joins, at: "" } : undefined,
    });
  };
  return { begin, ...rest };
}
