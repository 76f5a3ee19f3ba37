import { describe, expect, it } from "vitest";
import { z } from "zod";
import distribution from "../../../library/cables/distribution-900.json";
import duplex from "../../../library/cables/duplex-3.0.json";
import simplex from "../../../library/cables/simplex-3.0.json";
import adhesive from "../../../library/procedures/adhesive-polish-duplex.json";
import wedge from "../../../library/procedures/stub-wedge-release-cord.json";
import tools from "../../../library/tools.json";
import { zCable } from "../cable/cable";
import { check } from "../problem/check";
import { styleOf } from "../procedure/fit";
import { zProcedure } from "../procedure/procedure";
import { zTool } from "../procedure/tool";
import { resolveSheet } from "./selection";

const procedures = [wedge, adhesive].map((item) => check(zProcedure, item));
const shelf = {
  styles: procedures.map(styleOf),
  cables: [simplex, duplex, distribution].map((item) => check(zCable, item)),
  procedures,
  tools: check(z.array(zTool), tools),
};
/** Picks as an address writes them. */
const picks = (query: string) => {
  const { cable = null, style = null, core = null, ...rest } = Object.fromEntries(new URLSearchParams(query));
  const choices = Object.fromEntries(Object.entries(rest).map(([key, option]) => [key.slice(3), option]));
  return { cable, style, core, choices };
};
const pick = (query: string) => resolveSheet(shelf, picks(query));

describe("what a selection comes to", () => {
  it("a sheet, with the first glass that goes and the default of each choice", () => {
    const selection = pick("cable=duplex-3.0&style=adhesive-polish-duplex");
    expect(selection).toMatchObject({ kind: "sheet", core: "50/125", choices: { interface: "sc" } });
  });
  it("an unknown name is told, not guessed", () => {
    expect(pick("cable=simplex-9")).toMatchObject({
      kind: "unknown",
      message: /no cable called “simplex-9”/,
    });
    expect(pick("cable=simplex-3.0&style=magic")).toMatchObject({ kind: "unknown", message: /“magic”/ });
    expect(pick("cable=simplex-3.0&style=stub-wedge-release-cord&as.interface=xx")).toMatchObject({
      kind: "refused",
      message: /“xx” is not one of/,
    });
  });
  it("a pair that does not go says why", () => {
    const selection = pick("cable=distribution-900&style=stub-wedge-release-cord");
    expect(selection.kind === "misfit" && selection.reasons.map(({ about }) => about)).toEqual([
      "construction",
      "jacket",
    ]);
  });
  it("a core the style is not made for says why", () => {
    const selection = pick("cable=duplex-3.0&style=adhesive-polish-duplex&core=9/125");
    expect(selection.kind === "misfit" && selection.reasons.map(({ about }) => about)).toEqual(["core"]);
  });
});

describe("a procedure not read yet", () => {
  const unread = { ...shelf, procedures: [] };
  const at = (query: string) => resolveSheet(unread, picks(query));
  it("is asked for, once cable and style go together", () => {
    expect(at("cable=simplex-3.0&style=stub-wedge-release-cord")).toEqual({
      kind: "fetching",
      style: "stub-wedge-release-cord",
    });
  });
  it("is not needed to say that the two do not", () => {
    expect(at("cable=duplex-3.0&style=stub-wedge-release-cord").kind).toBe("misfit");
  });
});

describe("a person's schools", () => {
  const of = (query: string) => resolveSheet(shelf, picks(query), { wipes: "three", nonsense: "x" });
  it("hold where nothing else was picked, and give way where it was", () => {
    const query = "cable=simplex-3.0&style=stub-wedge-release-cord";
    expect(of(query)).toMatchObject({ choices: { wipes: "three" } });
    expect(of(`${query}&as.wipes=two`)).toMatchObject({ choices: { wipes: "two" } });
  });
});
