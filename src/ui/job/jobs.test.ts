import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { type Need, pieceDrawing, readCount, readMetres, readShare, um } from "@/core";
import { bandWidth, spotsOf } from "../piece-band/piece-drawing";
import { chanceText, feetText, figuresText, metresText, shareText } from "../plan/metres";
import { numbered, renamed } from "./names";

const side = (name: "A" | "B"): Need => ({
  part: { of: "side", side: name },
  name,
  length: 900_000,
  figures: [
    { kind: "prepared", length: 62_000, times: 1, of: "procedure", representative: true },
    { kind: "retry", length: 100_000, times: 2, of: "procedure", representative: true },
  ],
});
const stretch = (length: number, at: number): Need => ({
  part: { of: "route", at },
  name: "duct",
  length,
  figures: [],
});

describe("the whole-piece band", () => {
  it("puts everything one after the other from edge to edge, each wide enough to be touched", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 2e9 }), { maxLength: 12 }),
        fc.integer({ min: 300, max: 1_300 }),
        (lengths, room) => {
          const items = pieceDrawing([side("A"), ...lengths.map(stretch), side("B")]);
          const width = bandWidth(items, room);
          const spots = spotsOf(items, width);
          let x = 0;
          for (const { x0, x1 } of spots) {
            expect(x0).toBeCloseTo(x, 6);
            expect(x1 - x0).toBeGreaterThanOrEqual(48);
            x = x1;
          }
          expect(x).toBeCloseTo(width, 6);
          // Where there is no more room than that, all of it still lies within.
          expect(spotsOf(items, 200).at(-1)?.x1).toBeCloseTo(200, 6);
        },
      ),
    );
  });
  it("draws a longer stretch no shorter", () => {
    const [, short, long] = spotsOf(
      pieceDrawing([side("A"), stretch(5e6, 0), stretch(200e6, 1), side("B")]),
      1_200,
    );
    expect((long?.x1 ?? 0) - (long?.x0 ?? 0)).toBeGreaterThan((short?.x1 ?? 0) - (short?.x0 ?? 0));
  });
});

describe("metres", () => {
  it("come back as they were typed, to the millimetre, with a point or a comma", () => {
    expect(readMetres("212,04")).toBe(um(212_040_000));
    expect(readMetres(" 7.5 ")).toBe(um(7_500_000));
    expect([metresText(212_040_000), metresText(7_505_000)]).toEqual(["212.04", "7.505"]);
  });
  it.each(["", "-1", "1.2345", "1e3", "ten", "1 2"])("%j is no length", (text) => {
    expect(readMetres(text)).toBeNull();
  });
  it.each([
    ["41 ft", 12_496_800],
    ["12 ft 6 in", 3_810_000],
    ["12' 6\"", 3_810_000],
    ["40 in", 1_016_000],
    ["30 cm", 300_000],
    ["3 m", 3_000_000],
  ])("typed as %s are taken for what they are", (text, length) => {
    expect(readMetres(text)).toBe(um(length));
  });
  it("are feet and inches beside", () => {
    // 287 m / 0.0254 = 11,299.2 inches = 941 ft 7 in.
    expect(feetText(287e6)).toBe("941 ft 7 in");
  });
});

describe("words of a plan", () => {
  it("say what an item is made of, and chances as people do", () => {
    expect(figuresText(side("A"))).toBe("prepared 0.062 + 2 tries × 0.10");
    expect([chanceText(0.0032), chanceText(0.00001)]).toEqual(["0.32 %", "under 0.01 %"]);
    expect([readCount("3", 9), readCount("12", 9), readCount("1.5", 9)]).toEqual([3, null, null]);
  });
});

describe("names of many pieces", () => {
  it("take their number where the pattern has its #, else behind it; one alone needs none", () => {
    expect(numbered("Pad # feeder", 3, 7)).toEqual(["Pad 7 feeder", "Pad 8 feeder", "Pad 9 feeder"]);
    expect(numbered("cottage", 2)).toEqual(["cottage 1", "cottage 2"]);
    expect(numbered("trunk", 1)).toEqual(["trunk"]);
    expect(numbered("$& #", 1)).toEqual(["$& 1"]);
  });
  it("are changed word for word, and left alone where nothing or no name would come of it", () => {
    expect(renamed("Pad 7 feeder", "Pad", "Moor pad")).toBe("Moor pad 7 feeder");
    expect(renamed("a.b", ".", "$&")).toBe("a$&b");
    for (const [name, find, put] of [
      ["Pad 7", "x", "y"],
      ["Pad 7", "", "y"],
      ["Pad", "Pad", " "],
      ["Pad", "a", "a"],
    ] as const)
      expect(renamed(name, find, put)).toBeNull();
  });
});

describe("a share that was typed", () => {
  it("comes back as it was, and is none below nothing or above all", () => {
    expect([readShare("93,5"), shareText(0.935), readShare("101"), readShare("-1"), readShare("")]).toEqual([
      0.935,
      "93.5",
      null,
      null,
      null,
    ]);
  });
});
