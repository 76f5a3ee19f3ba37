import { describe, expect, it } from "vitest";
import { stub } from "../advice/fixtures/stub";
import { mustHoldAt } from "../problem/held";
import { countedEvent, counterOf, countsOf } from "./counter";
import { spentAt } from "./spent";

const strip = mustHoldAt(
  stub.lines.filter(({ step }) => step.id === "strip"),
  0,
);
const clean = mustHoldAt(
  stub.lines.filter(({ step }) => step.id === "clean"),
  0,
);
const wiping = {
  ...clean,
  step: {
    ...clean.step,
    count: { min: 2, max: 3, of: "wipes" },
    uses: [{ item: "lint-free wipe", count: 1 }],
  },
};

describe("what a sheet has counted", () => {
  it("is bites as they are worked out, else what the step asks for; nothing done once is counted", () => {
    expect(counterOf(strip)).toEqual({ of: "bites", min: 6, max: 6 });
    expect(counterOf(wiping)).toEqual({ of: "wipes", min: 2, max: 3 });
    expect(counterOf(clean)).toBeNull();
  });
  it("is on record by its count, and as not counted where the step was passed by", () => {
    const sheet = { lines: stub.lines.map((line) => (line === clean ? wiping : line)) };
    const leftAt = { [strip.index]: "2026-11-25T08:00:00Z", [clean.index]: "2026-11-25T08:01:00Z" };
    expect(countsOf(sheet, { counted: { strip: 6 }, leftAt }).map(({ of, count }) => [of, count])).toEqual([
      ["bites", 6],
      ["wipes", null],
    ]);
    expect(countsOf(sheet, { counted: {}, leftAt: {} }), "what was not come to is not passed by").toEqual([]);
  });
  it("says nothing where nothing was counted, and nothing used up is claimed then", () => {
    expect(countedEvent(strip, 0)).toEqual([]);
    expect(countedEvent(strip, 4)).toEqual([{ kind: "counted", step: "strip", of: "bites", count: 4 }]);
    expect(spentAt(wiping, { spent: [] })).toEqual([]);
    expect(spentAt(wiping, { spent: [] }, 2)).toMatchObject([{ kind: "use", items: [{ count: 1 }] }]);
  });
});
