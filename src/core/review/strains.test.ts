import { describe, expect, it } from "vitest";
import { compile, cord, procedureOf, type Row, tools } from "../runsheet/fixtures/made";
import { resolved } from "../runsheet/resolved";
import { placementOf } from "./placements";
import { strainAdvice, strainsOf } from "./strains";

/** A stub: strip, reference mark and cleave by these tolerances, the mark read at the seat to ± one more. */
function stub(strip: number, reference: number, cleave: number, standOff: number) {
  const rows: Row[] = [
    ["strip", "end", "buffer", 36, strip, strip],
    ["reference", "buffer", "mark", 12, reference, reference],
    ["cleave", "glass", "buffer", 9, cleave, cleave],
    ["check-stand-off", "part-tube", "mark", 1, standOff, standOff],
  ];
  return procedureOf(rows, {
    steps: [
      { id: "seat", kind: "insert", title: "Insert" },
      { id: "stand", kind: "verify", title: "Stand", checks: ["check-stand-off"] },
    ],
    changes: {
      features: [
        { id: "end", name: "end", kind: "end" },
        { id: "buffer", name: "buffer edge", kind: "edge" },
        { id: "mark", name: "mark", kind: "mark" },
        { id: "glass", name: "cleaved end", kind: "end" },
        { id: "part-tube", name: "entry tube", kind: "part" },
      ],
      dimensions: rows.map(([id, from, to, nominal, plus, minus]) => ({
        id,
        name: id,
        from,
        to,
        nominal,
        plus,
        minus,
        after: id === "check-stand-off" ? "seat" : `make-${id}`,
      })),
    },
  });
}
const strains = (...by: Parameters<typeof stub>) => {
  const placement = placementOf(resolved(stub(...by), cord(), { core: "9/125", choices: {} }), tools);
  if (!placement) throw new Error("it can be laid out");
  return strainsOf(placement);
};

describe("a limit read at the end", () => {
  it("may be as wide as mark and cleave together, and no tighter: the strip cancels", () => {
    expect(strains(1, 0.5, 0.4, 0.9)).toEqual([]);
    expect(strains(9, 0.5, 0.4, 0.9)).toEqual([]);
    expect(strains(1, 0.5, 0.4, 0.899)).toMatchObject([{ dimension: "check-stand-off", over: 1 }]);
  });
  it("tells by how much it is too tight, at the worst and by root-sum-square", () => {
    const [strain] = strains(1, 0.8, 0.5, 0.9);
    expect(strain).toMatchObject({ over: 400, half: 900, worst: 1300 });
    expect(strain?.rss).toBeCloseTo(Math.hypot(800, 500), 6);
    expect(strainAdvice(strains(1, 0.8, 0.5, 0.9))[0]?.message).toMatch(
      /may be out by 0.4 while cleave and reference are each right.*even by root-sum-square/,
    );
    expect(strainAdvice(strains(1, 0.6, 0.5, 0.9))[0]?.message).toMatch(/at the worst\. Widen it/);
  });
  it("that makes its own feature feeds itself and is left alone", () => {
    expect(compile(stub(1, 0.5, 0.4, 0.9)).lengths.length).toBeGreaterThan(0);
    expect(strains(0.1, 0.1, 0.1, 0.2).map(({ dimension }) => dimension)).toEqual([]);
  });
});
