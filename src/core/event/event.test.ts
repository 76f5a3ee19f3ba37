import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { attempt } from "../problem/attempt";
import { check } from "../problem/check";
import { eventOfVersion1, liftedFrom2, readEvent } from "./envelope";
import { zEvent, zStoredEvent } from "./event";

const instrument = { id: "calliper", name: "Calliper", resolution: 0.01, repeatability: 0.02 };
const reading = (value: number) => ({
  kind: "reading",
  check: "cleave",
  value,
  typed: String(value),
  unit: "mm",
  instrument,
});
const KINDS = zStoredEvent.options.map(({ shape }) => String(shape.kind.value));

describe("an event", () => {
  it("travels in millimetres, is kept in micrometres, and comes back the same", () => {
    fc.assert(
      fc.property(fc.integer({ min: -5_000_000, max: 5_000_000 }), (length) => {
        const inside = check(zEvent, reading(length / 1000));
        expect(inside).toMatchObject({ value: length, instrument: { resolution: 10, repeatability: 20 } });
        expect(z.encode(zEvent, inside)).toEqual(reading(length / 1000));
      }),
    );
  });
  it("longer than any prepared end is refused with what to look at", () => {
    expect(attempt(() => check(zEvent, reading(5_000.001))).problem).toMatchObject({
      code: "too-long",
      message: expect.stringContaining("check the unit"),
    });
  });
  it("of a kind there is not is refused with every kind there is", () => {
    const message = attempt(() => check(zEvent, { kind: "moon" })).problem?.message ?? "";
    expect(KINDS.length).toBeGreaterThan(20);
    expect(KINDS.filter((kind) => !message.includes(kind))).toEqual([]);
  });
  it("with a field it does not know is refused, not cut short", () => {
    expect(attempt(() => check(zEvent, { kind: "step", to: 1, why: "" })).problem?.code).toBe(
      "unknown-field",
    );
  });
});

describe("an event on record", () => {
  const row = { id: "a", endId: "b", seq: 1, at: "2026-11-25T08:00:00.000Z", client: "window" };
  it("of a newer version is kept unread, and so is one of no kind there is", () => {
    const newer = readEvent({ ...row, v: 99, body: "{}" }).event;
    const strange = readEvent({ ...row, v: 3, body: JSON.stringify({ event: { kind: "moon" } }) }).event;
    expect([newer, strange]).toMatchObject([
      { kind: "unread", why: "newer" },
      { kind: "unread", why: "strange" },
    ]);
  });
  it("of version 1 and 2 is lifted; what needs no lifting is left as it is", () => {
    expect(eventOfVersion1({ kind: "step", to: 2 })).toEqual({ kind: "step", to: 2 });
    expect(liftedFrom2({ kind: "step", to: 2 })).toEqual({ kind: "step", to: 2 });
    expect(eventOfVersion1({ kind: "moon" })).toBeNull();
  });
});
