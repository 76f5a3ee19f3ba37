import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { mustAccept } from "../accept/accept";
import type { Cable } from "../cable/cable";
import { retriesUsed } from "../end/made-again";
import { firstCut, retriesOffered } from "../end/retry";
import { applied } from "../end/state";
import type { EndEvent, EventInput } from "../event/event";
import type { Fault } from "../event/kinds/faults";
import { misfits } from "../procedure/fit";
import { compileRunSheet } from "../runsheet/compile";
import type { RunSheet } from "../runsheet/document";
import { advise, type EndAdvice } from "./advise";
import { adviceFor, endAt, GUARDED, said } from "./fixtures/ends";
import { mustFollow, reworkEvent } from "./take";

const { cables, procedures, tools } = shippedLibrary();

/** A shipped style on the first shipped cable it goes on, or on one named. */
function sheetFor(id: string, choices: Record<string, string> = {}, cableId?: string): RunSheet {
  const procedure = procedures.find((procedure) => procedure.id === id);
  if (!procedure) throw new Error(`no ${id}`);
  const fits = (cable: Cable, core: string) => misfits(procedure, cable, core).length === 0;
  const on = cables.find(
    (cable) =>
      (cableId === undefined || cable.id === cableId) && cable.cores.some((core) => fits(cable, core)),
  );
  const core = on?.cores.find((core) => fits(on, core));
  if (!on || !core) throw new Error(`${id} goes on no cable`);
  return compileRunSheet({ procedure, cable: on, core, choices, tools });
}

const fault = (sheet: RunSheet, feature: string, fault: Fault, at: number | null = null): EventInput => ({
  kind: "fault",
  leg: sheet.cable.legs[0] as string,
  feature,
  what: fault,
  at,
  on: true,
});
const reworked = (advice: EndAdvice | undefined) => {
  if (advice?.kind !== "rework") throw new Error(`${said(advice)} was not expected`);
  return advice;
};

const fresh = (advice: EndAdvice | undefined) => {
  if (advice?.kind !== "start-over") throw new Error(`${said(advice)} was not expected`);
  return advice;
};

/** What was wrong, at which step, features off by so many micrometres; what the least way says; cable lost, mm. */
type Scenario = readonly [
  what: string,
  style: string,
  step: string,
  off: Readonly<Record<string, number>>,
  says: string,
  lost: number,
];

describe("what a master would say of an end of each style", () => {
  it.each<Scenario>([
    [
      "cam and crimp, cleaved short: fresh glass behind it, the mark goes with the buffer",
      "stub-cam-crimp-900",
      "measure",
      { "glass-end": 1300 },
      "draw reference-mark 12 off buffer-edge, cut buffer-edge +9.35, cut glass-end 8.15 off buffer-edge",
      9.35,
    ],
    [
      "cam and crimp, cleaved 1.2 long: a millimetre cannot be taken off, so it is stripped further",
      "stub-cam-crimp-900",
      "measure",
      { "glass-end": -1200 },
      "draw reference-mark 12 off buffer-edge, cut buffer-edge +6.85, cut glass-end 8.15 off buffer-edge",
      6.85,
    ],
    [
      "cam and crimp, 9 of glass too much: the cleaver can hold that, so one cleave is enough",
      "stub-cam-crimp-900",
      "measure",
      { "glass-end": -9000 },
      "cut glass-end 9.05 off buffer-edge",
      0,
    ],
    [
      "cam and crimp, mark drawn wrong: draw it again",
      "stub-cam-crimp-900",
      "measure",
      { "reference-mark": 2500 },
      "draw reference-mark 12 off buffer-edge",
      0,
    ],
    [
      "cam and crimp on a cord, first strip too long: the jacket follows",
      "stub-cam-crimp-cord",
      "measure",
      { "buffer-edge": 2500, "glass-end": 2500 },
      "cut jacket-edge +1, draw reference-mark 12 off buffer-edge",
      1,
    ],
    [
      "cam and crimp on a cord, cleaved long: jacket, yarn, buffer and mark all go back",
      "stub-cam-crimp-cord",
      "measure",
      { "glass-end": -1200 },
      "cut jacket-edge +4.85, cut yarn-edge +3.85, draw reference-mark 12 off buffer-edge, cut buffer-edge +6.85, cut glass-end 8.15 off buffer-edge",
      4.85,
    ],
    [
      "cam and crimp on a cord, yarn short: jacket back to bare more of it",
      "stub-cam-crimp-cord",
      "measure",
      { "yarn-edge": 2000 },
      "cut jacket-edge +1",
      1,
    ],
    [
      "one-stroke, found at the seat: out, stripped further, cleaved anew",
      "stub-one-stroke",
      "stand",
      { "glass-end": -1200 },
      "draw reference-mark 10.5 off buffer-edge, cut buffer-edge +7.35, cut glass-end 7.95 off buffer-edge",
      7.35,
    ],
    [
      "two-fibre, one fibre cleaved long: that one, and it is set in the holder anew",
      "stub-two-fibre",
      "measure",
      { "glass-end": -1300 },
      "draw reference-mark 11.5 off buffer-edge, cut buffer-edge +6.9, set holder-face 2.6 off buffer-edge, cut glass-end 11.1 off holder-face",
      6.9,
    ],
    [
      "two-fibre, buffer not proud enough, read at loading: load it again",
      "stub-two-fibre",
      "measure-proud",
      { "holder-face": 900 },
      "set holder-face 2.3 off buffer-edge",
      0,
    ],
    [
      "two-fibre on a cord, yarn short: jacket back",
      "stub-two-fibre-cord",
      "measure",
      { "yarn-edge": 2000 },
      "cut jacket-edge +1",
      1,
    ],
    [
      "wedge, cleaved short: second mark and clamp mark go with the buffer",
      "stub-wedge-release-900",
      "measure",
      { "glass-end": 2000 },
      "draw clamp-mark +10.55, draw second-mark 12.5 off buffer-edge, cut buffer-edge +10.55, cut glass-end 9.35 off buffer-edge",
      10.55,
    ],
    [
      "wedge on a thin cord, cleaved short: jacket and thin tube follow",
      "stub-wedge-release-cord",
      "measure",
      { "glass-end": 1200 },
      "draw clamp-mark +8.75, cut jacket-edge +7.75, draw second-mark 11.5 off buffer-edge, cut buffer-edge +9.75, cut glass-end 9.05 off buffer-edge",
      7.75,
    ],
    [
      "guided insertion, cleaved long: the tube slides back with it",
      "guided-insertion-250",
      "measure",
      { "glass-end": -1000 },
      "cut tube-edge +4.35, cut buffer-edge +7.55, cut glass-end 8.75 off buffer-edge",
      7.55,
    ],
    [
      "guided insertion on a semi-tight 900, cleaved short",
      "guided-insertion-900",
      "measure",
      { "glass-end": 1000 },
      "cut buffer-edge +9.55, cut glass-end 8.75 off buffer-edge",
      9.55,
    ],
    [
      "drop clamp set wrong, too little fibre out: the sheath goes forward in it",
      "drop-clamp",
      "measure-clamp",
      { "clamp-front": -1500 },
      "set clamp-front 42 off cable-end",
      0,
    ],
    [
      "drop, sheath off too far: trim the end",
      "drop-clamp",
      "measure-clamp",
      { "sheath-edge": 2200 },
      "cut cable-end +1.2, set clamp-front 42 off cable-end",
      0,
    ],
    [
      "adhesive, multimode, strip too long: trim the end",
      "adhesive-primer-multimode",
      "measure",
      { "buffer-edge": 1800 },
      "cut cable-end +1",
      0,
    ],
    [
      "adhesive, multimode, yarn short",
      "adhesive-primer-multimode",
      "measure",
      { "yarn-edge": 1800 },
      "cut jacket-edge +1",
      1,
    ],
    [
      "adhesive, single-mode, jacket off too little",
      "adhesive-accelerator-single-mode",
      "measure",
      { "jacket-edge": -1800 },
      "cut jacket-edge +1",
      1,
    ],
    [
      "adhesive, single-mode, yarn long: trim it",
      "adhesive-accelerator-single-mode",
      "measure",
      { "yarn-edge": -1800 },
      "cut yarn-edge +0.8",
      0,
    ],
    [
      "adhesive, duplex, strip too short: one more bite",
      "adhesive-polish-duplex",
      "measure",
      { "buffer-edge": -1500 },
      "cut buffer-edge +0.8",
      0,
    ],
    [
      "adhesive on a 900 alone, strip too short: one more bite",
      "adhesive-polish-900",
      "measure",
      { "buffer-edge": -1500 },
      "cut buffer-edge +0.8",
      0.8,
    ],
    [
      "fusion, cleaved short: more fibre drawn through the holder",
      "fusion-splice-on",
      "measure",
      { "glass-end": 1000 },
      "set holder-face +8.5, cut buffer-edge +8.9, cut glass-end 10.7 off holder-face",
      8.9,
    ],
    [
      "fusion on a cord, cleaved long: the jacket follows",
      "fusion-splice-on-cord",
      "measure",
      { "glass-end": -1000 },
      "cut jacket-edge +5.5, cut yarn-edge +4.5, set holder-face +8.5, cut buffer-edge +6.9, cut glass-end 10.7 off holder-face",
      5.5,
    ],
    [
      "fusion on a 250 in its tube, cleaved long: the tube slides back with it",
      "fusion-splice-on-250",
      "measure",
      { "glass-end": -1000 },
      "cut tube-edge +4.5, set holder-face +8.5, cut buffer-edge +6.9, cut glass-end 10.7 off holder-face",
      6.9,
    ],
    [
      "cord preparation, yarn too short to cover the post: all the rest back",
      "cord-preparation",
      "measure",
      { "yarn-edge": 2500 },
      "cut cable-end +1, cut jacket-edge +1.5, cut buffer-edge +0.8",
      1.5,
    ],
    [
      "breakout, furcation tubes too long: cut them, not the fibre",
      "breakout-kit-6",
      "measure-out",
      { "furcation-front": -4300 },
      "cut furcation-front +2.8",
      0,
    ],
    [
      "breakout of twelve, furcation tubes too long, seen before a fibre is in them: trim them all alike",
      "breakout-kit-12",
      "measure-tube",
      { "furcation-front": -3000 },
      "cut furcation-front +1.5",
      0,
    ],
    [
      "shielded backshell, jacket off too far: the conductors come back",
      "backshell-shielded",
      "measure",
      { "jacket-edge": 4000 },
      "cut cable-end +1, cut conductor-edge +0.8",
      0,
    ],
    [
      "yarn backshell, yarn short",
      "backshell-fibre-yarn",
      "measure",
      { "yarn-edge": 5000 },
      "cut jacket-edge +1",
      1,
    ],
    [
      "yarn backshell, the band drew the jacket: it is set to the cone again",
      "backshell-fibre-yarn",
      "measure-again",
      { cone: 2000 },
      "set cone 11.6 off jacket-edge",
      0,
    ],
    [
      "opened ribbon cable, ring cut too far: everything inside follows",
      "central-tube-ribbon",
      "measure",
      { "sheath-edge": 11000 },
      "cut cable-end +1, cut member-end +8, cut ripcord-end +7, cut tube-edge +9",
      0,
    ],
  ])("%s", (_what, style, step, off, message, lost) => {
    const sheet = sheetFor(style);
    const advice = reworked(adviceFor(sheet, endAt(sheet, step, off))[0]);
    expect(said(advice)).toBe(message);
    expect(advice.least.cableLost).toBe(lost * 1000);
  });
  it("says the work in order, from the first mark to where it is read, with every look at what is made anew", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const { least } = reworked(adviceFor(sheet, endAt(sheet, "measure", { "glass-end": -1200 }))[0]);
    const titles = least.steps.map((index) => sheet.lines[index]?.step.id);
    expect(titles.join()).toBe(
      "mark-buffer,second-mark,strip-buffer,strip-coating,clean,bare,bend,load,self-test,light-on,cleave,face",
    );
    expect(sheet.lines[least.back]?.step.id).toBe("measure");
  });
  it("a fibre ended in a furcation tube keeps its coating just out of it when it is cleaved anew", () => {
    const sheet = sheetFor("stub-cam-crimp-900", {}, "furcation-900");
    expect(said(adviceFor(sheet, endAt(sheet, "measure", { "glass-end": 1300 }))[0])).toBe(
      "cut tube-edge +8.85, draw reference-mark 12 off buffer-edge, cut buffer-edge +9.35, cut glass-end 8.15 off buffer-edge",
    );
  });
  it.each([
    ["stub-cam-crimp-900", "housing", { "glass-end": -1300 }, "glass-end", "crimp"],
    ["adhesive-primer-multimode", "look", { "buffer-edge": 1800 }, "cable-end", "cure"],
    ["adhesive-accelerator-single-mode", "look", { "buffer-edge": 2500 }, "cable-end", "cure"],
    ["adhesive-polish-duplex", "look", { "jacket-edge": -2000 }, "jacket-edge", "crimp"],
    ["fusion-splice-on", "even", { "glass-end": 1000 }, "buffer-edge", "fuse"],
  ])(
    "%s, bonded: it says what holds it, and offers to begin again with a new connector",
    (style, step, off, feature, by) => {
      const sheet = sheetFor(style);
      const advice = fresh(adviceFor(sheet, endAt(sheet, step, off))[0]);
      expect(advice.why).toBe("held");
      expect(advice.stoppedBy?.feature).toBe(feature);
      expect(sheet.lines[advice.stoppedBy?.line ?? -1]?.step.kind).toBe(by);
      expect(advice.again).toMatchObject({ kind: "retry", to: firstCut(sheet), cableLost: sheet.uses.retry });
      expect(advice.startOver.parts.join()).toMatch(/^One connector/);
    },
  );
  describe("where the style itself begins from the start", () => {
    const drop = () => sheetFor("drop-clamp");
    it("a cleave out of its limits offers nothing less, however little it is out", () => {
      const advice = fresh(adviceFor(drop(), endAt(drop(), "measure", { "glass-end": 900 }))[0]);
      expect(advice).toMatchObject({
        why: "its-rule",
        rule: { id: "start" },
        again: { rule: "start", judgement: null },
      });
      expect(advice.startOver.cable).toBe(drop().uses.retry);
    });
    it.each([
      ["the cleave is bad", "measure", "bad-cleave"],
      ["the end was touched", "insert", "touched"],
      ["the cleaved end has stood too long", "insert", "aged"],
      ["the glass is nicked", "measure", "nick"],
    ] as const)("%s: from the start", (_what, step, seenFault) => {
      const state = endAt(drop(), step, {}, fault(drop(), "glass-end", seenFault));
      expect(fresh(adviceFor(drop(), state)[0]).why).toBe("its-rule");
    });
    it("glass that breaks in the screen, or lies straight in the splice: from the start, by the answer's own rule", () => {
      for (const [step, judgement, answer] of [
        ["bend", "glass-sound", "broke"],
        ["bow", "bow", "no"],
      ] as const) {
        const seen = { judgement, answer };
        const state = endAt(drop(), step, {}, { kind: "answer", ...seen });
        const advice = fresh(adviceFor(drop(), state, seen)[0]);
        expect(advice).toMatchObject({ why: "its-rule", again: { rule: "start", judgement, answer } });
        expect(() => mustAccept(drop(), state, advice.again as EndEvent, GUARDED)).not.toThrow();
      }
    });
    it("what no glass was cut for is still reworked: the clamp is set again", () => {
      expect(adviceFor(drop(), endAt(drop(), "measure-clamp", { "clamp-front": 1500 }))[0]?.kind).toBe(
        "rework",
      );
    });
    it("taken twice, nothing is left to begin with", () => {
      const state = {
        ...endAt(drop(), "measure", { "glass-end": 900 }),
        attempts: [{ rule: "start", leg: "", count: 2 }],
      };
      expect(fresh(adviceFor(drop(), state)[0]).again).toBeNull();
    });
  });
  it("a splice that failed is cut back with a new connector, and nothing cheaper is offered", () => {
    const sheet = sheetFor("fusion-splice-on");
    const seen = { judgement: "splice", answer: "poor" };
    const state = endAt(sheet, "splice", {}, { kind: "answer", ...seen });
    const advice = fresh(adviceFor(sheet, state, seen)[0]);
    expect(advice).toMatchObject({
      why: "its-rule",
      rule: { id: "connector" },
      again: { rule: "connector" },
    });
    expect(retriesOffered(sheet, state, "splice", "poor").map(({ rule }) => rule.id)).toEqual(["connector"]);
  });
  it("a bad cleave, wherever it stood, takes what the cleaver must hold and counts as a cleave done again", () => {
    const sheet = sheetFor("guided-insertion-900");
    const bad = fault(sheet, "glass-end", "bad-cleave");
    for (const off of [-300, 0, 300]) {
      const advice = reworked(adviceFor(sheet, endAt(sheet, "measure", { "glass-end": off }, bad))[0]);
      const end = advice.least.moves.find(({ feature }) => feature === "glass-end");
      expect(end?.further).toBeGreaterThanOrEqual(9_000);
      expect(advice.least.cableLost).toBeGreaterThan(8_000);
      expect(advice.rule?.rule.id).toBe("recleave");
    }
  });
  it("a touched end face is cleaved again elsewhere, and the fibre comes out first", () => {
    const sheet = sheetFor("stub-one-stroke");
    const state = endAt(sheet, "touched", {}, fault(sheet, "glass-end", "touched"));
    const advice = reworked(adviceFor(sheet, state)[0]);
    expect(said(advice)).toBe(
      "draw reference-mark 10.5 off buffer-edge, cut buffer-edge +8.55, cut glass-end 7.95 off buffer-edge",
    );
    expect(advice.takeOut).toBe(true);
    expect(advice.rule).toMatchObject({ rule: { id: "recleave" }, left: 2 });
  });
  it("a lost mark is drawn again and nothing is cut", () => {
    const sheet = sheetFor("stub-wedge-release-900");
    const advice = reworked(
      adviceFor(sheet, endAt(sheet, "measure", {}, fault(sheet, "second-mark", "lost")))[0],
    );
    expect(said(advice)).toBe("draw second-mark 12.5 off buffer-edge");
    expect(advice.rule).toBeNull();
  });
  it("a nick is cut off with what the cleaver must hold, even where it lies near the end", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const end = (at: number | null) =>
      reworked(
        adviceFor(sheet, endAt(sheet, "measure", {}, fault(sheet, "glass-end", "nick", at)))[0],
      ).least.moves.find(({ feature }) => feature === "glass-end")?.further;
    expect(end(2000)).toBe(8_500);
    expect(end(8200)).toBe(8_700);
    expect(end(null)).toBe(8_600);
  });
  it("glass that breaks in the bend screen is cut off, all is laid off anew behind it, and the bench comes back to the screen", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const broke = { judgement: "glass-sound", answer: "broke" };
    const [advice] = adviceFor(sheet, endAt(sheet, "bend", {}, { kind: "answer", ...broke }), broke);
    const match = reworked(advice);
    const cuts = match.least.moves.filter(({ how }) => how === "cut");
    expect(cuts.map(({ feature, further }) => [feature, further])).toEqual([
      ["cable-end", 36_000],
      ["buffer-edge", 35_000],
    ]);
    expect(match.rule?.rule.id).toBe("strip");
    expect(sheet.lines[match.least.back]?.step.id).toBe("bend");
  });
  it("glass that broke is no better for having been passed by and cleaved: the advice stays what it was", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const broke = { judgement: "glass-sound", answer: "broke" };
    const passed = endAt(sheet, "measure", {}, { kind: "answer", ...broke });
    const advice = reworked(adviceFor(sheet, passed, broke)[0]);
    expect(advice.faults.map(({ what: fault }) => fault)).toEqual(["nick"]);
    expect(advice.rule?.rule.id).toBe("strip");
    const end = advice.least.moves.find(({ feature }) => feature === "glass-end");
    // All that was bared is suspect: 36 of strip, 27.4 of it cut off by the cleave.
    expect(end?.further).toBe(8_600);
  });
  it("no attempt left: it says which rule is used up, and offers the new connector", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const read = endAt(sheet, "measure", { "glass-end": 1300 });
    const { rule } = reworked(adviceFor(sheet, read)[0]);
    const state = {
      ...read,
      attempts: [{ rule: rule?.rule.id ?? "", leg: "", count: rule?.rule.most ?? 0 }],
    };
    expect(fresh(adviceFor(sheet, state)[0])).toMatchObject({
      why: "used-up",
      rule: { id: "recleave" },
      again: { rule: "connector", to: firstCut(sheet) },
    });
  });
  it("one leg of a cord begun again counts against that leg alone, and leaves the other as it is", () => {
    const sheet = sheetFor("adhesive-polish-duplex");
    const [a, b] = sheet.cable.legs as [string, string];
    const crack = { judgement: "end-face", answer: "cracked" };
    const state = endAt(sheet, "look", {}, { kind: "answer", ...crack });
    const advice = adviceFor(sheet, state, crack).map(fresh);
    expect(advice.map(({ leg, again }) => [leg, again?.leg])).toEqual([
      [a, a],
      [b, b],
    ]);
    const after = applied(state, {
      id: "00000000-0000-4000-8000-00000000ffff",
      seq: 99,
      at: "2026-11-25T09:00:00.000Z",
      client: "test",
      event: advice[0]?.again as EndEvent,
    });
    expect([retriesUsed(after, "cut-back", a), retriesUsed(after, "cut-back", b)]).toEqual([1, 0]);
    expect(advice[0]?.again?.voids.checks.every((check) => check.endsWith(`/${a}`))).toBe(true);
  });
  it("readings that contradict one another are read again before anything is cut", () => {
    const sheet = sheetFor("adhesive-accelerator-single-mode");
    const state = endAt(sheet, "measure", {});
    const muddled = {
      ...state,
      readings: state.readings.map((reading) =>
        reading.check === "buffer-out"
          ? { ...reading, value: (reading.value + 3000) as typeof reading.value }
          : reading,
      ),
    };
    expect(said(adviceFor(sheet, muddled)[0])).toBe("read jacket, buffer, buffer-out again");
  });
  it("two readings of one length that cannot be of the same place are told, not averaged", () => {
    const sheet = sheetFor("guided-insertion-900");
    const state = endAt(sheet, "measure", { "glass-end": 2000 });
    const [read] = state.readings;
    if (!read) throw new Error("the cleave was read");
    const twice = { ...state, readings: [read, { ...read, value: (read.value + 900) as typeof read.value }] };
    expect(said(adviceFor(sheet, twice)[0])).toBe("read cleave again");
  });
  it("each leg of a duplex cord is reworked by itself", () => {
    const sheet = sheetFor("stub-two-fibre");
    const state = endAt(sheet, "measure", { "glass-end": -1300 });
    expect(adviceFor(sheet, state).map(({ leg }) => leg)).toEqual([sheet.cable.legs[0]]);
  });
  it("a length no reading can settle is redone to its middle when that is asked for, and not before", () => {
    const sheet = sheetFor("guided-insertion-900");
    const rough = { id: "rule", name: "Rule", resolution: 500, repeatability: 150 };
    const state = endAt(
      sheet,
      "flush",
      {},
      {
        kind: "reading",
        check: "cleave",
        value: 9_500,
        typed: "9.5",
        unit: "mm",
        instrument: rough,
      },
    );
    const unsure = {
      ...state,
      readings: state.readings.filter(({ instrument }) => instrument.id === "rule"),
    };
    expect(adviceFor(sheet, unsure)).toEqual([]);
    const [advice] = advise(sheet, unsure, GUARDED, null, ["cleave"]);
    const cleave = reworked(advice).recommended.moves.find(({ feature }) => feature === "glass-end");
    expect(Math.abs(cleave?.from?.distance ?? 0)).toBe(9_200);
    const event = reworkEvent(reworked(advice), "recommended");
    expect(() => mustFollow(sheet, unsure, GUARDED, event)).not.toThrow();
    expect(() => mustFollow(sheet, state, GUARDED, event)).toThrow();
  });
});
