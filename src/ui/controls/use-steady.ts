import { useCallback, useInsertionEffect, useRef } from "react";

/** One function for good that does what the last one given does: what is handed it is not drawn again for its sake. */
export function useSteady<A extends readonly unknown[], R>(act: (...args: A) => R): (...args: A) => R {
  const last = useRef(act);
  useInsertionEffect(() => {
    last.current = act;
  });
  return useCallback((...args: A) => last.current(...args), []);
}
