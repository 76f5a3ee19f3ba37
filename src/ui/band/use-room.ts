"use client";

import { useSyncExternalStore } from "react";

/** How high the screen is: what is drawn gives way before what is to be done. */
export type Room = "short" | "low" | "high";

/** So low that what is drawn may scroll away; `short:` in a class says the same. */
export const SHORT = "(max-height: 520px)";
const LOW = "(max-height: 700px)";

const listen = (changed: () => void) => {
  const queries = [SHORT, LOW].map((query) => window.matchMedia(query));
  for (const query of queries) query.addEventListener("change", changed);
  return () => {
    for (const query of queries) query.removeEventListener("change", changed);
  };
};
const now = (): Room =>
  window.matchMedia(SHORT).matches ? "short" : window.matchMedia(LOW).matches ? "low" : "high";

/** The room there is, followed as a device is turned or a page zoomed; enough of it before the first layout. */
export const useRoom = (): Room => useSyncExternalStore(listen, now, () => "high");
