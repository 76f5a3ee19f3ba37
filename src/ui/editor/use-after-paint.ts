import { startTransition, useEffect, useState } from "react";

/** A value a frame late: what is shown by it is drawn once what matters more has been painted. */
export function useAfterPaint<T>(value: T): T {
  const [late, setLate] = useState(value);
  useEffect(() => {
    let timer = 0;
    const frame = requestAnimationFrame(() => {
      timer = window.setTimeout(() => startTransition(() => setLate(() => value)));
    });
    return () => {
      cancelAnimationFrame(frame);
      window.clearTimeout(timer);
    };
  }, [value]);
  return late;
}
