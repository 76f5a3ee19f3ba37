import { describe, expect, it } from "vitest";
import { LONGEST_WORK, workedIn } from "./worked";

const at = (seconds: number) => new Date(Date.UTC(2026, 10, 26, 8) + seconds * 1000).toISOString();
const said = (...ends: Record<number, string>[]) =>
  workedIn(
    ends.map((leftAt) => ({ leftAt })),
    at(0),
  ).map(({ end, line, from, to }) => `${end}/${line} ${from}-${to}`);

describe("a batch as it was worked", () => {
  it("is what each pair of leavings lies apart, in the order of time, by end", () => {
    expect(said({ 0: at(30), 1: at(100) }, { 0: at(60) })).toEqual(["0/0 0-30", "1/0 30-60", "0/1 60-100"]);
  });
  it("counts no more of a break than the longest work, and goes on from there", () => {
    expect(said({ 0: at(30) }, { 0: at(30 + 9_000), 1: at(30 + 9_060) })).toEqual([
      "0/0 0-30",
      `1/0 30-${30 + LONGEST_WORK}`,
      `1/1 ${30 + LONGEST_WORK}-${90 + LONGEST_WORK}`,
    ]);
  });
  it("is nothing where nothing was left, and done at once where a step is done across all", () => {
    expect(said({}, {})).toEqual([]);
    expect(said({ 0: at(20) }, { 0: at(20) })).toEqual(["0/0 0-20", "1/0 20-20"]);
  });
});
