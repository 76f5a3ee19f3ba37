"use client";

import { useCallback, useEffect, useRef, useState } from "react";

interface Beside<Q, A> {
  /** Whether an answer is awaited. */
  readonly busy: boolean;
  /** Asks; a question that is still open is dropped. Answers null where it was dropped or stopped. */
  readonly ask: (question: Q) => Promise<A | null>;
  readonly stop: () => void;
}

/**
 * Work that may take longer than a frame, done in a web worker: one question at a time, the page answers all the while.
 * @param begin makes the worker, which answers each message it gets by one message.
 */
export function useBeside<Q, A>(begin: () => Worker): Beside<Q, A> {
  const worker = useRef<Worker | null>(null);
  const drop = useRef<(() => void) | null>(null);
  const [busy, setBusy] = useState(false);
  const stop = useCallback(() => {
    if (!drop.current) return;
    worker.current?.terminate();
    worker.current = null;
    drop.current();
    drop.current = null;
    setBusy(false);
  }, []);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );
  const ask = useCallback(
    (question: Q) => {
      stop();
      const solver = worker.current ?? begin();
      worker.current = solver;
      setBusy(true);
      return new Promise<A | null>((answered, failed) => {
        const end = () => {
          drop.current = null;
          setBusy(false);
        };
        drop.current = () => answered(null);
        solver.onmessage = ({ data }: MessageEvent<A>) => {
          end();
          answered(data);
        };
        solver.onerror = ({ message }) => {
          end();
          failed(new Error(message));
        };
        solver.postMessage(question);
      });
    },
    [begin, stop],
  );
  return { busy, ask, stop };
}
