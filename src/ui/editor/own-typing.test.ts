import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { leftToReturn } from "./own-typing";

/** Few values, so that the same is often typed again: 9, 9.4, 9.45, then 9, 9.1. */
const FEW = fc.constantFrom(9, 9.1, 9.4, 9.45);

describe("what was typed into a field and comes back to it late", () => {
  it("is taken for the field's own in whatever order keys and returns fall, some values skipped", () => {
    const acts = fc.array(fc.oneof(fc.record({ typed: FEW }), fc.record({ skipped: fc.nat({ max: 2 }) })), {
      minLength: 10,
      maxLength: 60,
    });
    fc.assert(
      fc.property(acts, (all) => {
        let waiting: readonly number[] = [];
        const coming: number[] = [];
        for (const act of all) {
          if ("typed" in act) {
            waiting = [...waiting, act.typed];
            coming.push(act.typed);
            continue;
          }
          const value = coming.splice(0, act.skipped + 1).at(-1);
          if (value === undefined) continue;
          const left = leftToReturn(waiting, value);
          expect(left).not.toBeNull();
          waiting = left ?? [];
        }
      }),
    );
  });

  it("differs from a value put there by something else", () => {
    expect(leftToReturn([9, 9.1], 12)).toBeNull();
    expect(leftToReturn<number | null>([9], null)).toBeNull();
    expect(leftToReturn<number | null>([9, null], null)).toEqual([null]);
  });
});
