import { describe, expect, it } from "vitest";
import { mustAccept } from "../accept/accept";
import { type EndEvent, zStoredEvent } from "../event/event";
import type { Recorded } from "../event/recorded";
import { um } from "../length/length";
import { compile, cord, procedureOf } from "../runsheet/fixtures/made";
import { judgeCheck, resultOf, standings } from "./result";
import { endState } from "./state";

const rule = { kind: "guarded", risk: 0.05 } as const;
const instrument = { id: "calliper", name: "Calliper", resolution: um(10), repeatability: um(60) };
const answers = [
  { id: "good", sees: "good", good: true },
  { id: "bad", sees: "bad", good: false },
];
const procedure = procedureOf([["jacket", "end", "jacket", 64, 1, 1]], {
  before: [{ id: "thread", kind: "thread", title: "thread" }],
  steps: [
    { id: "measure", kind: "measure", title: "measure", checks: ["jacket"] },
    { id: "look", kind: "verify", title: "look", judgement: { id: "look", asks: "?", answers } },
  ],
  changes: { parts: [{ id: "boot", name: "boot", way: "", shape: "boot", ifForgotten: "" }] },
});
const sheet = compile(procedure);

const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const history = (...events: EndEvent[]): Recorded[] =>
  events.map((event, i) => ({
    id: id(i + 1),
    seq: i + 1,
    at: "2026-11-24T08:00:00.000Z",
    client: "one",
    event,
  }));
const reading = (value: number): EndEvent => ({
  kind: "reading",
  check: "jacket",
  value: um(value),
  typed: String(value / 1000),
  unit: "mm",
  instrument,
});
const threaded: EndEvent = { kind: "thread", part: "boot", on: true };
const seen = (answer: string): EndEvent => ({ kind: "answer", judgement: "look", answer });
const signed: EndEvent = { kind: "sign", name: "Ada", outcome: "kept" };
const codeOf = (event: EndEvent, ...before: EndEvent[]) => {
  try {
    mustAccept(sheet, endState(history(...before)), event, { kind: "simple" });
    return "taken";
  } catch (error) {
    return (error as { problem: { code: string } }).problem.code;
  }
};

describe("an end's history", () => {
  it("replays to where the end stands", () => {
    const state = endState(
      history(threaded, { kind: "step", to: 2 }, reading(64_100), {
        kind: "label",
        job: "Pad 7",
        label: "orange",
      }),
    );
    expect(state).toMatchObject({
      at: 2,
      threaded: ["boot"],
      job: "Pad 7",
      label: "orange",
      lastSeq: 4,
      signed: null,
    });
    expect(state.readings.map(({ value }) => value)).toEqual([64_100]);
  });
  it("a struck reading no longer counts, and stays in the history", () => {
    const events = history(threaded, reading(99_000), { kind: "strike", reading: id(2) });
    expect(endState(events).readings).toEqual([]);
    expect(events).toHaveLength(3);
  });
  it("a part taken off again shuts the gate", () => {
    expect(endState(history(threaded, { ...threaded, on: false })).threaded).toEqual([]);
  });
});

describe("what can be added to an end", () => {
  it.each<[string, EndEvent, EndEvent[]]>([
    ["gate", { kind: "step", to: 1 }, []],
    ["taken", { kind: "step", to: 0 }, []],
    ["taken", { kind: "step", to: 1 }, [threaded]],
    ["unknown-step", { kind: "step", to: 9 }, [threaded]],
    ["unknown-part", { kind: "thread", part: "hat", on: true }, []],
    ["unknown-check", { ...(reading(1) as object), check: "hat" } as EndEvent, []],
    ["negative", reading(-1), []],
    ["unknown-reading", { kind: "strike", reading: id(9) }, []],
    ["unknown-answer", seen("maybe"), []],
    ["gate", signed, []],
    ["taken", { ...signed, outcome: "cut-off" } as EndEvent, []],
    ["signed", reading(64_000), [threaded, signed]],
  ])("%s", (code, event, before) => {
    expect(codeOf(event, ...before)).toBe(code);
  });
  it.each([
    [{ kind: "reading", check: "jacket", value: 40_000_000, typed: "40 m", unit: "mm", instrument }, "most"],
    [
      { kind: "reading", check: "jacket", value: 1.5, typed: "1", unit: "mm", instrument },
      "whole micrometres",
    ],
    [{ kind: "sign", name: "  ", outcome: "kept" }, "Enter the name of whoever signs off"],
    [{ kind: "erase" }, "one of thread"],
  ])("%j is refused", (event, words) => {
    expect(JSON.stringify(zStoredEvent.safeParse(event).error?.issues)).toContain(words);
  });
});

describe("what an end comes to", () => {
  const result = (...events: EndEvent[]) => resultOf(sheet, endState(history(threaded, ...events)), rule);
  it.each<[string, EndEvent[]]>([
    ["unmeasured", []],
    ["unmeasured", [reading(64_000)]],
    ["in", [reading(64_000), seen("good")]],
    ["out", [reading(64_000), seen("bad")]],
    ["out", [reading(66_000), seen("good")]],
    ["unsure", [reading(65_000), seen("good")]],
    ["cut-off", [reading(66_000), { kind: "sign", name: "Ada", outcome: "cut-off" }]],
  ])("%s", (expected, events) => {
    expect(result(...events)).toBe(expected);
  });
  it("each leg of a cord is judged by its own readings", () => {
    const pair = compile(procedure, { cable: cord({ construction: "duplex-cord", legs: ["A", "B"] }) });
    const state = endState(
      history(threaded, { ...(reading(64_000) as object), check: "jacket/B" } as EndEvent),
    );
    expect(standings(pair, state, rule).map(({ judged }) => judged?.verdict ?? null)).toEqual([null, "in"]);
  });
  it("readings by two instruments are judged by the less certain", () => {
    const [check] = sheet.checks;
    if (!check) throw new Error("the sheet has a check");
    const rough = { ...instrument, id: "rule", resolution: um(500), repeatability: um(150) };
    const both = judgeCheck(
      check,
      [
        { value: um(64_000), instrument },
        { value: um(64_000), instrument: rough },
      ],
      rule,
    );
    expect(both?.u).toBeCloseTo(Math.hypot(500 / Math.sqrt(12), 150 / Math.SQRT2), 6);
  });
});
