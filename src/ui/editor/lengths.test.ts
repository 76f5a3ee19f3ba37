import { describe, expect, it } from "vitest";
import { mm, switchDatum } from "@/core";
import {
  type DocumentDimension,
  datumsOf,
  type Laid,
  lengthRows,
  madeOn,
  withFigure,
  withOther,
} from "./lengths";

const jacket: DocumentDimension = {
  id: "jacket",
  name: "jacket strip",
  from: "end",
  to: "jacket",
  nominal: 60,
  plus: 1,
  minus: 1,
  after: "mark",
  cases: [
    { when: { core: ["50/125"] }, nominal: 55, plus: 1, minus: 1 },
    { when: { core: ["62.5/125"] }, nominal: 58, plus: 2, minus: 2 },
  ],
};
const buffer: DocumentDimension = {
  ...jacket,
  id: "buffer",
  name: "buffer strip",
  to: "buffer",
  nominal: 37,
  cases: [],
};
const laid: Laid = {
  features: [
    { id: "end", kind: "end", madeAt: 0, position: mm(0) },
    { id: "boot", kind: "part", madeAt: 1, position: mm(200) },
    { id: "jacket", kind: "edge", madeAt: 2, position: mm(60) },
    { id: "buffer", kind: "edge", madeAt: 4, position: mm(37) },
  ],
};
const rowOf = (dimension: DocumentDimension, cases = {}, sheet: Laid | null = laid) => {
  const [row] = lengthRows({ dimensions: [dimension] }, sheet, cases);
  if (!row) throw new Error("one length makes one row");
  return row;
};

describe("a length in the editor", () => {
  it("shows its own figure from its own datum", () => {
    expect(rowOf(buffer)).toMatchObject({ datum: "end", to: "buffer", figure: 37, derived: false });
  });
  it("laid off from elsewhere shows how far that is, and moves its own figure by as much as is typed", () => {
    const row = rowOf(switchDatum(buffer, "jacket"));
    expect(row).toMatchObject({ datum: "jacket", to: "buffer", figure: -23, derived: true });
    expect(withFigure(row, laid, -22.5)).toMatchObject({ from: "end", nominal: 37.5, plus: 1, minus: 1 });
  });
  it("typed from elsewhere changes the figure the cable drawn is worked to, and no other", () => {
    const row = rowOf(switchDatum(jacket, "buffer"), { jacket: 1 });
    const typed = withFigure(row, laid, 24);
    expect(typed.nominal).toBe(60);
    expect(typed.cases?.map(({ nominal }) => nominal)).toEqual([55, 59]);
  });
  it("of an end that does not hold together is its own figure, wherever it is laid off from", () => {
    const row = rowOf(switchDatum(buffer, "jacket"), {}, null);
    expect(row).toMatchObject({ figure: 37, derived: false });
    expect(withFigure(row, null, 36)).toMatchObject({ nominal: 36 });
  });
  it("keeps its other figures when one of them is changed", () => {
    const changed = withOther(jacket, 0, { nominal: 54 });
    expect(changed.cases?.map(({ nominal, plus }) => [nominal, plus])).toEqual([
      [54, 1],
      [58, 2],
    ]);
  });
  it("can be laid off from what is made before it, never from a part or from what comes later", () => {
    expect(datumsOf(rowOf(buffer), madeOn(laid))).toEqual(["end", "jacket"]);
    expect(datumsOf(rowOf(jacket), madeOn(laid))).toEqual(["end"]);
  });
});
