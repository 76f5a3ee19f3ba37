import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { effortFor } from "./effort";

describe("what ends still take", () => {
  it("is a range that holds the record's own tries and hours, and parts for at least every end (property)", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 1, max: 80 }),
        fc.nat({ max: 20 }),
        (ends, good, bad) => {
          const tried = good + bad;
          const { parts, tries, hours } = effortFor(ends, { good, tried, minutes: 6 }, 0.05);
          const usual = (ends * tried) / good;
          expect(tries.least).toBeLessThanOrEqual(usual + 1e-9);
          if (good / tried > 0.2) expect(tries.most).toBeGreaterThanOrEqual(usual - 1e-9);
          expect(hours?.least).toBeCloseTo((tries.least * 6) / 60, 9);
          if (parts !== null) expect(parts).toBeGreaterThanOrEqual(ends);
        },
      ),
    );
  });
  it("brings more parts the more a record fails, and says no hours without minutes on record", () => {
    const good = effortFor(24, { good: 95, tried: 100, minutes: null }, 0.05);
    const poor = effortFor(24, { good: 60, tried: 100, minutes: null }, 0.05);
    expect(good.parts ?? 0).toBeLessThan(poor.parts ?? 0);
    expect(good.hours).toBeNull();
  });
});
