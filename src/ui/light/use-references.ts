"use client";

import { useCallback, useEffect, useState } from "react";
import { v4 as uuid } from "uuid";
import { z } from "zod";
import {
  attempt,
  type CrewReference,
  check,
  type LightReference,
  newestReference,
  type Wavelength,
  zReference,
} from "@/core";
import { call } from "../http/http";
import { usePolled } from "../http/use-polled";
import { usePrefs } from "../prefs/prefs-context";

const KEY = "arlent:light-references";

/** A reference with how often it was read with. */
const zHeld = z.strictObject({
  reference: zReference,
  matings: z.int().min(0),
  /** The id it goes to the crew under; null once it is there, or came from there. */
  unsent: z.string().nullable().default(null),
});
export type HeldReference = z.output<typeof zHeld>;

/** Interval between requests for the crew's references, milliseconds. */
const EVERY = 30_000;

/**
 * The references in use on this device, one of each wavelength: taken here, or taken over from the crew. A newer one of the
 * same source and cord, taken on another device, is used in its place.
 */
export function useReferences() {
  const [own, setOwn] = useState<readonly HeldReference[]>([]);
  const [moved, setMoved] = useState<readonly string[]>([]);
  const { prefs } = usePrefs();
  const { data, refresh } = usePolled("get /light/references", {}, { every: EVERY });
  const shared: readonly CrewReference[] = (data?.references ?? []).filter(
    ({ reference }) => !moved.includes(reference.taken),
  );
  useEffect(() => setOwn(stored()), []);
  const store = useCallback((next: readonly HeldReference[]) => {
    setOwn(next);
    localStorage.setItem(KEY, JSON.stringify(next));
  }, []);
  useEffect(() => {
    // Taken while the server did not answer, a reference goes to the crew when it answers again.
    for (const { reference, unsent } of data ? own : []) {
      if (unsent === null) continue;
      void call("post /light/references", { body: { id: unsent, reference, by: prefs.person } }).then(
        (answer) => {
          if (!answer.ok && answer.problem.code === "offline") return;
          store(own.map((held) => (held.unsent === unsent ? { ...held, unsent: null } : held)));
        },
      );
    }
  }, [data, own, prefs.person, store]);
  const inPlaceOf = (held: HeldReference): readonly HeldReference[] => [
    held,
    ...own.filter(({ reference }) => reference.wavelength !== held.reference.wavelength),
  ];
  const of = (wavelength: Wavelength): HeldReference | undefined => {
    const held = own.find(({ reference }) => reference.wavelength === wavelength);
    return held && { unsent: held.unsent, ...newestReference(held, shared) };
  };
  return {
    of,
    newest: own[0],
    /** References of others at a wavelength, newest first. */
    sharedAt: (wavelength: Wavelength): readonly CrewReference[] =>
      shared.filter(
        ({ reference }) =>
          reference.wavelength === wavelength && reference.taken !== of(wavelength)?.reference.taken,
      ),
    /** Takes a reference: on this device at once, and for the crew as soon as the server answers. */
    take: (reference: LightReference) => {
      store(inPlaceOf({ reference, matings: 0, unsent: uuid() }));
      void refresh();
    },
    /** Takes over a reference of the crew. */
    takeOver: ({ reference, matings }: Pick<HeldReference, "reference" | "matings">) =>
      store(inPlaceOf({ reference, matings, unsent: null })),
    /** The launch cord was moved since: what was taken with it is used no more, on this device. */
    cordMoved: ({ reference }: Pick<HeldReference, "reference">) => {
      setMoved([...moved, reference.taken]);
      store(own.filter((held) => held.reference.cord !== reference.cord));
    },
    /** Counts the matings of a reading made with it. */
    use: (wavelength: Wavelength, matings: number) => {
      const held = of(wavelength);
      if (held) store(inPlaceOf({ ...held, matings: held.matings + matings }));
    },
  };
}

export type References = ReturnType<typeof useReferences>;

const stored = (): HeldReference[] =>
  attempt(() => check(z.array(zHeld), JSON.parse(localStorage.getItem(KEY) ?? "[]"))).value ?? [];
