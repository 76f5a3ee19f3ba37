"use client";

import type { ClosureCable } from "@/core";
import { useBeginAt } from "../plan/use-begin";

/** Begins cables of a closure and goes to the bench with them; several are alike. */
export function useBeginClosure(closure: string) {
  const { begin: beginAt, ...rest } = useBeginAt(`/api/v1/closures/${closure}/ends`);
  const begin = (cables: readonly Pick<ClosureCable, "id" | "joins">[]) => {
    const [first] = cables;
    return beginAt(
      { cables: cables.map(({ id }) => id) },
      { cable: first?.id ?? "" },
      first?.joins ? { ...first.joins, at: "" } : undefined,
    );
  };
  return { begin, ...rest };
}
