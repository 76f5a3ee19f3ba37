import { describe, expect, it } from "vitest";
import { mustAccept } from "../accept/accept";
import type { EndEvent } from "../event/event";
import type { Recorded } from "../event/recorded";
import { um } from "../length/length";
import { compile, procedureOf } from "../runsheet/fixtures/made";
import { resultOf } from "./result";
import { retriesOffered, retryEvent } from "./retry";
import { endState, shardsMissing } from "./state";

const answers = [
  { id: "good", sees: "seated", good: true },
  {
    id: "off",
    sees: "stands off",
    good: false,
    retries: [
      { rule: "reseat", goTo: "seat" },
      { rule: "recleave", goTo: "make-jacket" },
    ],
    shards: 1,
  },
];
const sheet = compile(
  procedureOf([["jacket", "end", "jacket", 64, 1, 1]], {
    steps: [
      { id: "measure", kind: "measure", title: "measure", checks: ["jacket"] },
      { id: "seat", kind: "insert", title: "seat", seconds: { min: 20, max: 20 } },
      { id: "look", kind: "verify", title: "look", judgement: { id: "look", asks: "?", answers } },
      { id: "bin", kind: "dispose", title: "bin" },
    ],
    changes: {
      retries: [
        { id: "reseat", name: "seat again", most: 1 },
        { id: "recleave", name: "cleave again", most: 2 },
      ],
    },
  }),
);
const history = (...events: EndEvent[]): Recorded[] =>
  events.map((event, i) => ({
    id: `00000000-0000-4000-8000-${String(i).padStart(12, "0")}`,
    seq: i + 1,
    at: "2026-11-24T08:00:00.000Z",
    client: "one",
    event,
  }));
const stateOf = (...events: EndEvent[]) => endState(history(...events));
const off: EndEvent = { kind: "answer", judgement: "look", answer: "off" };
const read: EndEvent = {
  kind: "reading",
  check: "jacket",
  value: um(64_000),
  typed: "64",
  unit: "mm",
  instrument: { id: "rule", name: "Rule", resolution: um(500), repeatability: um(100) },
};
/** The retry that comes next after an answer. */
function nextRetry(...before: EndEvent[]): EndEvent {
  const offer = retriesOffered(sheet, stateOf(...before), "look", "off").find(({ left }) => left > 0);
  if (!offer) throw new Error("nothing is left to try");
  return retryEvent(sheet, offer, "look", "off");
}
const codeOf = (event: EndEvent, ...before: EndEvent[]) => {
  try {
    mustAccept(sheet, stateOf(...before), event, { kind: "simple" });
    return "taken";
  } catch (error) {
    return (error as { problem: { code: string } }).problem.code;
  }
};

describe("a look that was bad", () => {
  it("offers what to try in its order, with how often is left", () => {
    expect(
      retriesOffered(sheet, stateOf(off), "look", "off").map(({ rule, left }) => [rule.id, left]),
    ).toEqual([
      ["reseat", 1],
      ["recleave", 2],
    ]);
    expect(retriesOffered(sheet, stateOf(), "look", "good")).toEqual([]);
  });
  it("seats again from the seat step: the answer no longer speaks for the end, the reading still does", () => {
    const state = stateOf(read, off, nextRetry(read, off));
    expect(state.at).toBe(2);
    expect(state.answers).toEqual({});
    expect(state.readings).toHaveLength(1);
    expect(state.attempts).toEqual([{ rule: "reseat", leg: "", count: 1 }]);
  });
  it("then cleaves again from the first mark: what was read is void, and kept", () => {
    const first = [read, off, nextRetry(read, off), off];
    const state = stateOf(...first, nextRetry(...first));
    expect(state).toMatchObject({
      at: 0,
      readings: [],
      attempts: [
        { rule: "reseat", leg: "", count: 1 },
        { rule: "recleave", leg: "", count: 1 },
      ],
    });
    expect(state.voided.map(({ typed }) => typed)).toEqual(["64"]);
    expect(resultOf(sheet, state, { kind: "simple" })).toBe("unmeasured");
  });
  it("stops at the limit, and says what was tried", () => {
    const all: EndEvent[] = [];
    for (let i = 0; i < 3; i++) all.push(off, nextRetry(...all, off));
    all.push(off);
    expect(() => nextRetry(...all)).toThrow(/nothing is left/);
    const again = all[1] as EndEvent;
    expect(codeOf(again, ...all)).toBe("limit");
  });
  it("cannot be skipped to a later thing to try, nor go elsewhere", () => {
    const offer = retriesOffered(sheet, stateOf(off), "look", "off")[1];
    if (!offer) throw new Error("there are two");
    expect(codeOf(retryEvent(sheet, offer, "look", "off"), off)).toBe("wrong-retry");
    expect(codeOf({ ...(nextRetry(off) as Extract<EndEvent, { kind: "retry" }>), to: 0 }, off)).toBe(
      "wrong-retry",
    );
  });
  it("logs a step's use afresh when the step is done again", () => {
    const used: EndEvent = { kind: "use", step: "seat", tool: null, items: [{ item: "wipe", count: 1 }] };
    expect(stateOf(used, off).spent).toEqual(["seat"]);
    expect(stateOf(used, off, nextRetry(used, off)).spent).toEqual([]);
  });
});

describe("shards", () => {
  const create = (n: number, binned = 0): EndEvent => ({ kind: "shards", made: n, binned });
  const sign: EndEvent = { kind: "sign", name: "Ada", outcome: "kept" };
  it("are counted off and into the bin; taking back never goes below nothing", () => {
    expect(stateOf(create(2), create(0, 1)).shards).toEqual({ made: 2, binned: 1 });
    expect(shardsMissing(stateOf(create(2), create(0, 1)))).toBe(1);
    expect(stateOf(create(1), create(-3)).shards.made).toBe(0);
  });
  it("one missing, an end cannot be signed off without saying so", () => {
    expect(codeOf(sign, create(1))).toBe("shards");
    expect(codeOf({ ...sign, outcome: "cut-off" }, create(1))).toBe("shards");
    expect(codeOf({ ...sign, missingShards: "under the bench, swept with tape" }, create(1))).toBe("taken");
    expect(codeOf(sign, create(1, 1))).toBe("taken");
  });
});

describe("a hold or cure", () => {
  const timer = (action: "start" | "stop"): EndEvent => ({
    kind: "timer",
    step: "seat",
    action,
    seconds: 20,
  });
  it("runs from when it was begun until it is ended, and begins anew", () => {
    expect(stateOf(timer("start")).timers).toMatchObject([{ step: "seat", seconds: 20, stoppedAt: null }]);
    expect(stateOf(timer("start"), timer("stop")).timers[0]?.stoppedAt).not.toBeNull();
    expect(stateOf(timer("start"), timer("stop"), timer("start")).timers).toHaveLength(1);
  });
  it("is over with the step it was for, when that is done again", () => {
    expect(stateOf(timer("start"), off, nextRetry(timer("start"), off)).timers).toEqual([]);
  });
  it("is of a step of this sheet", () => {
    expect(codeOf({ kind: "timer", step: "oven", action: "start", seconds: 5 })).toBe("unknown-step");
  });
});
