"use client";

import { useEffect, useState } from "react";
import type { CheckStanding, Conformance, Reading } from "@/core";
import { activeOf, type BenchWork } from "../work/use-work";
import type { Elsewhere } from "./taken-elsewhere";

const BREATH_MS = 700;

/** Which length of a step is read, what was read last, and a reading that went to another length than the one asked for. */
export function useReadings({ here, state, add, strike }: BenchWork, onRead: (check: string) => void) {
  const [picked, setPicked] = useState<string | null>(null);
  const [last, setLast] = useState<string | null>(null);
  const [went, setElsewhere] = useState<Elsewhere | null>(null);
  const [saved, setKept] = useState(0);
  const [settled, setSettled] = useState(0);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(saved), BREATH_MS);
    return () => clearTimeout(timer);
  }, [saved]);
  const reading = activeOf(here, picked ?? undefined);
  const standingOf = (check: string): CheckStanding | undefined =>
    here.find((checkStanding) => checkStanding.check.id === check);
  const pick = (check: string) => {
    setPicked(check);
    onRead(check);
  };
  /** To the next length not read yet, or to stay with one that is not in. */
  const goOnFrom = (check: string, isIn: boolean) => {
    const next = here.find(
      (checkStanding) => checkStanding.judged === null && checkStanding.check.id !== check,
    );
    pick(isIn && next ? next.check.id : check);
  };
  return {
    reading,
    last,
    /** Struck out by any way, it is no longer asked about. */
    elsewhere: went && state.readings.some(({ id }) => id === went.id) ? went : null,
    /** Whether the last reading was kept long enough ago: a calliper that sends Enter twice means it once. */
    settled: settled === saved,
    pick,
    keep: (event: Reading, { verdict }: Conformance, chosen: boolean) => {
      setKept((count) => count + 1);
      const id = add(event);
      setLast(event.check);
      const taken = standingOf(event.check)?.check;
      const isAsked = chosen || taken === reading?.check;
      setElsewhere(isAsked || !taken ? null : { id, check: taken, typed: event.typed });
      if (isAsked) goOnFrom(event.check, verdict === "in");
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
