import { describe, expect, it } from "vitest";
import type { EndEvent, Recorded } from "@/core";
import type { Waiting } from "./outbox";
import { merged, standing } from "./standing";

const at = "2026-11-27T08:00:00.000Z";
const step = (to: number): EndEvent => ({ kind: "step", to });
const stored = (seq: number, event: EndEvent = step(seq)): Recorded => ({
  id: `e${seq}`,
  seq,
  at,
  client: "x",
  event,
});
const waits = (id: string, event: EndEvent): Waiting => ({ id, client: "x", after: 0, at, by: null, event });

describe("what is known of an end", () => {
  it("with what is told since is in order, each event once, however the answers came", () => {
    const existing = [stored(1), stored(4)];
    expect(merged(existing, [stored(3), stored(4), stored(2)]).map(({ seq }) => seq)).toEqual([1, 2, 3, 4]);
    expect(merged(existing, [stored(1)])).toBe(existing);
  });
});

describe("where an end stands", () => {
  it("is what the server holds, with what waits here over it, each counted once", () => {
    const part: EndEvent = { kind: "thread", part: "boot", on: true };
    const off: EndEvent = { kind: "thread", part: "boot", on: false };
    expect(standing([stored(1, part)], [waits("new", step(1))])).toMatchObject({ at: 1, threaded: ["boot"] });
    // It was answered, and is not taken out of what waits yet: taken again, it would come after what followed.
    expect(standing([stored(1, part), stored(2, off)], [waits("e1", part)]).threaded).toEqual([]);
  });
  it("counts no further than the server does: what waits has no number yet", () => {
    expect(standing([stored(1), stored(2)], [waits("new", step(3))])).toMatchObject({ at: 3, lastSeq: 2 });
  });
});
