import type { FibreColour } from "@/core";

/** Colours of fibres and tubes as they are drawn, with letters that read on them (the code carries the meaning). */
export const FIBRE_PAINT: Readonly<
  Record<FibreColour["code"], { readonly ground: string; readonly letters: string }>
> = {
  BL: { ground: "#2f6fd0", letters: "#ffffff" },
  OR: { ground: "#e07a1f", letters: "#1f2328" },
  GR: { ground: "#2a7a43", letters: "#ffffff" },
  BR: { ground: "#7b4a24", letters: "#ffffff" },
  SL: { ground: "#5c646c", letters: "#ffffff" },
  WH: { ground: "#f4f2ec", letters: "#1f2328" },
  RD: { ground: "#c62f35", letters: "#ffffff" },
  BK: { ground: "#1f2328", letters: "#ffffff" },
  YL: { ground: "#d9b51f", letters: "#1f2328" },
  VI: { ground: "#7450b8", letters: "#ffffff" },
  RS: { ground: "#e88aa2", letters: "#1f2328" },
  AQ: { ground: "#38a9ad", letters: "#1f2328" },
};
