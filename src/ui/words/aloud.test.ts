import { describe, expect, it } from "vitest";
import { z } from "zod";
import { check, compileRunSheet, type Line, zCable, zProcedure, zTool } from "@/core";
import simplex from "../../../library/cables/simplex-3.0.json";
import wedge from "../../../library/procedures/stub-wedge-release-cord.json";
import toolList from "../../../library/tools.json";
import { stepAloud } from "./aloud";

const cord = compileRunSheet({
  procedure: check(zProcedure, wedge),
  cable: check(zCable, simplex),
  core: "9/125",
  choices: {},
  tools: check(z.array(zTool), toolList),
});
const said = (step: string, units: "mm" | "in" | "both" = "mm") =>
  stepAloud(cord, cord.lines.find((line) => line.step.id === step) as Line, units);

describe("a step read aloud", () => {
  it("says the figure, its datum, its tolerance in words, and the slip to avoid", () => {
    expect(said("second-mark")).toMatch(
      /48\.5 millimetres from the cable end\. plus or minus 0\.45 11\.5 further on than the buffer edge at 37\.0, not at 11\.5\./,
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
});
