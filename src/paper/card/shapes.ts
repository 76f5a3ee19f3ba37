/** What a shape is for: a layer of the drawing file. */
export const CARD_LAYERS = ["cut", "mark", "outline", "rule", "text"] as const;
export type CardLayer = (typeof CARD_LAYERS)[number];

interface OnLayer {
  readonly layer: CardLayer;
}

/** Places and sizes are millimetres from the page's top left corner. */
export type CardShape = OnLayer &
  (
    | {
        readonly kind: "line";
        readonly x1: number;
        readonly y1: number;
        readonly x2: number;
        readonly y2: number;
        readonly width: number;
        readonly dashed?: boolean;
      }
    | {
        readonly kind: "rect";
        readonly x: number;
        readonly y: number;
        readonly width: number;
        readonly height: number;
        /** Filled with ink, or an outline of so thick a line. */
        readonly fill: boolean;
        /** Another colour than ink for what is filled. */
        readonly tint?: string;
        readonly line: number;
        readonly dashed?: boolean;
      }
    | {
        readonly kind: "text";
        readonly x: number;
        readonly y: number;
        /** Height of the type, millimetres. */
        readonly size: number;
        readonly text: string;
        readonly anchor: "start" | "middle" | "end";
        readonly bold: boolean;
        /** Printed white on ink. */
        readonly light?: boolean;
        /** Read from below upwards. */
        readonly turned?: boolean;
      }
  );

/** One page of cards, millimetres. */
export interface CardPage {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly CardShape[];
}

interface Factors {
  readonly x: number;
  readonly y: number;
}

/** A page drawn larger or smaller in both directions, by a printer's correction. */
export const correctedPage = ({ width, height, shapes }: CardPage, by: Factors): CardPage => ({
  width,
  height,
  shapes: shapes.map((shape) => correctedShape(shape, by)),
});

function correctedShape(shape: CardShape, by: Factors): CardShape {
  switch (shape.kind) {
    case "line":
      return {
        ...shape,
        x1: shape.x1 * by.x,
        y1: shape.y1 * by.y,
        x2: shape.x2 * by.x,
        y2: shape.y2 * by.y,
      };
    case "rect":
      return {
        ...shape,
        x: shape.x * by.x,
        y: shape.y * by.y,
        width: shape.width * by.x,
        height: shape.height * by.y,
      };
    case "text":
      return { ...shape, x: shape.x * by.x, y: shape.y * by.y };
  }
}
