import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { mustHoldAt } from "../problem/held";
import { usualPlacements } from "../review/placements";
import { drawsFor } from "../simulated/hidden-end";
import {
  badLookAt,
  beginWork,
  goBackTo,
  offeredSteps,
  stepsLeft,
  takeStep,
  type WorkInProgress,
  waysAfter,
} from "./work-drill";

const { procedures, cables, tools } = shippedLibrary();
const placements = procedures.flatMap((procedure) => usualPlacements(procedure, cables, tools).slice(0, 1));
const wedge = mustHoldAt(
  placements.filter(({ procedure: { id } }) => id === "stub-wedge-release-cord"),
  0,
);
const taken = (work: WorkInProgress, id: string): WorkInProgress => {
  const next = takeStep(work, id);
  if (!("work" in next)) throw new Error(`${id} is refused: ${next.violation.code}`);
  return next.work;
};

describe("a whole end to practise", () => {
  it.each(placements.map((placement) => [placement.procedure.id, placement] as const))(
    "of %s is done by its sheet's own order, and by any order that is not refused",
    (_, placement) => {
      const draw = drawsFor(placement.procedure.id);
      for (const random of [false, true]) {
        let work = beginWork(placement);
        for (let turn = 0; stepsLeft(work).length > 0; turn++) {
          expect(turn).toBeLessThan(200);
          const offered = offeredSteps(work, draw);
          const next = mustHoldAt(stepsLeft(work), 0);
          expect(offered).toContain(next);
          const allowed = offered.filter(({ id }) => "work" in takeStep(work, id));
          expect(allowed).toContain(next);
          const picked = random ? mustHoldAt(allowed, Math.floor(draw() * allowed.length)) : next;
          work = taken(work, picked.id);
        }
        expect(new Set(work.done)).toEqual(new Set(placement.steps.map(({ id }) => id)));
      }
    },
  );
  it("refuses a jacket taken off before the boot is on, a cleave before the wipe, a crimp before the fibre is in", () => {
    const begun = beginWork(wedge);
    const codeOf = (work: WorkInProgress, id: string) => {
      const next = takeStep(work, id);
      return "violation" in next ? next.violation.code : null;
    };
    const upTo = (id: string) =>
      wedge.steps
        .slice(
          0,
          wedge.steps.findIndex((step) => step.id === id),
        )
        .reduce((work, step) => taken(work, step.id), begun);
    expect(codeOf(begun, "jacket-off")).not.toBeNull();
    expect(codeOf(upTo("clean"), "cleave")).toBe("not-wiped");
    expect(codeOf(upTo("insert"), "release")).not.toBeNull();
    expect(codeOf(upTo("mark-clamp"), "mark-jacket")).toBeNull();
  });
  it("after a mishap goes back to where the sheet says, and from there to the end (any mishap of any sheet)", () => {
    fc.assert(
      fc.property(fc.constantFrom(...placements), fc.nat(), (placement, seed) => {
        const draw = drawsFor(String(seed));
        let work = beginWork(placement);
        let mishaps = 0;
        for (let turn = 0; stepsLeft(work).length > 0; turn++) {
          expect(turn).toBeLessThan(400);
          const { id } = mustHoldAt(stepsLeft(work), 0);
          work = taken(work, id);
          const mishap = badLookAt(work, id, draw, mishaps);
          if (!mishap) continue;
          mishaps += 1;
          const [right] = mishap.back;
          expect(waysAfter(work, mishap, draw)).toContain(right);
          work = goBackTo(work, right ?? "");
          expect(stepsLeft(work).map((step) => step.id)).toContain(id);
        }
        expect(mishaps).toBeLessThanOrEqual(2);
      }),
      { numRuns: 200 },
    );
  });
});
