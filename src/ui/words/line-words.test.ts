import { describe, expect, it } from "vitest";
import { z } from "zod";
import { check, compileRunSheet, type Line, zCable, zProcedure, zTool } from "@/core";
import duplex from "../../../library/cables/duplex-3.0.json";
import simplex from "../../../library/cables/simplex-3.0.json";
import adhesive from "../../../library/procedures/adhesive-polish-duplex.json";
import wedge from "../../../library/procedures/stub-wedge-release-cord.json";
import toolList from "../../../library/tools.json";
import { historyLine } from "../ledger/history";
import { benchNotes, biteWords, figureWords, settingText, stepNotes } from "./line-words";

const tools = check(z.array(zTool), toolList);
const cord = compileRunSheet({
  procedure: check(zProcedure, wedge),
  cable: check(zCable, simplex),
  core: "9/125",
  choices: {},
  tools,
});
const pair = compileRunSheet({
  procedure: check(zProcedure, adhesive),
  cable: check(zCable, duplex),
  core: "50/125",
  choices: {},
  tools,
});
const line = (sheet: typeof cord, step: string) => sheet.lines.find((line) => line.step.id === step) as Line;

describe("a figure in words", () => {
  it("a second mark is worked to from the end, says how far further on, and warns of the slip", () => {
    expect(figureWords(cord, line(cord, "second-mark"), "mm")).toMatchObject({
      shown: { main: "48.5" },
      datum: "cable end",
      also: ["11.5 further on than the buffer edge at 37.0, not “at 11.5”"],
      tolerance: "±0.45",
    });
  });
  it("a cleave is worked to from the buffer edge, since it takes the end away", () => {
    const words = figureWords(cord, line(cord, "cleave"), "mm");
    expect(words).toMatchObject({ shown: { main: "9.5" }, datum: "buffer edge" });
    expect(words?.also[0]).toBe("27.5 from the cable end as it was");
  });
  it("a mark nearer the end says before, not further on", () => {
    expect(figureWords(pair, line(pair, "mark-yarn"), "mm")?.also).toEqual([
      "8.5 before the jacket edge at 46.0",
    ]);
  });
  it("a step without a figure has no words", () => {
    expect(figureWords(cord, line(cord, "fold"), "mm")).toBeNull();
  });
});

describe("how a layer comes off", () => {
  it("in short bites, in pieces, or in one pass", () => {
    expect(biteWords(line(cord, "strip-buffer"), "mm")).toBe("6 bites of 6.2");
    expect(biteWords(line(pair, "strip-buffer"), "mm")).toBe("2 to 3 pieces, at most 10.3 each");
    expect(biteWords(line(cord, "strip-coating"), "mm")).toBe("one pass");
    expect(biteWords(line(cord, "fold"), "mm")).toBeNull();
  });
  it("with counts, times and settings beside", () => {
    expect(stepNotes(line(cord, "clean"), "mm")).toEqual(["2 wipes", "99 % alcohol"]);
    expect(stepNotes(line(pair, "cure"), "mm")).toEqual(["50 to 90 seconds"]);
    expect(stepNotes(line(pair, "polish-air"), "mm")).toEqual(["14 to 18 figure eights", "6 µm film"]);
  });
});

describe("a setting in words", () => {
  it.each([
    [{ kind: "hole", diameter: 250 }, "hole 0.25 mm"],
    [{ kind: "die", across: 4_100, shape: "hexagon" }, "die 4.1 mm, hexagon"],
    [{ kind: "depth", depth: 400 }, "blade 0.4 mm deep"],
    [{ kind: "film", grain: 0.5 }, "0.5 µm film"],
    [{ kind: "program", name: "900 buffer", celsius: 95 }, "900 buffer, 95 °C"],
    [{ kind: "program", name: "long" }, "long"],
    [{ kind: "pull", newtons: 1.6 }, "1.6 N"],
    [{ kind: "words", words: "99 % alcohol" }, "99 % alcohol"],
  ] as const)("%j", (setting, words) => {
    expect(settingText(setting as never, "mm")).toBe(words);
  });
  it("a size says inches in decimals, as dies and strippers are stamped, never as a fraction it is not", () => {
    const said = (setting: object, units: "both" | "in") => settingText(setting as never, units);
    expect(said({ kind: "hole", diameter: 900 }, "both")).toBe("hole 0.9 mm (0.035 in)");
    expect(said({ kind: "die", across: 4_100, shape: "round" }, "in")).toBe("die 0.161 in, round");
  });
  it("a pull says pounds-force too where inches are in use", () => {
    expect(settingText({ kind: "pull", newtons: 1.6 }, "both")).toBe("1.6 N (0.4 lbf)");
  });
  it("at the bench, what is counted, timed or drawn is not said again", () => {
    expect(benchNotes(line(pair, "cure"), "mm")).toEqual([]);
    expect(benchNotes(line(cord, "clean"), "mm")).toContain("99 % alcohol");
  });
});

describe("an end's history in words", () => {
  const instrument = { id: "rule", name: "Steel rule", resolution: 500, repeatability: 150 };
  const reading = {
    id: "r",
    seq: 1,
    at: "",
    client: "",
    event: { kind: "reading", check: "yarn/B", value: 8_500, typed: "8.5", unit: "mm", instrument },
  } as never;
  const said = (event: object) =>
    historyLine(pair, [reading], { id: "x", seq: 2, at: "", client: "", event } as never);
  it.each([
    [{ kind: "thread", part: "clip", on: true }, "A/B clip on"],
    [{ kind: "thread", part: "clip", on: false }, "A/B clip taken off"],
    [{ kind: "step", to: 2 }, "To step 3: Mark the split"],
    [{ kind: "strike", reading: "r" }, "Struck out the reading 8.5"],
    [
      { kind: "answer", judgement: "end-face", answer: "clean" },
      "Saw: Smooth, round, no scratch over the core",
    ],
    [{ kind: "label", job: "Row D", label: "" }, "Named Row D"],
    [
      { kind: "retry", rule: "repolish", judgement: "end-face", answer: "scratched", to: 2, voids: {} },
      "Back to step 3, Mark the split: polish again",
    ],
    [{ kind: "shards", made: 2, binned: 0 }, "2 shards off"],
    [{ kind: "shards", made: 0, binned: 1 }, "1 shard in the bin"],
    [{ kind: "shards", made: -1, binned: -1 }, "1 shard taken back, 1 shard out of the bin again"],
    [{ kind: "use", step: "cap", tool: null, items: [{ item: "dust cap", count: 2 }] }, "Used 2 × dust cap"],
    [{ kind: "timer", step: "cure", action: "start", seconds: 50 }, "Cure: 50 seconds begun"],
    [{ kind: "timer", step: "cure", action: "stop", seconds: 50 }, "Cure: ended"],
    [
      { kind: "sign", name: "Ada", outcome: "kept", missingShards: "under the bench" },
      "Signed off by Ada; shards missing: under the bench",
    ],
    [{ kind: "sign", name: "Ada", outcome: "cut-off" }, "Signed off by Ada, cut off"],
  ])("%j", (event, words) => {
    expect(said(event)).toBe(words);
  });
  it("a reading with its instrument, length and leg", () => {
    expect(historyLine(pair, [], reading)).toBe("Read 8.5 (steel rule): yarn beyond the jacket, leg B");
  });
});
