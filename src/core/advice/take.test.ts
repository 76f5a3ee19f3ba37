import { describe, expect, it } from "vitest";
import { mustAccept } from "../accept/accept";
import { resultOf } from "../end/result";
import type { EventInput } from "../event/event";
import { zStoredEvent } from "../event/event";
import { mm } from "../length/length";
import { featureOf } from "../runsheet/runsheet";
import { adviceFor, endAt, GUARDED, readingsOf, stateAfter } from "./fixtures/ends";
import { stub as sheet } from "./fixtures/stub";
import { plannedSheet, reworkedSheet } from "./reworked-sheet";
import { mustFollow, nextLine, reworkEvent } from "./take";

const short = endAt(
  sheet,
  "measure",
  { glass: 1300 },
  { kind: "answer", judgement: "sound", answer: "held" },
);
const advice = () => {
  const [advice] = adviceFor(sheet, short);
  if (advice?.kind !== "rework") throw new Error("it can be saved");
  return advice;
};
const event = reworkEvent(advice(), "recommended");
/** The end taken on from the short cleave by more events. */
const then = (...more: EventInput[]) =>
  stateAfter(
    { kind: "step", to: 6 },
    ...readingsOf(sheet, { glass: 1300 }, { upTo: 6 }),
    { kind: "answer", judgement: "sound", answer: "held" },
    { kind: "spare", length: 500_000 },
    ...more,
  );
const codeOf = (change: Partial<typeof event>, state = short): string => {
  try {
    mustFollow(sheet, state, GUARDED, { ...event, ...change });
    return "taken";
  } catch (error) {
    return (error as { problem: { code: string } }).problem.code;
  }
};

describe("taking the advice", () => {
  it("goes to the first line to redo, voids what it changes, counts the attempt and the cable", () => {
    const state = then(event);
    expect(sheet.lines[state.at]?.step.id).toBe("mark-buffer");
    expect(state.readings).toEqual([]);
    expect(state.voided.map(({ check }) => check)).toEqual(["cleave", "second"]);
    expect(state.answers).toEqual({});
    expect(state.attempts).toMatchObject([{ rule: "strip", count: 1 }]);
    expect(state.lost).toBe(event.cableLost);
    expect(state.spare).toBe(500_000 - event.cableLost);
    expect(state.reworks).toBe(1);
  });
  it("walks mark, strip, clean, screen and cleave, then reads again, and is done with", () => {
    let state = then(event);
    const walked: string[] = [];
    while (state.inHand) {
      walked.push(sheet.lines[state.at]?.step.id as string);
      const to = nextLine(state);
      state = { ...then(event, { kind: "step", to }) };
      if (walked.length > 9) break;
    }
    expect(event.steps.map((index) => sheet.lines[index]?.step.id)).toEqual([
      "mark-buffer",
      "second",
      "strip",
      "clean",
      "bend",
      "cleave",
    ]);
    expect(then(event, { kind: "step", to: 6 }).inHand).toBeNull();
  });
  it("is taken back with nothing lost, while nothing else was done since", () => {
    const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
    const before = then();
    const taken = then(event);
    expect(taken.acts.at(-1)?.event).toBe(id(before.lastSeq));
    const back = then(event, { kind: "take-back", event: id(before.lastSeq) });
    expect({ ...back, lastSeq: 0 }).toEqual({ ...before, lastSeq: 0 });
    const takeBack = zStoredEvent.parse({ kind: "take-back", event: id(before.lastSeq) });
    expect(() => mustAccept(sheet, taken, takeBack, GUARDED)).not.toThrow();
    expect(() => mustAccept(sheet, then(event, { kind: "step", to: 1 }), takeBack, GUARDED)).toThrow(
      /Other work was done since/,
    );
    expect(() => mustAccept(sheet, before, takeBack, GUARDED)).toThrow(/Other work was done since/);
  });
  it.each([
    ["another place", { places: { ...event.places, buffer: mm(36) } }],
    ["another leg", { leg: "B" }],
    ["a line left out", { steps: event.steps.slice(1) }],
    ["cable not counted", { cableLost: mm(0) }],
    ["an answer nobody gave", { cause: { ...event.cause, judgement: "sound", answer: "broke" } }],
  ])("is worked out again where it is stored: %s is refused", (_what, change) => {
    expect(codeOf(change)).toBe("wrong-rework");
  });
  it("as it stands is taken, and refused once every attempt is used up", () => {
    expect(codeOf({})).toBe("taken");
    expect(codeOf({}, { ...short, attempts: [{ rule: "strip", leg: "", count: 2 }] })).toBe("limit");
  });
});

describe("the sheet of a reworked end", () => {
  const reworked = reworkedSheet(sheet, then(event));
  const line = (id: string) => reworked.lines.find(({ step }) => step.id === id);
  it("says how much further an edge goes, from where it is now, in fresh bites", () => {
    const further = event.moves.find(({ feature }) => feature === "buffer");
    expect(line("mark-buffer")?.figure).toMatchObject({
      own: { datum: "buffer", distance: (further?.now ?? 0) - (further?.was ?? 0) },
      workFromOwn: true,
    });
    expect(line("strip")?.bites).toMatchObject({
      count: 1,
      length: (further?.now ?? 0) - (further?.was ?? 0),
    });
  });
  it("lays the mark and the cleave off from the new edge", () => {
    expect(line("second")?.figure?.own).toMatchObject({ datum: "buffer", distance: 12_000 });
    expect(line("cleave")?.figure?.own).toMatchObject({ datum: "buffer", distance: -9_000 });
  });
  it("draws everything where it will lie, and is the sheet itself where nothing was redone", () => {
    expect(featureOf(reworked, "buffer").position).toBe(event.places.buffer);
    expect(reworkedSheet(sheet, short)).toBe(sheet);
    const planned = plannedSheet(sheet, short, advice().least);
    expect(featureOf(planned, "buffer").position).toBe(advice().least.places.buffer);
  });
});

describe("what is seen on an end", () => {
  const seen = (change: object): EventInput => ({
    kind: "fault",
    leg: "",
    feature: "glass",
    what: "bad-cleave",
    at: null,
    on: true,
    ...change,
  });
  it("leaves the end out until it is redone or taken back", () => {
    expect(resultOf(sheet, then(seen({})), GUARDED)).toBe("out");
    const good = endAt(sheet, "measure", {}, { kind: "answer", judgement: "sound", answer: "held" });
    expect(resultOf(sheet, good, GUARDED)).toBe("in");
    expect(resultOf(sheet, { ...good, faults: then(seen({})).faults }, GUARDED)).toBe("out");
  });
  it("is kept, taken back, and gone once the end is redone", () => {
    expect(then(seen({})).faults).toHaveLength(1);
    expect(then(seen({}), seen({ on: false })).faults).toEqual([]);
    expect(then(seen({}), event).faults).toEqual([]);
  });
  it.each([
    [{ leg: "C" }, "unknown-leg"],
    [{ feature: "moon" }, "unknown-feature"],
    [{ feature: "buffer" }, "wrong-fault"],
    [{ feature: "mark" }, "wrong-fault"],
    [{ what: "lost" }, "wrong-fault"],
    [{ feature: "mark", what: "lost" }, "taken"],
  ])("%j is %s", (change, code) => {
    const said = () => {
      try {
        mustAccept(sheet, short, zStoredEvent.parse(seen(change)), GUARDED);
        return "taken";
      } catch (error) {
        return (error as { problem: { code: string } }).problem.code;
      }
    };
    expect(said()).toBe(code);
  });
});
