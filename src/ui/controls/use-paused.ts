import { startTransition, useLayoutEffect, useState } from "react";
import { useSteady } from "./use-steady";

/** A hand that types on strikes the next key before that; an eye does not see the wait. */
const PAUSE_MS = 100;

/**
 * A value as it is once keys pause: what is drawn by it holds up no key.
 * @param typing whether it may wait, its field showing by itself what is typed; else it comes at once.
 * @returns the value as it is to be drawn, and what draws it as it is, for when the field is left.
 */
export function usePaused<T>(value: T, typing: boolean, pause = PAUSE_MS): readonly [T, () => void] {
  const [drawn, setDrawn] = useState(value);
  if (!typing && drawn !== value) setDrawn(() => value);
  // Not an effect for later: React would post itself a message for it, every key.
  useLayoutEffect(() => {
    const timer = window.setTimeout(() => startTransition(() => setDrawn(() => value)), pause);
    return () => window.clearTimeout(timer);
  }, [value, pause]);
  return [typing ? drawn : value, useSteady(() => setDrawn(() => value))];
}
