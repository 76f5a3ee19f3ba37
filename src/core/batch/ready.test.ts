import { describe, expect, it } from "vitest";
import { WORLD } from "../fixtures/example-world";
import { mustHoldAt } from "../problem/held";
import { doneAt, readyAt } from "./ready";

const timer = (minute: number, seconds: number, stoppedAt: string | null = null) => ({
  step: `cure ${minute}`,
  startedAt: `2026-11-25T08:0${minute}:00.000Z`,
  seconds,
  stoppedAt,
});

describe("an end of a batch", () => {
  it("is ready once its last running hold or cure is over", () => {
    const timers = [timer(1, 600), timer(2, 60), timer(3, 9_000, "2026-11-25T08:04:00.000Z")];
    expect(readyAt({ timers })).toBe(Date.parse("2026-11-25T08:11:00.000Z"));
    expect(readyAt({ timers: [] })).toBe(0);
  });
  it("that does a gate has every part on, each once, and goes on", () => {
    const { sheet, fresh } = WORLD;
    const gate = mustHoldAt(
      sheet.lines.filter(({ parts }) => parts.length > 1),
      0,
    );
    const [first] = gate.parts.map(({ id }) => id);
    const events = doneAt(gate, { ...fresh, threaded: first ? [first] : [] });
    expect(events.filter(({ kind }) => kind === "thread")).toHaveLength(gate.parts.length - 1);
    expect(events.at(-1)).toEqual({ kind: "step", to: gate.index + 1 });
  });
});
