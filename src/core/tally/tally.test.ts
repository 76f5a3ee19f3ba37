import { describe, expect, it } from "vitest";
import { endState } from "../end/state";
import { compile, procedureOf } from "../runsheet/fixtures/made";
import { bladeStanding, UNUSED } from "./blade";
import { spentAt } from "./spent";
import { usedOn } from "./used";

describe("a cleaver's blade", () => {
  // Check value 14: common practice, no source.
  const blade = { positions: 16, each: 3_000, wipeEvery: 5 };
  it("14: with 16 positions of 3 000 cleaves lasts 48 000", () => {
    expect(bladeStanding(blade, UNUSED)).toEqual({
      position: 1,
      leftHere: 3_000,
      left: 48_000,
      wipeIn: 5,
      due: null,
    });
  });
  it("14: is due for a wipe after every fifth cleave", () => {
    const due = (sinceWipe: number) => bladeStanding(blade, { ...UNUSED, sinceTurn: 40, sinceWipe }).due;
    expect([4, 5, 6].map(due)).toEqual([null, "wipe", "wipe"]);
  });
  it("is turned when a position is used up, and changed after the last", () => {
    expect(bladeStanding(blade, { sinceTurn: 3_000, sinceWipe: 5, turns: 3 })).toMatchObject({
      position: 4,
      leftHere: 0,
      left: 36_000,
      due: "turn",
    });
    expect(bladeStanding(blade, { sinceTurn: 3_000, sinceWipe: 0, turns: 15 })).toMatchObject({
      left: 0,
      due: "new",
    });
  });
});

describe("what a step uses", () => {
  const sheet = compile(
    procedureOf(
      [
        ["buffer", "end", "buffer", 40, 1, 1],
        ["cleave", "glass", "buffer", 9, 0.5, 0.5],
      ],
      { steps: [{ id: "cap", kind: "cap", title: "cap", uses: [{ item: "cap", count: 1 }], shards: 2 }] },
    ),
  );
  const line = (id: string) => sheet.lines.find(({ step }) => step.id === id) as (typeof sheet.lines)[number];
  const fresh = endState([]);
  it("a cleave is one stroke of its tool", () => {
    expect(spentAt(line("make-cleave"), fresh)).toEqual([
      { kind: "use", step: "make-cleave", tool: "cutter", items: [{ item: "cleave", count: 1 }] },
    ]);
  });
  it("consumables and shards as the step says, once a pass", () => {
    expect(spentAt(line("cap"), fresh).map(({ kind }) => kind)).toEqual(["use", "shards"]);
    expect(spentAt(line("cap"), { spent: ["cap"] })).toEqual([]);
  });
  it("a mark uses nothing", () => {
    expect(spentAt(line("make-buffer"), fresh)).toEqual([]);
  });
});

describe("what an end has used", () => {
  it("is added up over every pass, whatever the step", () => {
    const use = (step: string, item: string, count: number, seq: number) => ({
      id: String(seq),
      seq,
      at: "",
      client: "",
      event: { kind: "use" as const, step, tool: null, items: [{ item, count }] },
    });
    expect(usedOn([use("a", "wipe", 2, 1), use("b", "cap", 1, 2), use("a", "wipe", 2, 3)])).toEqual([
      { item: "wipe", count: 4 },
      { item: "cap", count: 1 },
    ]);
    expect(usedOn([])).toEqual([]);
  });
});
