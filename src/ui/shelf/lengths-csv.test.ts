import { describe, expect, it } from "vitest";
import { lengthsFromText } from "./lengths-csv";

const rowsOf = (text: string) => {
  const read = lengthsFromText(text);
  return read.ok ? read.value : read.problem.code;
};

describe("lengths as pasted", () => {
  const jacket = { name: "jacket", datum: "end", value: "64", unit: "mm", plus: "1", minus: "" };
  it.each([
    ["with commas and a head", "name,datum,value,unit,plus,minus\njacket,end,64,mm,1,"],
    ["with semicolons", "name;datum;value;unit;plus;minus\njacket;end;64;mm;1;"],
    ["with tabs, as from a spreadsheet", "name\tdatum\tvalue\tunit\tplus\tminus\njacket\tend\t64\tmm\t1\t"],
    ["without a head, in the standard order", "jacket,end,64,mm,1"],
    ["with columns in another order and other words", "value,what,from,tolerance,units\n64,jacket,end,1,mm"],
  ])("%s", (_, text) => {
    expect(rowsOf(text)).toEqual([jacket]);
  });
  it("a quoted inch and a comma inside quotes stay one cell", () => {
    expect(rowsOf('jacket,end,"1 1/2""",in')).toMatchObject([{ value: '1 1/2"' }]);
    expect(rowsOf('"mark, second",buffer,11')).toMatchObject([{ name: "mark, second" }]);
  });
  it.each([
    ["", "empty"],
    ["name,value", "empty"],
    ["x".repeat(20_001), "too-large"],
  ])("nothing to read is told", (text, code) => {
    expect(rowsOf(text)).toBe(code);
  });
});
