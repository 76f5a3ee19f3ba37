"use client";

import { useCallback, useEffect, useState } from "react";

interface History<T> {
  readonly all: readonly T[];
  readonly at: number;
}

const keyOf = (place: string): string => `arlent-draft/${place}`;

/** Drops what was being written at a place and never saved: something new begins there. */
export function forgetDraft(place: string): void {
  try {
    localStorage.removeItem(keyOf(place));
  } catch {
    // No storage on this device: nothing was kept.
  }
}

/** The most steps that can be taken back. */
const DEPTH = 200;
const AGAIN_MS = 1_200;

/**
 * A document under the pen, with undo and redo. What is being written is kept on this device until it is saved or
 * given up, so that closing the lid loses nothing. Keys typed into one field in quick order are one step back.
 */
export function useDraft<T>(place: string, initial: T, isWhole: (kept: unknown) => boolean) {
  const [{ all, at }, setHistory] = useState<History<T>>({ all: [initial], at: 0 });
  const [last, setLast] = useState<{ field: string; when: number }>({ field: "", when: 0 });
  const [found, setFound] = useState(false);
  const draft = all[at] as T;
  const key = keyOf(place);

  useEffect(() => {
    try {
      const kept = localStorage.getItem(key);
      if (!kept) return;
      const read: unknown = JSON.parse(kept);
      if (!isWhole(read)) return;
      setHistory({ all: [initial, read as T], at: 1 });
      setFound(true);
    } catch {
      // Nothing kept that can be read: the document is as it came.
    }
  }, [key, initial, isWhole]);
  const keep = useCallback(
    (value: T | null) => {
      try {
        if (value === null) localStorage.removeItem(key);
        else localStorage.setItem(key, JSON.stringify(value));
      } catch {
        // No storage on this device: the page still holds it.
      }
    },
    [key],
  );
  const change = (field: string, next: T) => {
    const now = Date.now();
    const together = field === last.field && now - last.when < AGAIN_MS && at > 0;
    setHistory((before) => {
      const kept = before.all.slice(Math.max(0, before.at - DEPTH), before.at + (together ? 0 : 1));
      return { all: [...kept, next], at: kept.length };
    });
    setLast({ field, when: now });
    keep(next);
  };
  const move = (by: number) => {
    const to = at + by;
    if (to < 0 || to >= all.length) return;
    setHistory((before) => ({ ...before, at: to }));
    setLast({ field: "", when: 0 });
    keep(to === 0 ? null : (all[to] as T));
  };
  return {
    draft,
    change,
    undo: () => move(-1),
    redo: () => move(1),
    canUndo: at > 0,
    canRedo: at < all.length - 1,
    /** Whether the draft was found on this device, not saved last time. */
    found,
    forget: () => keep(null),
    startOver: () => {
      setHistory({ all: [initial], at: 0 });
      setFound(false);
      keep(null);
    },
  };
}

export type Draft<T> = ReturnType<typeof useDraft<T>>;
