"use client";

import { useCallback, useEffect, useState } from "react";
import { z } from "zod";
import { attempt, check, type LightReference, type Wavelength, zReference } from "@/core";

const KEY = "arlent:light-references";

/** A reference with how often it was read with. */
const zHeld = z.strictObject({ reference: zReference, matings: z.int().min(0) });
export type HeldReference = z.output<typeof zHeld>;

/** The references taken on this device: the newest of each wavelength, with the readings made with it. */
export function useReferences() {
  const [held, setHeld] = useState<readonly HeldReference[]>([]);
  useEffect(() => setHeld(stored()), []);
  const store = useCallback((next: readonly HeldReference[]) => {
    setHeld(next);
    localStorage.setItem(KEY, JSON.stringify(next));
  }, []);
  const of = (wavelength: Wavelength) => held.find(({ reference }) => reference.wavelength === wavelength);
  return {
    of,
    newest: held[0],
    take: (reference: LightReference) =>
      store([
        { reference, matings: 0 },
        ...held.filter((each) => each.reference.wavelength !== reference.wavelength),
      ]),
    /** Counts one more mating of its cord. */
    use: (wavelength: Wavelength) =>
      store(
        held.map((each) =>
          each.reference.wavelength === wavelength ? { ...each, matings: each.matings + 1 } : each,
        ),
      ),
  };
}

export type References = ReturnType<typeof useReferences>;

const stored = (): HeldReference[] =>
  attempt(() => check(z.array(zHeld), JSON.parse(localStorage.getItem(KEY) ?? "[]"))).value ?? [];
