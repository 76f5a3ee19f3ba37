import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { instrumentsFor } from "./tool";

const rule = { id: "rule", reads: "length" as const, longest: mm(1000) };
const calliper = { id: "calliper", reads: "length" as const, longest: mm(150) };
const tape = { id: "tape", reads: "length" as const, longest: mm(8000) };
const gauge = { id: "gauge", reads: "gap" as const, longest: mm(5) };
const all = [rule, calliper, tape, gauge];
const able = (nominal: number, gap?: true) =>
  instrumentsFor(all, { nominal: mm(nominal), ...(gap && { gap }) }).map(({ id }) => id);

describe("what a length is read with", () => {
  it("is long enough for it: metres by a tape", () => {
    expect(able(9.5)).toEqual(["rule", "calliper", "tape"]);
    expect(able(150)).toEqual(["rule", "calliper", "tape"]);
    expect(able(150.001)).toEqual(["rule", "tape"]);
    expect(able(1480)).toEqual(["tape"]);
    expect(able(-1480)).toEqual(["tape"]);
  });
  it("goes into a gap only where it is a gauge, and a gauge reads nothing else", () => {
    expect(able(0.6, true)).toEqual(["gauge"]);
    expect(able(0.6)).not.toContain("gauge");
  });
  it("is any of them where none can: a reading is never refused for want of an instrument", () => {
    expect(able(9000)).toHaveLength(4);
    expect(able(6, true)).toHaveLength(4);
  });
});
