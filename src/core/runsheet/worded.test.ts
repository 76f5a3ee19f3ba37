import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { holdOf, turnsThatFit } from "./worded";

const figure = (id: string, nominal: number, tolerance: number | null) => ({
  id,
  nominal: mm(nominal),
  plus: tolerance === null ? null : mm(tolerance),
  minus: tolerance === null ? null : mm(tolerance),
});
const storage = {
  along: "half",
  share: 2,
  path: mm(330),
  perimeter: mm(610),
  least: 1,
  most: 4,
};

describe("turns of a loop that fit", () => {
  it("are counted at the shortest the length may be: a whole turn less where a millimetre is missing", () => {
    // 2 × (790 − 6) − 330 = 1 238 = 2 × 610 + 18.
    expect(turnsThatFit(storage, [figure("half", 790, 6)])).toBe(2);
    // 2 × (781 − 6) − 330 = 1 220: exactly two. A half millimetre less on each side: one.
    expect(turnsThatFit(storage, [figure("half", 781, 6)])).toBe(2);
    expect(turnsThatFit(storage, [figure("half", 780.5, 6)])).toBe(1);
  });
  it("are never more than the storage takes, never fewer than none, and none of a length that is not there", () => {
    expect(turnsThatFit(storage, [figure("half", 9000, 6)])).toBe(4);
    expect(turnsThatFit(storage, [figure("half", 90, 6)])).toBe(0);
    expect(turnsThatFit(storage, [])).toBe(0);
  });
});

describe("what a sleeve reaches over on each side", () => {
  const covers = { part: "sleeve", bare: "cleave", beyond: mm(5), hold: mm(3) };
  it("is half of what is over once the longest bare glass on both sides is covered", () => {
    // (21 − 5.6 − 0.45 − 5) / 2 = 4.975.
    expect(holdOf(covers, [figure("cleave", 5.6, 0.45)], [{ id: "sleeve", length: mm(21) }])).toBe(4975);
    expect(holdOf(covers, [figure("cleave", 5.6, null)], [{ id: "sleeve", length: mm(21) }])).toBe(5200);
  });
  it("is not known without the sleeve's length or the glass", () => {
    expect(holdOf(covers, [figure("cleave", 5.6, 0.45)], [{ id: "sleeve" }])).toBeNull();
    expect(holdOf(covers, [], [{ id: "sleeve", length: mm(21) }])).toBeNull();
  });
});
