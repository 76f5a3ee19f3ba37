import { describe, expect, it } from "vitest";
import type { Recorded } from "@/core";
import { type Member, seenOf, withNews } from "./news";

const event = (seq: number): Recorded => ({
  id: `e${seq}`,
  seq,
  at: "2026-11-26T08:00:00.000Z",
  client: "x",
  event: { kind: "step", to: seq },
});
const member = (id: string, ...seqs: number[]): Member => ({ id, label: id, events: seqs.map(event) });
const [blue, orange] = [member("blue", 1, 2), member("orange")];

describe("what is new of a batch", () => {
  it("is asked for by the last event known of each end, in their places", () => {
    expect(seenOf([blue, orange])).toBe("2,0");
  });
  it("is added to its end; the others stay the very same", () => {
    const after = withNews([blue, orange], [{ ...member("orange", 1), label: "pad 4" }]);
    expect(after[0]).toBe(blue);
    expect(after[1]).toMatchObject({ label: "pad 4", events: [{ seq: 1 }] });
  });
  it("told twice, or by an answer that comes late, is added once", () => {
    const once = withNews([blue, orange], [member("blue", 3, 4)]);
    expect(withNews(once, [member("blue", 3)])).toEqual(once);
    expect(once[0]?.events.map(({ seq }) => seq)).toEqual([1, 2, 3, 4]);
  });
  it("told out of order, as by two answers that cross, is all there and in order", () => {
    const later = withNews([blue, orange], [member("blue", 4)]);
    expect(withNews(later, [member("blue", 3)])[0]?.events.map(({ seq }) => seq)).toEqual([1, 2, 3, 4]);
  });
});
