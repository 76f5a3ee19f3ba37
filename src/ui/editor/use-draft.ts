"use client";

import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { mustHoldAt } from "@/core";

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

interface History<T> {
  readonly all: readonly T[];
  readonly at: number;
  /** What was changed last, and when: more of it soon after is the same step back. */
  readonly last: Change | null;
  /** How often it was gone back, on, or to the beginning. */
  readonly moves: number;
}

interface Change {
  readonly field: string;
  readonly when: number;
  /** Whether it was typed into a field that shows what is typed by itself. */
  readonly typed: boolean;
}

function withStep<T>({ all, at, last, moves }: History<T>, change: Change, next: T): History<T> {
  const together =
    last !== null && change.field === last.field && change.when - last.when < AGAIN_MS && at > 0;
  const saved = all.slice(Math.max(0, at - DEPTH), at + (together ? 0 : 1));
  return { all: [...saved, next], at: saved.length, last: change, moves };
}

function moved<T>(history: History<T>, by: number): History<T> {
  const at = history.at + by;
  return at < 0 || at >= history.all.length
    ? history
    : { ...history, at, last: null, moves: history.moves + 1 };
}

const begun = <T>(initial: T, moves: number): History<T> => ({ all: [initial], at: 0, last: null, moves });

/**
 * A document being edited, with undo and redo. The draft is stored on this device until it is saved or
 * given up, so that closing the lid loses nothing. Keys typed into one field in quick order are one step back.
 * `takeUp` says whether what this device kept has what the fields need. `change` stays the same function for good: a row that is handed it is drawn again only for what is its own.
 */
export function useDraft<T>(place: string, initial: T, takeUp: (saved: unknown) => T | null) {
  const [history, setHistory] = useState(() => begun(initial, 0));
  const [isRestored, setFound] = useState(false);
  const { all, at } = history;
  const draft = mustHoldAt(all, at);
  const device = useKept(keyOf(place));

  const { read, write } = device;
  const begunAt = useRef<string | null>(null);
  useEffect(() => {
    // Once a place: asked for again, a page hands over the same again, and what is typed meanwhile stands.
    if (begunAt.current === place) return;
    begunAt.current = place;
    const saved = takeUp(read());
    if (saved === null) return;
    setHistory({ ...begun(initial, 1), all: [initial, saved], at: 1 });
    setFound(true);
  }, [place, read, initial, takeUp]);
  const touched = useRef(false);
  // With the key itself: for an effect of its own React would post itself a message.
  useLayoutEffect(() => {
    if (touched.current) write(at === 0 ? null : draft);
  }, [write, at, draft]);
  const to = useCallback((next: (before: History<T>) => History<T>) => {
    touched.current = true;
    setHistory(next);
  }, []);
  return {
    draft,
    /** Whether the last change was typed into a field that shows it by itself. */
    typed: history.last?.typed ?? false,
    moves: history.moves,
    change: useCallback(
      (field: string, next: (now: T) => T, typed = false) => {
        const change = { field, typed, when: Date.now() };
        to((before) => withStep(before, change, next(mustHoldAt(before.all, before.at))));
      },
      [to],
    ),
    undo: () => to((before) => moved(before, -1)),
    redo: () => to((before) => moved(before, 1)),
    canUndo: at > 0,
    canRedo: at < all.length - 1,
    /** Whether the draft was found on this device, not saved last time. */
    isRestored: isRestored,
    forget: () => {
      touched.current = false;
      device.drop();
    },
    startOver: () => {
      to(({ moves }) => begun(initial, moves + 1));
      setFound(false);
    },
  };
}

export type Draft<T> = ReturnType<typeof useDraft<T>>;

/** What a device keeps under a key: written when the keys pause, and at the latest when the page goes. */
function useKept(key: string) {
  const waiting = useRef<{ readonly value: unknown; readonly timer: number } | null>(null);
  const flush = useCallback(() => {
    if (waiting.current === null) return;
    window.clearTimeout(waiting.current.timer);
    const { value } = waiting.current;
    waiting.current = null;
    try {
      if (value === null) localStorage.removeItem(key);
      else localStorage.setItem(key, JSON.stringify(value));
    } catch {
      // No storage on this device: the page still holds it.
    }
  }, [key]);
  const write = useCallback(
    (value: unknown) => {
      if (waiting.current) window.clearTimeout(waiting.current.timer);
      waiting.current = { value, timer: window.setTimeout(flush, SOON_MS) };
    },
    [flush],
  );
  const read = useCallback((): unknown => {
    try {
      return JSON.parse(localStorage.getItem(key) ?? "null");
    } catch {
      // Nothing kept that can be read: the document is as it came.
      return null;
    }
  }, [key]);
  useEffect(() => {
    window.addEventListener("pagehide", flush);
    return () => {
      window.removeEventListener("pagehide", flush);
      flush();
    };
  }, [flush]);
  const drop = () => {
    write(null);
    flush();
  };
  return { read, write, drop };
}

const SOON_MS = 250;
