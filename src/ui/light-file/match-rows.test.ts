import { describe, expect, it } from "vitest";
import { type LightReference, readLightTable } from "@/core";
import { matchRows } from "./match-rows";

const NOW = "2026-11-25T12:00:00.000Z";
const rule = { kind: "guarded", risk: 0.05 } as const;
const end = (id: string, label: string, job = "Moor") => ({
  ...{ id, label, job, piece: "", family: "stub-wedge-release", rule },
});
const ENDS = [end("e1", "A 1"), end("e2", "A 2"), end("e3", "A 2", "Hills")];
const reference: LightReference = {
  ...{
    taken: "2026-11-25T09:00:00.000Z",
    wavelength: 1310,
    source: "S",
    cord: "C",
    dBm: [-20],
    celsius: null,
  },
};
const matched = (matings: number, ...rows: string[][]) => {
  const table = readLightTable([["label", "nm", "reference", "reading"], ...rows]);
  if (!table.ok) throw new Error(table.problem.message);
  return matchRows(table.value.rows, {
    ...{ ends: ENDS, wavelength: 1310, now: NOW },
    of: (wavelength) => (wavelength === 1310 ? { reference, matings, unsent: null } : undefined),
  });
};

describe("rows of a file of readings", () => {
  it("go to the end they name, judged against the reference in use or their own, limit by the style", () => {
    const [first, second] = matched(0, ["a 1", "1310", "", "-20.3"], ["A 1", "", "-21", "-21.1"]);
    expect(first).toMatchObject({ end: { id: "e1" }, event: { limitDb: 1.05, matings: 0 }, problem: "" });
    expect(first?.loss?.loss).toBeCloseTo(0.3, 9);
    expect(second?.loss?.loss).toBeCloseTo(0.1, 9);
    expect(second?.event).toMatchObject({ matings: 1, reference: { source: "S", dBm: [-21] } });
  });
  it("say why they go nowhere: no such end, two of them, no reference, or a stale one", () => {
    const problems = matched(
      0,
      ["B 9", "1310", "", "-20"],
      ["A 2", "1310", "", "-20"],
      ["A 1", "1550", "", "-20"],
      ["Hills A 2", "1310", "", "-20"],
    ).map(({ problem }) => problem);
    expect(problems.map((text) => text.slice(0, 14))).toEqual([
      ...["No end at the ", "2 ends at the ", "Take a referen", ""],
    ]);
    expect(
      matched(49, ["A 1", "", "", "-20"], ["A 1", "", "", "-20"]).map(({ problem }) => problem !== ""),
    ).toEqual([false, true]);
  });
});
