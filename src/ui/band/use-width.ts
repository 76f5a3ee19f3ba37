"use client";

import { type RefObject, useLayoutEffect, useRef, useState } from "react";

/** The width of an element as laid out, followed as it changes; a likely one before the first layout. */
export function useWidth<T extends Element>(likely: number): [RefObject<T | null>, number] {
  const ref = useRef<T>(null);
  const [width, setWidth] = useState(likely);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    setWidth(element.clientWidth || likely);
    const observer = new ResizeObserver(() => setWidth(element.clientWidth || likely));
    observer.observe(element);
    return () => observer.disconnect();
  }, [likely]);
  return [ref, width];
}
