import { describe, expect, it } from "vitest";
import { type EndEvent, zStoredEvent } from "../event/event";
import { compile, procedureOf } from "../runsheet/fixtures/made";
import { endState } from "./state";
import { skippedSteps, undoneAt } from "./undone";

const sheet = compile(
  procedureOf([["jacket", "end", "jacket", 64, 1, 1]], {
    steps: [
      { id: "hold", kind: "dress", title: "hold", seconds: { min: 30, max: 40 } },
      { id: "cure", kind: "cure", title: "cure", seconds: { min: 300, max: 400 } },
      { id: "polish", kind: "clean", title: "polish" },
      { id: "last", kind: "clean", title: "last" },
    ],
  }),
);
const [hold, cure] = ["hold", "cure"].map((id) => sheet.lines.findIndex(({ step }) => step.id === id));
/** A state from events, each so many seconds after the first. */
const after = (...events: [number, EndEvent][]) =>
  endState(
    events.map(([seconds, event], i) => ({
      id: `00000000-0000-4000-8000-${String(i).padStart(12, "0")}`,
      seq: i + 1,
      at: new Date(Date.UTC(2026, 10, 26, 8) + seconds * 1000).toISOString(),
      client: "test",
      event: zStoredEvent.parse(event),
    })),
  );
const begun = (step: string, seconds: number): EndEvent => ({
  kind: "timer",
  step,
  action: "start",
  seconds,
});
const ended = (step: string): EndEvent => ({ kind: "timer", step, action: "stop", seconds: 0 });
const to = (line = 0): EndEvent => ({ kind: "step", to: line });
const cut = (...events: [number, EndEvent][]) => {
  const state = after([0, to(hold)], ...events);
  return skippedSteps(sheet, state).flatMap(({ title, cutShort }) => (cutShort ? [title] : []));
};

describe("a hold or cure cut short", () => {
  it("is a hold left or ended before its time, and none that ran out or was never begun", () => {
    expect(cut([1, begun("hold", 30)], [20, to(cure)])).toEqual(["hold"]);
    expect(cut([1, begun("hold", 30)], [20, ended("hold")], [40, to(cure)])).toEqual(["hold"]);
    expect(cut([1, begun("hold", 30)], [31, to(cure)])).toEqual([]);
    expect(cut([20, to(cure)])).toEqual([]);
  });
  it("is a cure that needs no hands once the next step was done before it was over", () => {
    const left: [number, EndEvent][] = [
      [1, to(cure)],
      [2, begun("cure", 300)],
      [10, to((cure ?? 0) + 1)],
    ];
    expect(cut(...left)).toEqual([]);
    expect(cut(...left, [200, to((cure ?? 0) + 2)])).toEqual(["cure"]);
    expect(cut(...left, [310, to((cure ?? 0) + 2)])).toEqual([]);
  });
  it("is no longer, once it was gone back to and begun anew", () => {
    const state = after(
      [0, to(hold)],
      [1, begun("hold", 30)],
      [5, to(cure)],
      [6, to(hold)],
      [7, begun("hold", 30)],
    );
    const line = sheet.lines[hold ?? 0];
    expect(line && undoneAt(line, state)).toBeNull();
  });
});
