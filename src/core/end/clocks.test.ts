import { describe, expect, it } from "vitest";
import { type EventInput, zStoredEvent } from "../event/event";
import { compile, procedureOf } from "../runsheet/fixtures/made";
import { clocksOf, overrun, runningClocks, runningPots } from "./clocks";
import { endState } from "./state";
import { skippedSteps, undoneAt } from "./undone";

const sheet = compile(
  procedureOf([["strip", "end", "buffer", 36, 1, 1]], {
    steps: [
      {
        id: "cleave",
        kind: "cleave",
        title: "Cleave",
        makes: "glass",
        by: "cleave",
        tool: "cleaver",
        replaces: "end",
        within: { seconds: 240, until: "seat", of: "cleaved end" },
      },
      { id: "measure", kind: "measure", title: "Measure", checks: ["cleave"] },
      { id: "seat", kind: "insert", title: "Insert" },
      {
        id: "look",
        kind: "verify",
        title: "Look",
        judgement: {
          id: "look",
          asks: "Is it in?",
          answers: [
            { id: "yes", sees: "Yes", good: true },
            { id: "no", sees: "No", good: false },
          ],
        },
      },
      { id: "cap", kind: "cap", title: "Cap" },
    ],
    changes: {
      features: [
        { id: "end", name: "end", kind: "end" },
        { id: "buffer", name: "buffer", kind: "edge", ends: ["buffer", "coating"] },
        { id: "glass", name: "cleaved end", kind: "end", ends: ["glass"] },
      ],
      dimensions: [
        {
          id: "strip",
          name: "strip",
          from: "end",
          to: "buffer",
          nominal: 36,
          plus: 1,
          minus: 1,
          after: "make-strip",
        },
        {
          id: "cleave",
          name: "cleave",
          from: "glass",
          to: "buffer",
          nominal: 9,
          plus: 0.4,
          minus: 0.4,
          after: "cleave",
        },
      ],
    },
  }),
);
const line = (id: string) => sheet.lines.findIndex(({ step }) => step.id === id);
const to = (id: string): EventInput => ({ kind: "step", to: line(id) });
const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;

/** An end by events and the second each was made at. */
const at = (...events: [seconds: number, event: EventInput][]) =>
  endState(
    events.map(([seconds, event], i) => ({
      id: id(i + 1),
      seq: i + 1,
      at: new Date(Date.UTC(2026, 10, 25, 8, 0, seconds)).toISOString(),
      client: "test",
      event: zStoredEvent.parse(event),
    })),
  );
const reading: EventInput = {
  kind: "reading",
  check: "cleave",
  value: 9_000,
  typed: "9",
  unit: "mm",
  instrument: { id: "calliper", name: "Calliper", resolution: 10, repeatability: 60 },
};

describe("the clock from the cleave to the insertion", () => {
  it("does not run before the cleave is done", () => {
    expect(clocksOf(sheet, at([0, to("cleave")]))).toEqual([]);
  });
  it("runs from when the cleave is left, whatever is looked at meanwhile", () => {
    const state = at([0, to("cleave")], [10, to("measure")], [30, to("seat")]);
    expect(runningClocks(sheet, state)).toMatchObject([
      { startedAt: "2026-11-25T08:00:10.000Z", seconds: 240, of: "cleaved end", cleaved: true, doneAt: null },
    ]);
  });
  it("is done once the insertion is left, and says when that was too late", () => {
    const soon = at([0, to("cleave")], [10, to("measure")], [30, to("seat")], [60, to("look")]);
    expect(runningClocks(sheet, soon)).toEqual([]);
    expect(overrun(sheet, soon)).toEqual([]);
    const late = at([0, to("cleave")], [10, to("measure")], [30, to("seat")], [251, to("look")]);
    expect(overrun(sheet, late)).toHaveLength(1);
    const just = at([0, to("cleave")], [10, to("measure")], [30, to("seat")], [250, to("look")]);
    expect(overrun(sheet, just)).toEqual([]);
  });
  it("begins anew with the next cleave, and not before", () => {
    const back = at([0, to("cleave")], [10, to("measure")], [300, to("cleave")]);
    expect(clocksOf(sheet, back)).toEqual([]);
    const again = at([0, to("cleave")], [10, to("measure")], [300, to("cleave")], [320, to("measure")]);
    expect(runningClocks(sheet, again)[0]?.startedAt).toBe("2026-11-25T08:05:20.000Z");
  });
});

describe("a step passed without what it asks for", () => {
  it("is named with the lengths not read and the look not answered", () => {
    const state = at([0, to("measure")], [10, to("cap")]);
    expect(skippedSteps(sheet, state).map(({ index, checks, asks }) => [index, checks.length, asks])).toEqual(
      [
        [line("measure"), 1, null],
        [line("look"), 0, "Is it in?"],
      ],
    );
  });
  it("is not named once it has it, nor while it lies ahead", () => {
    expect(skippedSteps(sheet, at([0, to("measure")]))).toEqual([]);
    const done = at(
      [0, to("measure")],
      [5, reading],
      [9, { kind: "answer", judgement: "look", answer: "yes" }],
      [10, to("cap")],
    );
    expect(skippedSteps(sheet, done)).toEqual([]);
  });
  it("is named with what was seen, where that was not good and was passed all the same", () => {
    const bad = at(
      [0, to("measure")],
      [5, reading],
      [9, { kind: "answer", judgement: "look", answer: "no" }],
      [10, to("cap")],
    );
    expect(skippedSteps(sheet, bad)).toMatchObject([{ index: line("look"), asks: null, bad: "No" }]);
  });
  it("asks for nothing where nothing is read or looked at", () => {
    expect(
      undoneAt(sheet.lines[line("seat")] as (typeof sheet.lines)[number], at([0, to("seat")])),
    ).toBeNull();
  });
});

describe("a pot that lasts for many ends", () => {
  const glued = compile(
    procedureOf([["jacket", "end", "jacket", 64, 1, 1]], {
      steps: [
        { id: "fill", kind: "inject", title: "fill", pot: { seconds: 600, of: "adhesive in the tip" } },
        { id: "push", kind: "insert", title: "push" },
        { id: "cure", kind: "cure", title: "cure" },
      ],
    }),
  );
  const fill = glued.lines.findIndex(({ step }) => step.id === "fill");
  const at = (seconds: number) => new Date(Date.UTC(2026, 10, 26, 8) + seconds * 1000).toISOString();
  const end = (left: number | null, line: number, signed: null | object = null) =>
    ({ leftAt: left === null ? {} : { [fill]: at(left) }, at: line, signed }) as never;
  const opened = (...ends: never[]) => runningPots(glued, ends).map(({ startedAt }) => startedAt);
  it("runs from the first end filled, for every end within its life; a later one opens another", () => {
    expect(opened(end(null, fill))).toEqual([]);
    expect(opened(end(0, fill + 1), end(590, fill + 1))).toEqual([at(0)]);
    expect(opened(end(0, fill + 2), end(601, fill + 1))).toEqual([at(601)]);
  });
  it("is told while an end still needs it", () => {
    expect(opened(end(0, fill + 2), end(null, fill))).toEqual([at(0)]);
    expect(opened(end(0, fill + 2))).toEqual([]);
    expect(opened(end(0, fill + 1, {}))).toEqual([]);
  });
});
