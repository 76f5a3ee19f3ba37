import { describe, expect, it } from "vitest";
import { shippedSheets } from "../runsheet/fixtures/shipped-sheets";
import { endDrawing } from "./end";

describe.each(shippedSheets)("$name, drawn", ({ sheet }) => {
  it("starts whole, and never shows a layer before the place it has been taken back to", () => {
    const whole = endDrawing(sheet, -1);
    expect(whole.layers.map(({ from }) => from)).toEqual(sheet.layers.map(() => 0));
    expect(whole.removed).toEqual([]);
    const last = sheet.lines.length;
    for (let line = 0; line < last; line++) {
      const before = endDrawing(sheet, line).layers;
      endDrawing(sheet, line + 1).layers.forEach(({ from }, i) => {
        expect(from).toBeGreaterThanOrEqual(before[i]?.from ?? 0);
      });
    }
  });
  it("has every place that is worked to written where its feature lies", () => {
    const { written } = endDrawing(sheet, sheet.lines.length);
    for (const { feature, at } of written)
      expect(sheet.features.find(({ id }) => id === feature)?.position).toBe(at);
    const figures = sheet.lines.flatMap(({ figure }) => (figure ? [figure.feature] : []));
    expect(new Set(written.map(({ feature }) => feature))).toEqual(new Set(figures));
  });
});
