import { describe, expect, it } from "vitest";
import { WORLD } from "../fixtures/example-world";
import { mustHoldAt } from "../problem/held";
import { leavingEvents } from "./leaving";

const START = "2026-11-25T08:00:00.000Z";
const line = mustHoldAt(WORLD.sheet.lines, 0);
const timer = { step: line.step.id, startedAt: START, seconds: 30, stoppedAt: null };
const at = (seconds: number) => Date.parse(START) + seconds * 1000;

describe("leaving a step", () => {
  it("logs the end of a time that is over, and not of one that runs yet", () => {
    const kinds = (now: number) =>
      leavingEvents(line, { ...WORLD.fresh, timers: [timer] }, 0, now).filter(({ kind }) => kind === "timer");
    expect(kinds(at(29))).toEqual([]);
    expect(kinds(at(30))).toEqual([{ kind: "timer", step: line.step.id, action: "stop", seconds: 30 }]);
  });
});
