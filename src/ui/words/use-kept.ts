"use client";

import { type Dispatch, type SetStateAction, useCallback, useEffect, useState } from "react";

const PREFIX = "arlent:";

function kept<T>(key: string): T | undefined {
  try {
    const text = sessionStorage.getItem(PREFIX + key);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    return undefined;
  }
}

/**
 * A state of this window that a reload does not lose: something half typed, where a view was left.
 * Nothing that is on record: that is the server's.
 * @param key what it is of; as it changes, what was kept under the new one is taken up.
 */
export function useKept<T extends string | number | boolean | null>(
  key: string,
  initial: T,
): [T, Dispatch<SetStateAction<T>>] {
  const [value, setValue] = useState<T>(initial);
  // Only once the page is there: what the server drew knows nothing of this window.
  useEffect(() => {
    const before = kept<T>(key);
    if (before !== undefined) setValue(before);
  }, [key]);
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
