import { describe, expect, it } from "vitest";
import { mustAccept } from "../accept/accept";
import { adviceFor, andThen, GUARDED, said, stateAfter } from "./fixtures/ends";
import { stub as sheet } from "./fixtures/stub";
import { isGlassAtRisk, MISHAPS, mishapEvents } from "./mishaps";
import { reworkEvent } from "./take";

const at = (step: string) => sheet.lines.findIndex((line) => line.step.id === step);
const standing = (step: string) => stateAfter({ kind: "step", to: at(step) });

describe("a mishap", () => {
  it("can befall the glass from the first strip on", () => {
    expect(["mark-buffer", "second"].map((step) => isGlassAtRisk(sheet, standing(step)))).toEqual([
      false,
      false,
    ]);
    expect(["strip", "bend", "measure"].every((step) => isGlassAtRisk(sheet, standing(step)))).toBe(true);
  });
  it.each(MISHAPS)("“%s” is taken by the record at every step from there, as one act", (fault) => {
    for (const { step } of sheet.lines.slice(at("bend"))) {
      const before = standing(step.id);
      const events = mishapEvents(sheet, before, fault, "");
      expect(events.length, step.id).toBeGreaterThan(0);
      for (const event of events) mustAccept(sheet, before, event, GUARDED);
      expect(andThen(before, ...events).acts.at(-1)?.before.faults).toEqual([]);
    }
  });
  it("of broken glass has a shard, and sends behind all that is bare", () => {
    const broke = andThen(standing("bend"), ...mishapEvents(sheet, standing("bend"), "broken", ""));
    expect(broke.shards).toEqual({ made: 1, binned: 0 });
    expect(said(adviceFor(sheet, broke)[0], "recommended")).toMatch(/^cut end \+36/);
  });
  it("of dirt is wiped and looked at again before the cleave, at no cable; after it the end is cleaved anew", () => {
    const dirty = (step: string) => {
      const before = standing(step);
      return adviceFor(sheet, andThen(before, ...mishapEvents(sheet, before, "dirty", "")))[0];
    };
    const before = dirty("cleave");
    if (before?.kind !== "rework") throw new Error("it is wiped");
    const { steps, cableLost, trim } = reworkEvent(before, "recommended");
    expect([steps.map((index) => sheet.lines[index]?.step.id), cableLost, trim]).toEqual([
      ["clean", "bend"],
      0,
      0,
    ]);
    expect(said(dirty("measure"))).toContain("cut glass");
  });
  it("of dirt on glass that is still covered asks for nothing", () => {
    expect(mishapEvents(sheet, standing("strip"), "dirty", "")).toEqual([]);
  });
});
