import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  bestLook,
  DRILL_LOOKS,
  faultsLeft,
  HIDDEN_FAULTS,
  type Sight,
  secondsToFind,
  sightOf,
} from "./fault-drill";

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
