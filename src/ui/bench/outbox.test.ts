import { describe, expect, it } from "vitest";
import { type Box, endsWaiting, putIn, takeOut, type Waiting, waitingFor } from "./outbox";

const box = (): Box & { all: Map<string, string> } => {
  const all = new Map<string, string>();
  return {
    all,
    getItem: (key) => all.get(key) ?? null,
    setItem: (key, value) => void all.set(key, value),
    removeItem: (key) => void all.delete(key),
    key: (index) => [...all.keys()][index] ?? null,
    get length() {
      return all.size;
    },
  };
};
const waiting = (n: number): Waiting => ({
  id: `00000000-0000-4000-8000-00000000000${n}`,
  client: "one",
  after: n,
  at: "2026-11-24T08:00:00.000Z",
  entry: { kind: "step", to: n },
});

describe("what waits on this device", () => {
  it("keeps the order in which it was made", () => {
    const device = box();
    putIn(device, "end", waiting(1));
    putIn(device, "end", waiting(2));
    expect(waitingFor(device, "end").map(({ after }) => after)).toEqual([1, 2]);
  });
  it("goes once answered, and leaves nothing behind", () => {
    const device = box();
    putIn(device, "end", waiting(1));
    takeOut(device, "end", [waiting(1).id]);
    expect(device.all.size).toBe(0);
  });
  it("is kept apart for each end", () => {
    const device = box();
    putIn(device, "end", waiting(1));
    device.setItem("something-else", "1");
    expect(waitingFor(device, "other")).toEqual([]);
    expect(endsWaiting(device)).toEqual(["end"]);
  });
  it.each(["not json", "{}", '[{"id":"x"}]'])("what cannot be read is not sent: %s", (text) => {
    const device = box();
    device.setItem("arlent-waiting-end", text);
    expect(waitingFor(device, "end")).toEqual([]);
  });
});
