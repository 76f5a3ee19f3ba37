import { describe, expect, it } from "vitest";
import { endsWaiting, pageBox, putIn, takeOut, type Waiting, waitingFor } from "./outbox";

const waiting = (n: number): Waiting => ({
  id: `00000000-0000-4000-8000-00000000000${n}`,
  client: "one",
  after: n,
  at: "2026-11-24T08:00:00.000Z",
  by: null,
  event: { kind: "step", to: n },
});

describe("what waits on this device", () => {
  it("keeps the order in which it was made, within one thousandth of a second too", () => {
    const box = pageBox();
    for (const n of [3, 1, 2]) putIn(box, "end", waiting(n));
    expect(waitingFor(box, "end").map(({ after }) => after)).toEqual([3, 1, 2]);
  });
  it("goes once answered, and leaves nothing behind", () => {
    const box = pageBox();
    putIn(box, "end", waiting(1));
    takeOut(box, "end", waiting(1).id);
    expect(box.length).toBe(0);
  });
  it("one window taking an event out never drops what another has just put in", () => {
    const box = pageBox();
    putIn(box, "end", waiting(1));
    const slow = waitingFor(box, "end");
    putIn(box, "end", waiting(2));
    for (const { id } of slow) takeOut(box, "end", id);
    expect(waitingFor(box, "end").map(({ after }) => after)).toEqual([2]);
  });
  it("a rework an older page left, with what was seen as text, is read in today's words", () => {
    const box = pageBox();
    const cause = { checks: [], faults: ["glass-end: bad-cleave"], judgement: null, answer: null };
    const voids = { checks: [], judgements: [], steps: [] };
    const event = {
      kind: "rework",
      leg: "",
      plan: "least",
      steps: [],
      to: 0,
      back: 0,
      moves: [],
      places: {},
      cableLost: 0,
      rule: null,
      cause,
      voids,
    };
    box.setItem("arlent-waiting/end/2026/x", JSON.stringify({ ...waiting(1), event }));
    expect(waitingFor(box, "end")[0]?.event).toMatchObject({
      cause: { faults: [{ feature: "glass-end", what: "bad-cleave" }] },
    });
  });
  it("is kept apart for each end", () => {
    const box = pageBox();
    putIn(box, "end", waiting(1));
    putIn(box, "end-2", waiting(2));
    box.setItem("something-else", "1");
    expect(waitingFor(box, "end")).toHaveLength(1);
    expect(new Set(endsWaiting(box))).toEqual(new Set(["end", "end-2"]));
  });
  it.each(["not json", "{}", '{"id":"x"}'])("what cannot be read is not sent: %s", (text) => {
    const box = pageBox();
    box.setItem("arlent-waiting/end/2026/x", text);
    expect(waitingFor(box, "end")).toEqual([]);
  });
});
