"use client";

import {
  createContext,
  type ReactNode,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from "react";
import useSWR from "swr";
import { asError, type BenchTimer } from "@/core";
import { call } from "../http/http";
import { polling } from "../http/use-polled";

interface TimersApi {
  /** Whether the server has answered yet. */
  readonly loaded: boolean;
  readonly timers: readonly BenchTimer[];
  /** The server's time now, milliseconds: timers are counted by its clock, not this device's. */
  readonly serverNow: () => number;
  readonly refresh: () => void;
}

const Context = createContext<TimersApi | null>(null);
const ASK_AGAIN_MS = 4_000;
const NONE: readonly BenchTimer[] = [];

/** Every hold and cure running at the bench, on whichever page one is: asked for every few seconds. */
export function TimersProvider({ children }: { children: ReactNode }) {
  const ahead = useRef(0);
  const { data, mutate } = useSWR(
    "timers",
    async () => {
      const sentAt = Date.now();
      const answer = await call("get /timers", {});
      if (!answer.ok) throw asError(answer.problem);
      ahead.current = Date.parse(answer.value.now) - (sentAt + Date.now()) / 2;
      return answer.value.timers;
    },
    polling(ASK_AGAIN_MS),
  );
  const loaded = data !== undefined;
  const timers = data ?? NONE;
  const refresh = useCallback(() => void mutate(), [mutate]);
  const api = useMemo(
    () => ({ loaded, timers, serverNow: () => Date.now() + ahead.current, refresh }),
    [loaded, timers, refresh],
  );
  return <Context value={api}>{children}</Context>;
}

export function useTimers(): TimersApi {
  const api = useContext(Context);
  if (!api) throw new Error("useTimers outside TimersProvider");
  return api;
}

/** Draws again a few times a second while something runs. @returns the server's time, milliseconds; null at first. */
export function useTick(running: boolean): number | null {
  const { serverNow } = useTimers();
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    setNow(serverNow());
    if (!running) return;
    const every = setInterval(() => setNow(serverNow()), 250);
    return () => clearInterval(every);
  }, [running, serverNow]);
  return now;
}
