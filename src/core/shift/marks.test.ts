import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { marksInHand, standingInHand, zMark } from "./marks";
import { checkStanding } from "./standing";

const checked = (at: string, by: string | null, mark: string, good = true) => ({ at, by, mark, good });
const work = (from: string, to: string, by: string | null) => ({ from, to, by });

describe("several tools of one kind", () => {
  const MORNING = [
    checked("08:00", "osla", "1", false),
    checked("08:05", "teo", "2"),
    checked("12:00", "teo", "2"),
  ];

  it("count for whoever checked each last: a colleague's good check clears nobody else's bad tool", () => {
    expect(standingInHand(MORNING, work("09:00", "09:10", "osla"))).toMatchObject({
      mark: "1",
      standing: "failed",
    });
    expect(standingInHand(MORNING, work("09:00", "09:10", "teo"))).toMatchObject({
      mark: "2",
      standing: "good",
    });
  });

  it("all come into question for somebody who checked none, and the worst of them counts", () => {
    for (const by of [null, "kir"]) {
      expect(marksInHand(MORNING, work("09:00", "09:10", by))).toEqual(["1", "2"]);
      expect(standingInHand(MORNING, work("09:00", "09:10", by))?.standing).toBe("failed");
    }
  });

  it("come into question only once they were on record, where any was by then", () => {
    expect(marksInHand(MORNING, work("08:01", "08:02", "kir"))).toEqual(["1"]);
    expect(marksInHand(MORNING, work("06:00", "06:10", "kir"))).toEqual(["1", "2"]);
  });

  it("can change hands: the one checked last by the end of the work counts, else the first after it", () => {
    const checks = [...MORNING, checked("13:00", "osla", "2")];
    expect(marksInHand(checks, work("12:30", "12:40", "osla"))).toEqual(["1"]);
    expect(marksInHand(checks, work("12:55", "13:05", "osla"))).toEqual(["2"]);
    expect(marksInHand(checks, work("06:00", "06:10", "osla"))).toEqual(["1"]);
  });

  it("do not exist where one was ever checked: that stands as it did, whoever worked with it", () => {
    const time = fc.integer({ min: 10, max: 99 }).map(String);
    const some = fc
      .array(fc.record({ at: time, good: fc.boolean(), by: fc.constantFrom("osla", "teo", null) }), {
        minLength: 1,
      })
      .map((checks) =>
        checks.map((each) => ({ ...each, mark: "" })).sort((a, b) => a.at.localeCompare(b.at)),
      );
    fc.assert(
      fc.property(some, time, time, fc.constantFrom("osla", "kir", null), (checks, a, b, by) => {
        const [from = a, to = b] = [a, b].sort();
        expect(standingInHand(checks, { from, to, by })).toEqual({
          mark: "",
          ...checkStanding(checks, { from, to }),
        });
      }),
    );
    expect(standingInHand([], work("09:00", "09:10", "osla"))).toBeNull();
  });

  it("go by a mark of at most 20 letters, without spaces around it", () => {
    expect(zMark.parse("  2 ")).toBe("2");
    expect(zMark.parse(undefined)).toBe("");
    expect(zMark.safeParse("x".repeat(21)).success).toBe(false);
  });
});
