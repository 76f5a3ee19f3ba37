import { describe, expect, it } from "vitest";
import type { SheetFigure } from "@/core";
import { readRow, rowOf } from "./read-figure";

const length: SheetFigure = {
  key: "jacket",
  path: ["dimensions", 0],
  name: "Jacket",
  about: "cable end to jacket edge",
  unit: "mm",
  value: 62,
  plus: 1,
  minus: 0.5,
  most: null,
  printed: null,
  representative: true,
};
const time: SheetFigure = { ...length, unit: "s", value: 20, plus: null, minus: null, most: 40 };
const read = (changes: object, figure = length) => readRow(figure, { ...rowOf(figure), ...changes });

describe("a figure checked against the part's sheet", () => {
  it("as put ready is what the document says", () => {
    expect(read({})).toEqual({
      kind: "ok",
      value: 62,
      plus: 1,
      minus: 0.5,
      most: null,
      printed: null,
      note: "",
    });
    expect(read({}, time)).toMatchObject({ value: 20, most: 40 });
  });
  it("may be typed in inches, and may lie in front of its datum", () => {
    expect(read({ value: "2 1/2 in" })).toMatchObject({ value: 63.5 });
    expect(read({ value: "-3.5" })).toMatchObject({ value: -3.5 });
  });
  it("an empty tolerance leaves that side open", () => {
    expect(read({ plus: "" })).toMatchObject({ plus: null, minus: 0.5 });
  });
  it.each(["wide", "", "1.23456"])("%s is refused", (value) => {
    expect(read({ value }).kind).toBe("bad");
  });
  it("a longest time shorter than the shortest is refused", () => {
    expect(read({ most: "10" }, time).kind).toBe("bad");
  });
});

describe("two prints of one length", () => {
  it("that rounding explains are both kept", () => {
    expect(read({ value: "63.5", beside: "2 1/2 in" })).toMatchObject({
      kind: "ok",
      printed: ["63.5", "2 1/2 in"],
    });
  });
  // Check value 6: common practice, no source.
  it("6: 955 beside 37.5 in is caught, by 2.5, until one is chosen", () => {
    expect(read({ value: "955", beside: "37.5 in" })).toMatchObject({
      kind: "disagree",
      message: expect.stringContaining("differ by 2.5 mm"),
    });
    expect(read({ value: "955", beside: "37.5 in", chosen: "beside" })).toMatchObject({
      value: 952.5,
      printed: null,
    });
    expect(read({ value: "955", beside: "37.5 in", chosen: "value" })).toMatchObject({
      value: 955,
      note: expect.stringContaining("955 mm is used"),
    });
  });
});
