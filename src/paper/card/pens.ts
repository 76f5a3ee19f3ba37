import type { CardLayer, CardShape } from "./shapes";

type Text = Extract<CardShape, { kind: "text" }>;
type Rect = Extract<CardShape, { kind: "rect" }>;
/** A text, its baseline at its place. */
export const text = (
  x: number,
  y: number,
  size: number,
  content: string,
  more: Partial<Pick<Text, "anchor" | "bold" | "light" | "turned">> = {},
): Text => ({
  kind: "text",
  layer: "text",
  x,
  y,
  size,
  text: content,
  anchor: "start",
  bold: false,
  ...more,
});
export const line = (
  layer: CardLayer,
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  width = 0.2,
  dashed = false,
): CardShape => ({
  kind: "line",
  layer,
  x1,
  y1,
  x2,
  y2,
  width,
  dashed,
});
export const box = (
  layer: CardLayer,
  x: number,
  y: number,
  width: number,
  height: number,
  more: { readonly fill?: boolean; readonly line?: number; readonly dashed?: boolean } = {},
): Rect => ({
  kind: "rect",
  layer,
  x,
  y,
  width,
  height,
  fill: more.fill ?? false,
  line: more.line ?? 0.25,
  dashed: more.dashed ?? false,
});
