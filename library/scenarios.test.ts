import { describe, expect, it } from "vitest";
import {
  type Cable,
  compileRunSheet,
  type EntryInput,
  type Fault,
  type MendAdvice,
  misfits,
  type RunSheet,
} from "@/core";
import { adviceFor, endAt, said } from "@/core/mending/fixtures/ends";
import { shippedLibrary } from "@/store/shipped";

const { cables, procedures, tools } = shippedLibrary();

/** A shipped style on the first shipped cable it goes on. */
function sheetFor(id: string, choices: Record<string, string> = {}): RunSheet {
  const procedure = procedures.find((one) => one.id === id);
  if (!procedure) throw new Error(`no ${id}`);
  const fits = (cable: Cable, core: string) => misfits(procedure, cable, core).length === 0;
  const on = cables.find((cable) => cable.cores.some((core) => fits(cable, core)));
  const core = on?.cores.find((one) => fits(on, one));
  if (!on || !core) throw new Error(`${id} goes on no cable`);
  return compileRunSheet({ procedure, cable: on, core, choices, tools });
}

const fault = (sheet: RunSheet, feature: string, what: Fault, at: number | null = null): EntryInput => ({
  kind: "fault",
  leg: sheet.cable.legs[0] as string,
  feature,
  what,
  at,
  on: true,
});
const mended = (advice: MendAdvice | undefined) => {
  if (advice?.kind !== "mend") throw new Error(`${said(advice)} was not expected`);
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

describe("what a master would say of an end of each family", () => {
  it.each<Scenario>([
    [
      "cam and crimp, cleaved short: strip further, the mark goes with the buffer",
      "stub-cam-crimp-900",
      "measure",
      { "glass-end": 1300 },
      "draw reference-mark 12 off buffer-edge, cut buffer-edge +1.6, cut glass-end 8.1 off buffer-edge",
      1.6,
    ],
    [
      "cam and crimp, cleaved long: one cleave",
      "stub-cam-crimp-900",
      "measure",
      { "glass-end": -1700 },
      "cut glass-end 9.1 off buffer-edge",
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
      "cam and crimp on a cord, yarn short: jacket back to bare more of it",
      "stub-cam-crimp-cord",
      "measure",
      { "yarn-edge": 2000 },
      "cut jacket-edge +1",
      1,
    ],
    [
      "cam and crimp on a cord, jacket cut twice: all in front of it follows, no cable",
      "stub-cam-crimp-cord",
      "measure",
      { "jacket-edge": 2000 },
      "cut yarn-edge +1, cut buffer-edge +0.8, cut glass-end 8.6 off buffer-edge",
      0,
    ],
    [
      "two-fibre, jacket cut twice",
      "stub-two-fibre",
      "measure",
      { "jacket-edge": 1800 },
      "cut buffer-edge +0.8, set holder-face 2.4 off buffer-edge, cut glass-end 8.6 off buffer-edge",
      0,
    ],
    [
      "two-fibre, buffer not proud enough: load it again",
      "stub-two-fibre",
      "measure",
      { "holder-face": 900 },
      "set holder-face 2.4 off buffer-edge",
      0,
    ],
    [
      "wedge, cleaved short: the second mark is lost with the buffer",
      "stub-wedge-release-900",
      "measure",
      { "glass-end": 2000 },
      "draw second-mark 12.5 off buffer-edge, cut buffer-edge +2.5, cut glass-end 9.3 off buffer-edge",
      2.5,
    ],
    [
      "wedge on a cord, cleaved short: as far back as the jacket",
      "stub-wedge-release-cord",
      "measure",
      { "glass-end": 1200 },
      "cut jacket-edge +1, cut tube-front +0.6, draw second-mark 11.5 off buffer-edge, cut buffer-edge +1.7, cut glass-end 9 off buffer-edge",
      1,
    ],
    [
      "funnel, cleaved long: one cleave",
      "funnel-holder-250",
      "measure",
      { "glass-end": -1000 },
      "cut glass-end 9.2 off buffer-edge",
      0,
    ],
    [
      "drop clamp set wrong: set it again",
      "drop-clamp",
      "measure-clamp",
      { "clamp-front": 1500 },
      "set clamp-front 42 off cable-end",
      0,
    ],
    [
      "drop, sheath off too far: trim the end",
      "drop-clamp",
      "measure-clamp",
      { "sheath-edge": 2000 },
      "cut cable-end +1, set clamp-front 42.4 off cable-end",
      0,
    ],
    [
      "adhesive, multimode, strip too long: trim the end, jacket back",
      "adhesive-primer-multimode",
      "measure",
      { "buffer-edge": 1800 },
      "cut cable-end +1, cut jacket-edge +1",
      1,
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
      "adhesive, duplex, strip too short: one more bite",
      "adhesive-polish-duplex",
      "measure",
      { "buffer-edge": -1500 },
      "cut buffer-edge +0.8",
      0,
    ],
    [
      "fusion, cleaved short",
      "fusion-splice-on",
      "measure",
      { "glass-end": 1000 },
      "cut buffer-edge +1.5, cut glass-end 5.1 off buffer-edge",
      1.5,
    ],
    [
      "cord preparation, yarn too short to cover the post: all the rest back",
      "cord-preparation",
      "measure",
      { "yarn-edge": 1500 },
      "cut cable-end +1, cut jacket-edge +1, cut buffer-edge +0.8",
      1,
    ],
    [
      "breakout, furcation tubes too long: cut them, not the fibre",
      "breakout-kit-6",
      "measure-out",
      { "furcation-front": -3300 },
      "cut furcation-front +0.8",
      0,
    ],
    [
      "shielded backshell, jacket too far from the cone: the conductors come back",
      "backshell-shielded",
      "measure",
      { "jacket-edge": 2000 },
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
      "opened ribbon cable, ring cut too far: everything inside follows",
      "central-tube-ribbon",
      "measure",
      { "sheath-edge": 11000 },
      "cut cable-end +1, cut member-end +8, cut ripcord-end +7, cut tube-edge +9",
      0,
    ],
  ])("%s", (_what, style, step, off, says, lost) => {
    const sheet = sheetFor(style);
    const advice = mended(adviceFor(sheet, endAt(sheet, step, off))[0]);
    expect(said(advice)).toBe(says);
    expect(advice.least.cableLost).toBe(lost * 1000);
  });
  it.each([
    ["adhesive-primer-multimode", "look", { "buffer-edge": 1800 }, "cable-end", "cure"],
    ["adhesive-accelerator-single-mode", "look", { "buffer-edge": 2500 }, "cable-end", "cure"],
    ["adhesive-polish-duplex", "look", { "jacket-edge": -2000 }, "jacket-edge", "cure"],
    ["fusion-splice-on", "even", { "glass-end": 1000 }, "buffer-edge", "fuse"],
  ])("%s, bonded, cannot be saved: it says what holds it", (style, step, off, feature, by) => {
    const sheet = sheetFor(style);
    const [advice] = adviceFor(sheet, endAt(sheet, step, off));
    if (advice?.kind !== "start-over" || !advice.stoppedBy) throw new Error("it is not saved");
    expect(advice.stoppedBy.feature).toBe(feature);
    expect(sheet.lines[advice.stoppedBy.line as number]?.step.kind).toBe(by);
    expect(advice.startOver.parts.length).toBeGreaterThan(0);
  });
  it("a forced re-cleave with room to spare costs one cleave; near the limit the buffer goes too", () => {
    const sheet = sheetFor("funnel-holder-900");
    const bad = fault(sheet, "glass-end", "bad-cleave");
    const at = (off: number) => said(adviceFor(sheet, endAt(sheet, "measure", { "glass-end": off }, bad))[0]);
    expect(at(-500)).toBe("cut glass-end 8.7 off buffer-edge");
    expect(at(400)).toBe("cut buffer-edge +0.9, cut glass-end 8.7 off buffer-edge");
  });
  it("a touched end face is cleaved again elsewhere, and the fibre comes out first", () => {
    const sheet = sheetFor("stub-one-stroke");
    const state = endAt(sheet, "touched", {}, fault(sheet, "glass-end", "touched"));
    const advice = mended(adviceFor(sheet, state)[0]);
    expect(said(advice)).toBe("cut buffer-edge +0.8, cut glass-end 8.2 off buffer-edge");
    expect(advice.takeOut).toBe(true);
    expect(advice.rule).toMatchObject({ rule: { id: "strip" }, left: 2 });
  });
  it("a lost mark is drawn again and nothing is cut", () => {
    const sheet = sheetFor("stub-wedge-release-900");
    const advice = mended(
      adviceFor(sheet, endAt(sheet, "measure", {}, fault(sheet, "second-mark", "lost")))[0],
    );
    expect(said(advice)).toBe("draw second-mark 12.5 off buffer-edge");
    expect(advice.rule).toBeNull();
  });
  it("a nick is cut off: just behind it where its place is known, all that is bared where it is not", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const near = mended(
      adviceFor(sheet, endAt(sheet, "measure", {}, fault(sheet, "glass-end", "nick", 2000)))[0],
    );
    const end = (advice: typeof near) =>
      advice.least.moves.find(({ feature }) => feature === "glass-end")?.further;
    expect(end(near)).toBe(2500);
    const all = mended(adviceFor(sheet, endAt(sheet, "measure", {}, fault(sheet, "glass-end", "nick")))[0]);
    expect(end(all)).toBe(8600);
  });
  it("glass that breaks in the bend screen is cut off and all is laid off anew behind it, by the answer's own rule", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const broke = { judgement: "glass-sound", answer: "broke" };
    const [advice] = adviceFor(sheet, endAt(sheet, "bend", {}, { kind: "answer", ...broke }), broke);
    const found = mended(advice);
    const cuts = found.least.moves.filter(({ how }) => how === "cut");
    expect(cuts.map(({ feature, further }) => [feature, further])).toEqual([
      ["cable-end", 36_000],
      ["buffer-edge", 35_000],
    ]);
    expect(found.rule?.rule.id).toBe("strip");
  });
  it("no attempt left: it says which rule is used up", () => {
    const sheet = sheetFor("stub-cam-crimp-900");
    const [first] = adviceFor(sheet, endAt(sheet, "measure", { "glass-end": 1300 }));
    const { rule } = mended(first);
    const state = {
      ...endAt(sheet, "measure", { "glass-end": 1300 }),
      redone: { strip: rule?.rule.most ?? 0 },
    };
    expect(said(adviceFor(sheet, state)[0])).toBe("start over: no strip left");
  });
  it("readings that contradict one another are read again before anything is cut", () => {
    const sheet = sheetFor("adhesive-accelerator-single-mode");
    const state = endAt(sheet, "measure", {});
    const muddled = {
      ...state,
      readings: state.readings.map((one) =>
        one.check === "buffer-out" ? { ...one, value: (one.value + 3000) as typeof one.value } : one,
      ),
    };
    expect(said(adviceFor(sheet, muddled)[0])).toBe("read jacket, buffer, buffer-out again");
  });
  it("two readings of one length that cannot be of the same place are told, not averaged", () => {
    const sheet = sheetFor("funnel-holder-900");
    const state = endAt(sheet, "measure", { "glass-end": 2000 });
    const [read] = state.readings;
    if (!read) throw new Error("the cleave was read");
    const twice = { ...state, readings: [read, { ...read, value: (read.value + 900) as typeof read.value }] };
    expect(said(adviceFor(sheet, twice)[0])).toBe("read cleave again");
  });
  it("each leg of a duplex cord is mended by itself", () => {
    const sheet = sheetFor("stub-two-fibre");
    const state = endAt(sheet, "measure", { "glass-end": -1300 });
    expect(adviceFor(sheet, state).map(({ leg }) => leg)).toEqual([sheet.cable.legs[0]]);
  });
});
