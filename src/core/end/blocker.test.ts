import { describe, expect, it } from "vitest";
import { WORLD } from "../fixtures/example-world";
import { mustHoldAt } from "../problem/held";
import { isHandsFree } from "../procedure/step";
import { stepBlocker } from "./blocker";
import { undoneAt } from "./undone";

const { sheet, fresh } = WORLD;
const START = Date.parse("2026-11-25T08:00:00.000Z");
const measured = mustHoldAt(
  sheet.lines.filter(({ checks }) => checks.length > 0),
  0,
);
const plain = mustHoldAt(
  sheet.lines.filter(({ step, checks }) => checks.length === 0 && !isHandsFree(step)),
  0,
);
const running = (step: string, seconds: number) => ({
  ...fresh,
  timers: [{ step, startedAt: new Date(START).toISOString(), seconds, stoppedAt: null }],
});
const at = (seconds: number) => START + seconds * 1000;

describe("a step", () => {
  it("with a length not read is held, and the usual way on is to read it", () => {
    const undone = undoneAt(measured, fresh);
    const blocker = stepBlocker({ sheet, line: measured, state: fresh, undone, inBatch: false, now: START });
    expect(blocker).toMatchObject({ usual: "read", running: false, late: null });
    expect(blocker?.undone?.checks.length).toBeGreaterThan(0);
  });
  it("with nothing open is not held", () => {
    expect(
      stepBlocker({ sheet, line: plain, state: fresh, undone: null, inBatch: false, now: START }),
    ).toBeNull();
  });
  it("whose own time runs is held until that second, in a batch too where it takes the hands", () => {
    const state = running(plain.step.id, 30);
    const held = (now: number, inBatch: boolean) =>
      stepBlocker({ sheet, line: plain, state, undone: null, inBatch, now })?.usual ?? null;
    expect([held(at(29), false), held(at(29), true), held(at(30), false)]).toEqual(["wait", "wait", null]);
  });
});
