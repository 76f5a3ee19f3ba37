"use client";

import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from "react";
import { takeEarlyInput } from "../controls/early-input";
import { NEXT_UNITS, PREFS_COOKIE, type Prefs, writePrefs } from "./prefs";

interface PrefsApi {
  readonly prefs: Prefs;
  readonly change: (changes: Partial<Prefs>) => void;
  readonly nextUnits: () => void;
}

const Context = createContext<PrefsApi | null>(null);

const A_YEAR = 60 * 60 * 24 * 365;

export function PrefsProvider({ initial, children }: { initial: Prefs; children: ReactNode }) {
  const [prefs, setPrefs] = useState(initial);
  useEffect(() => {
    // biome-ignore lint/suspicious/noDocumentCookie: the cookie store API is not in every browser yet
    document.cookie = `${PREFS_COOKIE}=${writePrefs(prefs)}; path=/; max-age=${A_YEAR}; samesite=lax`;
    document.documentElement.dataset.theme = prefs.theme;
  }, [prefs]);
  useEffect(() => {
    takeEarlyInput(document);
    // Says that the page takes keys and touches: who drives it by program need not guess.
    document.documentElement.dataset.ready = "";
  }, []);
  const change = useCallback(
    (changes: Partial<Prefs>) => setPrefs((before) => ({ ...before, ...changes })),
    [],
  );
  const nextUnits = useCallback(
    () => setPrefs((before) => ({ ...before, units: NEXT_UNITS[before.units] })),
    [],
  );
  const api = useMemo(() => ({ prefs, change, nextUnits }), [prefs, change, nextUnits]);
  return <Context value={api}>{children}</Context>;
}

export function usePrefs(): PrefsApi {
  const api = useContext(Context);
  if (!api) throw new Error("usePrefs outside PrefsProvider");
  return api;
}
