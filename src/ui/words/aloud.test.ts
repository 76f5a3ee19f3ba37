import { describe, expect, it } from "vitest";
import { compileRunSheet, type Line, misfits } from "@/core";
import { shippedLibrary } from "@/store/shipped";
import { stepAloud } from "./aloud";

const { cables, procedures, tools } = shippedLibrary();

function sheetOf(style: string, cable: string) {
  const procedure = procedures.find(({ id }) => id === style);
  const on = cables.find(({ id }) => id === cable);
  if (!procedure || !on) throw new Error(`${style} and ${cable} are shipped`);
  const core = on.cores.find((one) => misfits(procedure, on, one).length === 0) ?? "";
  return compileRunSheet({ procedure, cable: on, core, choices: {}, tools });
}
const cord = sheetOf("stub-wedge-release-cord", "simplex-3.0");
const said = (step: string, units: "mm" | "in" | "both" = "mm") =>
  stepAloud(cord, cord.lines.find((line) => line.step.id === step) as Line, units);

describe("a step read aloud", () => {
  it("says the figure, its datum, its tolerance in words, and the slip to avoid", () => {
    expect(said("second-mark")).toMatch(
      /48\.5 millimetres from the cable end\. plus or minus 1\.0 11\.5 further on than the buffer edge at 37\.0, not at 11\.5\./,
    );
  });
  it("says inches when inches are in use", () => {
    expect(said("second-mark", "in")).toContain("1 29/32 inches from the cable end");
  });
  it("says each length to be measured between its two places", () => {
    expect(said("measure")).toContain("Measure cleave length: from the cleaved end to the buffer edge.");
  });
  it("says which way round each part goes", () => {
    expect(said("thread")).toMatch(/3 millimetres boot, Narrow end on first\./);
  });
  it("of every shipped step leaves no sign that a voice would stumble on", () => {
    for (const procedure of procedures) {
      const cable = cables.find((one) => misfits(procedure, one).length === 0);
      const sheet = sheetOf(procedure.id, cable?.id ?? "");
      for (const line of sheet.lines) {
        const text = stepAloud(sheet, line, "both");
        expect(text.length).toBeGreaterThan(3);
        expect(text).not.toMatch(/[±−″µ°“”]|\bmm\b|undefined|null|NaN/);
      }
    }
  });
});
