import {
  Colors,
  DxfWriter,
  point3d,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
} from "@tarikjabiri/dxf";
import { CARD_LAYERS, type CardPage, type CardShape } from "./shapes";

const COLOURS = {
  cut: Colors.Red,
  mark: Colors.White,
  outline: Colors.Cyan,
  rule: Colors.Green,
  text: Colors.Yellow,
} as const;

/** One page of cards as DXF: millimetres, the page's lower left corner at 0, a layer for what is cut, marked and written. */
export function cardDxf({ height, shapes }: CardPage): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const layer of CARD_LAYERS) dxf.addLayer(layer, COLOURS[layer], "Continuous");
  for (const shape of shapes) addShape(dxf, shape, height);
  return dxf.stringify();
}

function addShape(dxf: DxfWriter, shape: CardShape, height: number): void {
  const at = (x: number, y: number) => point3d(x, height - y, 0);
  const options = { layerName: shape.layer };
  switch (shape.kind) {
    case "line":
      dxf.addLine(at(shape.x1, shape.y1), at(shape.x2, shape.y2), options);
      return;
    case "rect": {
      const { x, y, width, height: tall } = shape;
      const corners = [at(x, y), at(x + width, y), at(x + width, y + tall), at(x, y + tall)];
      for (const [i, corner] of corners.entries())
        dxf.addLine(corner, corners[(i + 1) % 4] ?? corner, options);
      return;
    }
    case "text":
      dxf.addText(at(shape.x, shape.y), shape.size, shape.text, {
        ...options,
        rotation: shape.turned ? 90 : 0,
        horizontalAlignment: ALIGNED[shape.anchor],
        verticalAlignment: TextVerticalAlignment.BaseLine,
        secondAlignmentPoint: at(shape.x, shape.y),
      });
  }
}

const ALIGNED = {
  start: TextHorizontalAlignment.Left,
  middle: TextHorizontalAlignment.Center,
  end: TextHorizontalAlignment.Right,
} as const;
