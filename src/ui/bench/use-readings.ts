"use client";

import { useRef, useState } from "react";
import type { CheckStanding, Conformance, Reading } from "@/core";
import type { Elsewhere } from "./taken-elsewhere";
import { activeOf, type BenchWork } from "./use-work";

/** Which length of a step is read, what was read last, and a reading that went to another length than the one asked for. */
export function useReadings({ here, state, add, strike }: BenchWork, onRead: (check: string) => void) {
  const [picked, setPicked] = useState<string | null>(null);
  const [last, setLast] = useState<string | null>(null);
  const [went, setElsewhere] = useState<Elsewhere | null>(null);
  const keptAt = useRef(0);
  const reading = activeOf(here, picked ?? undefined);
  const standingOf = (check: string): CheckStanding | undefined => here.find((one) => one.check.id === check);
  const pick = (check: string) => {
    setPicked(check);
    onRead(check);
  };
  /** To the next length not read yet, or to stay with one that is not in. */
  const goOnFrom = (check: string, isIn: boolean) => {
    const next = here.find((one) => one.judged === null && one.check.id !== check);
    pick(isIn && next ? next.check.id : check);
  };
  return {
    reading,
    last,
    /** Struck out by any way, it is no longer asked about. */
    elsewhere: went && state.readings.some(({ id }) => id === went.id) ? went : null,
    /** When a reading was last kept, milliseconds since the epoch. */
    keptAt: () => keptAt.current,
    pick,
    keep: (event: Reading, { verdict }: Conformance, chosen: boolean) => {
      keptAt.current = Date.now();
      const id = add(event);
      setLast(event.check);
      const taken = standingOf(event.check)?.check;
      const asked = chosen || taken === reading?.check;
      setElsewhere(asked || !taken ? null : { id, check: taken, typed: event.typed });
      if (asked) goOnFrom(event.check, verdict === "in");
    },
    agree: ({ check }: Elsewhere) => {
      setElsewhere(null);
      goOnFrom(check.id, standingOf(check.id)?.judged?.verdict === "in");
    },
    takeBack: ({ id }: Elsewhere) => {
      strike(id);
      setElsewhere(null);
    },
  };
}
