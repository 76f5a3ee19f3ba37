import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { compile, cord, procedureOf } from "../runsheet/fixtures/made";
import { mustAccept } from "./accept";
import { type Entry, type Recorded, zEntry } from "./entry";
import { endState, judgeCheck, resultOf, standings } from "./state";

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
const history = (...entries: Entry[]): Recorded[] =>
  entries.map((entry, i) => ({
    id: id(i + 1),
    seq: i + 1,
    at: "2026-11-24T08:00:00.000Z",
    client: "one",
    entry,
  }));
const reading = (value: number): Entry => ({
  kind: "reading",
  check: "jacket",
  value: um(value),
  typed: String(value / 1000),
  unit: "mm",
  instrument,
});
const threaded: Entry = { kind: "thread", part: "boot", on: true };
const seen = (answer: string): Entry => ({ kind: "answer", judgement: "look", answer });
const signed: Entry = { kind: "sign", name: "Ada", outcome: "kept" };
const codeOf = (entry: Entry, ...before: Entry[]) => {
  try {
    mustAccept(sheet, endState(history(...before)), entry, { kind: "simple" });
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
    const entries = history(threaded, reading(99_000), { kind: "strike", reading: id(2) });
    expect(endState(entries).readings).toEqual([]);
    expect(entries).toHaveLength(3);
  });
  it("a part taken off again shuts the gate", () => {
    expect(endState(history(threaded, { ...threaded, on: false })).threaded).toEqual([]);
  });
});

describe("what can be added to an end", () => {
  it.each<[string, Entry, Entry[]]>([
    ["gate", { kind: "step", to: 1 }, []],
    ["taken", { kind: "step", to: 0 }, []],
    ["taken", { kind: "step", to: 1 }, [threaded]],
    ["unknown-step", { kind: "step", to: 9 }, [threaded]],
    ["unknown-part", { kind: "thread", part: "hat", on: true }, []],
    ["unknown-check", { ...(reading(1) as object), check: "hat" } as Entry, []],
    ["unknown-reading", { kind: "strike", reading: id(9) }, []],
    ["unknown-answer", seen("maybe"), []],
    ["gate", signed, []],
    ["taken", { ...signed, outcome: "cut-off" } as Entry, []],
    ["signed", reading(64_000), [threaded, signed]],
  ])("%s", (code, entry, before) => {
    expect(codeOf(entry, ...before)).toBe(code);
  });
  it.each([
    [{ kind: "reading", check: "jacket", value: -1, typed: "-1", unit: "mm", instrument }, "negative"],
    [{ kind: "reading", check: "jacket", value: 40_000_000, typed: "40 m", unit: "mm", instrument }, "most"],
    [
      { kind: "reading", check: "jacket", value: 1.5, typed: "1", unit: "mm", instrument },
      "whole micrometres",
    ],
    [{ kind: "sign", name: "  ", outcome: "kept" }, "carries a name"],
    [{ kind: "erase" }, "one of thread"],
  ])("%j is refused", (entry, words) => {
    expect(JSON.stringify(zEntry.safeParse(entry).error?.issues)).toContain(words);
  });
});

describe("what an end comes to", () => {
  const result = (...entries: Entry[]) => resultOf(sheet, endState(history(threaded, ...entries)), rule);
  it.each<[string, Entry[]]>([
    ["unmeasured", []],
    ["unmeasured", [reading(64_000)]],
    ["in", [reading(64_000), seen("good")]],
    ["out", [reading(64_000), seen("bad")]],
    ["out", [reading(66_000), seen("good")]],
    ["unsure", [reading(65_000), seen("good")]],
    ["cut-off", [reading(66_000), { kind: "sign", name: "Ada", outcome: "cut-off" }]],
  ])("%s", (expected, entries) => {
    expect(result(...entries)).toBe(expected);
  });
  it("each leg of a cord is judged by its own readings", () => {
    const pair = compile(procedure, { cable: cord({ construction: "duplex-cord", legs: ["A", "B"] }) });
    const state = endState(history(threaded, { ...(reading(64_000) as object), check: "jacket/B" } as Entry));
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
