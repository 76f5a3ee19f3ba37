"use client";

import { useFresh } from "./use-fresh";

/** Keeps the page it stands on as the record is now. */
export function Fresh({ seen }: { readonly seen: number }): null {
  useFresh(seen);
  return null;
}
