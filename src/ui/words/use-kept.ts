"use client";

import { type Dispatch, type SetStateAction, useCallback, useEffect, useState } from "react";

const PREFIX = "arlent:";

/** Reads what was kept: undefined where it is not of the kind asked for. */
type Take<T> = (stored: unknown) => T | undefined;

export const yesOrNo: Take<boolean> = (stored) => (typeof stored === "boolean" ? stored : undefined);
export const textKept: Take<string> = (stored) => (typeof stored === "string" ? stored : undefined);

function stored<T>(key: string, take: Take<T>): T | undefined {
  try {
    const text = sessionStorage.getItem(PREFIX + key);
    return text === null ? undefined : take(JSON.parse(text));
  } catch {
    return undefined;
  }
}

/**
 * A state of this window that a reload does not lose: something half typed, where a view was left.
 * Nothing that is on record: that is the server's.
 * @param take the same function at every drawing.
 * @param key what it is of; as it changes, what was kept under the new one is taken up.
 */
export function useKept<T extends string | number | boolean | null>(
  key: string,
  initial: T,
  take: Take<T>,
): [T, Dispatch<SetStateAction<T>>] {
  const [value, setValue] = useState<T>(initial);
  // Only once the page is there: what the server drew knows nothing of this window.
  useEffect(() => {
    const before = stored(key, take);
    if (before !== undefined) setValue(before);
  }, [key, take]);
  const change = useCallback<Dispatch<SetStateAction<T>>>(
    (to) =>
      setValue((before) => {
        const next = typeof to === "function" ? to(before) : to;
        try {
          if (next === initial) sessionStorage.removeItem(PREFIX + key);
          else sessionStorage.setItem(PREFIX + key, JSON.stringify(next));
        } catch {
          // A window that keeps nothing still works.
        }
        return next;
      }),
    [key, initial],
  );
  return [value, change];
}
