"use client";

import { type RefObject, useEffect, useLayoutEffect, useRef, useState } from "react";

interface Measured<T> {
  readonly ref: RefObject<T | null>;
  readonly width: number;
  /** True in the drawing that first uses this width: nothing on the cable moved, so nothing should be seen to. */
  readonly resized: boolean;
}

/** The width of an element as laid out, followed as it changes; a likely one before the first layout. */
export function useWidth<T extends Element>(likely: number): Measured<T> {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(likely);
  const drawn = useRef<number | null>(null);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    setWidth(element.clientWidth || likely);
    const observer = new ResizeObserver(() => setWidth(element.clientWidth || likely));
    observer.observe(element);
    return () => observer.disconnect();
  }, [likely]);
  const resized = drawn.current !== width;
  useEffect(() => {
    drawn.current = width;
  }, [width]);
  return { ref, width, resized };
}
