import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { adviceFor, endAt } from "../advice/fixtures/ends";
import type { EventInput } from "../event/event";
import { um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import { compileRunSheet } from "../runsheet/compile";
import { drawsFor } from "../simulated/hidden-end";
import { type CleaveShot, cleaveSeries, wayOn } from "./cleave-drill";
import { eyeAllows, farPlace, slidesBy } from "./hand-drill";

const { procedures, cables, tools } = shippedLibrary();
const named = <T extends { readonly id: string }>(all: readonly T[], id: string): T =>
  mustHoldAt(
    all.filter((each) => each.id === id),
    0,
  );
const sheet = compileRunSheet({
  ...{ procedure: named(procedures, "stub-wedge-release-cord"), cable: named(cables, "simplex-3.0") },
  ...{ core: "9/125", choices: {}, tools },
});
const cleave = mustHoldAt(
  sheet.checks.filter(({ dimension }) => dimension === "cleave"),
  0,
);
const scrap = um(named(tools, "bench-cleaver").scrap ?? 0);
const figures = { nominal: cleave.nominal, min: cleave.min ?? um(0), max: cleave.max ?? um(0), scrap };

/** The way on by the advice of the bench: whether anything but the glass itself is cut again. */
function advised({ face, length }: CleaveShot): string {
  const leg = sheet.cable.legs[0] ?? "";
  const bad: EventInput[] =
    face === "flat"
      ? []
      : [{ kind: "fault", leg, feature: "glass-end", what: "bad-cleave", at: null, on: true }];
  const [advice] = adviceFor(
    sheet,
    endAt(sheet, "measure", { "glass-end": cleave.nominal - length }, ...bad),
  );
  if (!advice) return "keep";
  if (advice.kind !== "rework") return advice.kind;
  const cuts = advice.least.moves.filter(({ how }) => how === "cut").map(({ feature }) => feature);
  return cuts.length === 1 && cuts[0] === "glass-end" ? "cleave-again" : "strip-further";
}

describe("a series of cleaves", () => {
  it("goes on as the bench itself advises, at every length and with a bad face", () => {
    const ways = new Set<string>();
    for (let length = 8_000; length <= 24_000; length += 500)
      for (const face of ["flat", "lip"] as const) {
        const shot = { face, length: um(length) };
        const way = wayOn(shot, figures);
        expect([length, face, way]).toEqual([length, face, advised(shot)]);
        ways.add(way);
      }
    expect(ways.size).toBe(3);
  });
  it("has each way in it, whatever is drawn: one to cleave again, and others to keep or to strip further", () => {
    for (let i = 0; i < 200; i++) {
      const series = cleaveSeries(figures, drawsFor(`series ${i}`));
      expect(series).toHaveLength(6);
      expect(series.map((shot) => wayOn(shot, figures))).toContain("cleave-again");
      expect(series.every(({ length }) => length % 100 === 0 && length > 0)).toBe(true);
    }
  });
});

describe("what a hand is practised at", () => {
  it("a mark by eye may lie 2 off, or a twentieth of a longer length", () => {
    expect([um(20_000), um(40_000), um(90_000)].map(eyeAllows)).toEqual([2_000, 2_000, 4_500]);
  });
  it("a tight buffer never slides on its fibre, a semi-tight one by millimetres", () => {
    for (const draw of [0, 0.5, 1]) {
      expect(slidesBy("tight", draw)).toBe(0);
      expect(slidesBy("semi-tight", draw)).toBeGreaterThanOrEqual(5_000);
    }
  });
  it("a pair is crossed, and crossed twice it is as it was", () => {
    expect(farPlace("A")).toBe("B");
    expect(farPlace(farPlace("A"))).toBe("A");
  });
});
