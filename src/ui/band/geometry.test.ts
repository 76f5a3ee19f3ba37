import { describe, expect, it } from "vitest";
import { z } from "zod";
import { check, compileRunSheet, zCable, zProcedure, zTool } from "@/core";
import ribbon from "../../../library/cables/central-tube-ribbon-96.json";
import duplex from "../../../library/cables/duplex-3.0.json";
import simplex from "../../../library/cables/simplex-3.0.json";
import adhesive from "../../../library/procedures/adhesive-polish-duplex.json";
import ribbonOpened from "../../../library/procedures/central-tube-ribbon.json";
import wedge from "../../../library/procedures/stub-wedge-release-cord.json";
import toolList from "../../../library/tools.json";
import { bandGeometry, readingPosition, thickAt } from "./geometry";

const tools = check(z.array(zTool), toolList);
const cord = compileRunSheet({
  procedure: check(zProcedure, wedge),
  cable: check(zCable, simplex),
  core: "9/125",
  choices: {},
  tools,
});
const noLight = compileRunSheet({
  procedure: check(zProcedure, wedge),
  cable: check(zCable, simplex),
  core: "9/125",
  choices: { light: "without" },
  tools,
});
const pair = compileRunSheet({
  procedure: check(zProcedure, adhesive),
  cable: check(zCable, duplex),
  core: "50/125",
  choices: {},
  tools,
});
const lineOf = (sheet: typeof cord, step: string) => sheet.lines.findIndex((line) => line.step.id === step);
const layer = (geometry: ReturnType<typeof bandGeometry>, kind: string) => {
  const layer = geometry.layers.find((drawnLayer) => drawnLayer.layer.kind === kind);
  if (!layer) throw new Error(`no ${kind}`);
  return layer;
};

describe("the end as it stands after a step", () => {
  it("starts whole: nothing stepped back, nothing taken off", () => {
    const geometry = bandGeometry(cord, 0, 1204);
    expect(new Set(geometry.layers.map(({ x0 }) => x0))).toEqual(new Set([geometry.scale.x(0)]));
    expect(geometry.ghosts).toEqual([]);
    expect(geometry.yarn).toBeNull();
  });
  it("shows the jacket back at its edge and its outline where it was", () => {
    const geometry = bandGeometry(cord, lineOf(cord, "jacket-off"), 1204);
    expect(layer(geometry, "jacket").x0).toBeCloseTo(geometry.scale.x(65_000), 6);
    expect(layer(geometry, "buffer").x0).toBe(geometry.scale.x(0));
    expect(geometry.ghosts).toHaveLength(1);
    expect(geometry.yarn).toMatchObject({ folded: false, cutAt: null });
  });
  it("shows the yarn folded once it is laid back, and cut once it is trimmed", () => {
    expect(bandGeometry(cord, lineOf(cord, "fold"), 1204).yarn?.folded).toBe(true);
    const geometry = bandGeometry(pair, pair.lines.length, 1204);
    expect(geometry.yarn?.cutAt).toBeCloseTo(geometry.scale.x(37_500), 6);
  });
  it("ends the glass where it was cleaved", () => {
    const geometry = bandGeometry(cord, cord.lines.length, 1204);
    expect(layer(geometry, "glass").x0).toBeCloseTo(geometry.scale.x(27_500), 6);
    expect(layer(geometry, "coating").x0).toBeCloseTo(geometry.scale.x(37_000), 6);
  });
});

describe("what the eye needs", () => {
  it("says how many times thickness is drawn over length", () => {
    const { thickness, scale, layers } = bandGeometry(cord, 0, 1204);
    expect(thickness.times).toBeCloseTo(thickness.pxPerMm / scale.pxPerMm, 9);
    expect(layers[0]?.thick).toBeCloseTo(3 * thickness.pxPerMm, 6);
  });
  it("asks for the loupe only where two places cannot be told apart", () => {
    expect(bandGeometry(cord, cord.lines.length, 1204).close).toBeNull();
    expect(bandGeometry(noLight, noLight.lines.length, 1204).close).toMatchObject({
      from: { id: "rear-edge" },
      to: { id: "second-mark" },
    });
  });
  it("leaves a part out until it is there", () => {
    const ids = (line: number) => bandGeometry(noLight, line, 1204).features.map(({ id }) => id);
    expect(ids(0)).not.toContain("rear-edge");
    expect(ids(noLight.lines.length)).toContain("rear-edge");
  });
  it("draws a mark as thick as what it is drawn on", () => {
    const geometry = bandGeometry(cord, cord.lines.length, 1204);
    expect(thickAt(geometry, geometry.scale.x(48_500))).toBe(layer(geometry, "buffer").thick);
    expect(thickAt(geometry, geometry.scale.x(228_000))).toBe(layer(geometry, "jacket").thick);
  });
  it("puts a reading where it ends, from the place it is measured from", () => {
    expect(readingPosition(cord, "glass-end", 9_900)).toBe(37_400);
  });
});

describe("what lies beside the core", () => {
  const ribbonSheet = compileRunSheet({
    procedure: check(zProcedure, ribbonOpened),
    cable: check(zCable, ribbon),
    core: "9/125",
    choices: {},
    tools,
  });
  const geometry = bandGeometry(ribbonSheet, 0, 1204);
  it("rigid members lie in the sheath's wall, ripcords closer to the core, rings around it", () => {
    const [sheath, rods, cords, tape] = ["jacket", "rods", "ripcord", "tape"].map((kind) =>
      layer(geometry, kind),
    );
    if (!sheath || !rods || !cords || !tape) throw new Error("the cable has all four");
    expect(rods.beside + rods.thick / 2).toBeLessThan(sheath.thick / 2);
    expect(rods.beside - rods.thick / 2).toBeGreaterThan(tape.thick / 2);
    expect(cords.beside).toBeLessThan(rods.beside);
    expect([sheath.beside, tape.beside]).toEqual([0, 0]);
  });
  it("do not count as thickness where only they stand out", () => {
    const done = bandGeometry(ribbonSheet, ribbonSheet.lines.length, 1204);
    const members = layer(done, "rods");
    const tube = layer(done, "tube");
    expect(members.x0).toBeLessThan(tube.x0);
    expect(thickAt(done, (members.x0 + tube.x0) / 2)).toBe(layer(done, "ribbon").thick);
  });
});
