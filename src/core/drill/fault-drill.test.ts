import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { walk } from "../bench/walk";
import { judge } from "../conformance/conformance";
import { um } from "../length/length";
import { referenceTrouble } from "../light/reference";
import { mustHoldAt } from "../problem/held";
import { misfits } from "../procedure/fit";
import type { Subject } from "../procedure/physical";
import { usualPlacements } from "../review/placements";
import { compileRunSheet } from "../runsheet/compile";
import {
  bestLook,
  DRILL_LOOKS,
  faultsLeft,
  HIDDEN_FAULTS,
  type Sight,
  secondsToFind,
  sightOf,
} from "./fault-drill";

const { procedures, cables, tools } = shippedLibrary();
const wedge = mustHoldAt(
  usualPlacements(
    mustHoldAt(
      procedures.filter(({ id }) => id === "stub-wedge-release-cord"),
      0,
    ),
    cables,
    tools,
  ),
  0,
);

describe("a hidden fault", () => {
  it.each(HIDDEN_FAULTS)("%s is told from every other by the looks offered", (fault) => {
    const sights = DRILL_LOOKS.map(({ id }) => sightOf(fault, id));
    expect(faultsLeft(sights)).toEqual([fault]);
  });
  it("is never ruled out by what is seen of it, and each look rules out no less than before (property)", () => {
    const looks = fc.shuffledSubarray(DRILL_LOOKS.map(({ id }) => id));
    fc.assert(
      fc.property(fc.constantFrom(...HIDDEN_FAULTS), looks, (fault, order) => {
        let before: readonly string[] = HIDDEN_FAULTS;
        const sights: Sight[] = [];
        for (const look of order) {
          sights.push(sightOf(fault, look));
          const left = faultsLeft(sights);
          expect(left).toContain(fault);
          expect(left.every((each) => before.includes(each))).toBe(true);
          before = left;
        }
      }),
    );
  });
  it.each(HIDDEN_FAULTS)(
    "%s is found by the best looks alone, in no more time than all looks take",
    (fault) => {
      const sights: Sight[] = [];
      for (let look = bestLook(sights); look !== null; look = bestLook(sights)) {
        expect(sights.map((sight) => sight.look)).not.toContain(look);
        sights.push(sightOf(fault, look));
      }
      expect(faultsLeft(sights)).toEqual([fault]);
      const all = DRILL_LOOKS.reduce((sum, { seconds }) => sum + seconds, 0);
      expect(secondsToFind(fault)).toBeLessThanOrEqual(all);
    },
  );
});

/** The sheet without the steps that look at something. */
const violationsWithout = (...subjects: Subject[]): string[] =>
  walk({ ...wedge, steps: wedge.steps.filter(({ of }) => of === undefined || !subjects.includes(of)) }).map(
    ({ code }) => code,
  );

describe("what the model of the bench says of the faults", () => {
  it("of coating left, a nick, a fibre not seated and glass broken: a sheet without the look that finds them is refused", () => {
    expect(violationsWithout()).toEqual([]);
    expect(violationsWithout("coating")).toContain("coating-not-looked");
    expect(violationsWithout("glass")).toContain("not-screened");
    expect(violationsWithout("seat-light", "seat-mark")).not.toEqual([]);
    expect(violationsWithout("closed-light")).toContain("closed-not-looked");
  });
  it("of a wedge that is not home: a sheet that ends with it open is refused", () => {
    const steps = wedge.steps.filter(({ kind }) => kind !== "actuate");
    expect(walk({ ...wedge, steps }).length).toBeGreaterThan(0);
  });
  it("of a cleave 0.8 short: it reads out on the shipped sheet; of another core: no sheet compiles", () => {
    const sheet = mustHoldAt(
      [compileRunSheet({ procedure: wedge.procedure, cable: wedge.cable, tools, ...wedge.picked })],
      0,
    );
    const cleave = mustHoldAt(
      sheet.checks.filter(({ id }) => id.startsWith("cleave")),
      0,
    );
    const { figure } = sightOf("cleave-short", "open");
    expect(figure).toBe(cleave.nominal - 800);
    const instrument = { resolution: um(10), repeatability: um(60) };
    const limits = { min: cleave.min, max: cleave.max };
    const rule = { kind: "simple" } as const;
    expect(judge({ limits, readings: [um(figure)], instrument, rule }).verdict).toBe("out");
    expect(misfits(wedge.procedure, wedge.cable, "no such core")).not.toEqual([]);
  });
  it("of an old reference: by its age no reading is made with it", () => {
    const taken = "2026-11-24T08:00:00Z";
    const read = { read: "2026-11-25T08:00:00Z", matings: 0, celsius: null };
    expect(referenceTrouble({ ...read, reference: { taken, celsius: null } })).toBe("old");
  });
});
