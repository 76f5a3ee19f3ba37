import { describe, expect, it } from "vitest";
import type { Procedure } from "../procedure/procedure";
import { cord, procedureOf, tools } from "../runsheet/fixtures/made";
import { resolved } from "../runsheet/resolved";
import { placementOf } from "./placements";
import { toolingAdvice } from "./tooling";

type Steps = NonNullable<NonNullable<Parameters<typeof procedureOf>[1]>["steps"]>;

/** A cord stripped to 36 with a hole, ring-cut to a depth, cleaved so long; the mark read before or after it moves. */
function advised({ hole = 0.3, depth = 0.3, cleave = 9, moved = "before" as "before" | "after" } = {}) {
  const measure: Steps[number] = { id: "measure", kind: "measure", title: "Measure", checks: ["out"] };
  const taut: Steps[number] = { id: "taut", kind: "dress", title: "Draw it taut", moves: ["jacket"] };
  const steps: Steps = [
    {
      id: "jacket-off",
      kind: "remove",
      title: "Jacket off",
      layers: ["jacket"],
      to: "jacket",
      tool: "cutter",
      setting: { kind: "depth", depth },
    },
    {
      id: "strip",
      kind: "remove",
      title: "Strip",
      layers: ["buffer"],
      to: "buffer",
      tool: "cutter",
      setting: { kind: "hole", diameter: hole },
    },
    {
      id: "cleave",
      kind: "cleave",
      title: "Cleave",
      makes: "glass",
      by: "cleave",
      tool: "cleaver",
      replaces: "end",
    },
    ...(moved === "before" ? [taut, measure] : [measure, taut]),
  ];
  const procedure: Procedure = procedureOf(
    [
      ["jacket", "end", "jacket", 60, 1, 1],
      ["strip", "end", "buffer", 20, 1, 1],
    ],
    {
      steps,
      changes: {
        features: [
          { id: "end", name: "end", kind: "end" },
          { id: "jacket", name: "jacket edge", kind: "edge", ends: ["jacket"] },
          { id: "buffer", name: "buffer edge", kind: "edge", ends: ["buffer"] },
          { id: "glass", name: "cleaved end", kind: "end", ends: ["glass"] },
        ],
        dimensions: [
          {
            id: "jacket",
            name: "jacket strip",
            from: "end",
            to: "jacket",
            nominal: 60,
            plus: 1,
            minus: 1,
            after: "jacket-off",
          },
          {
            id: "strip",
            name: "strip",
            from: "end",
            to: "buffer",
            nominal: 20,
            plus: 1,
            minus: 1,
            after: "strip",
          },
          {
            id: "out",
            name: "buffer beyond the jacket",
            from: "buffer",
            to: "jacket",
            nominal: 40,
            plus: 2,
            minus: 2,
            after: "strip",
          },
          {
            id: "cleave",
            name: "cleave",
            from: "glass",
            to: "buffer",
            nominal: cleave,
            plus: 0.4,
            minus: 0.4,
            after: "cleave",
          },
        ],
      },
    },
  );
  const placement = placementOf(resolved(procedure, cord(), { core: "9/125", choices: {} }), tools);
  if (!placement) throw new Error("it can be laid out");
  return toolingAdvice(placement, tools).map(({ id, message }) => `${id}: ${message}`);
}

describe("what a careful colleague asks of tools", () => {
  it("nothing where hole, depth, glass and order are right", () => {
    expect(advised()).toEqual([]);
  });
  it("a hole no wider than what stays would cut it; one as wide as what goes cuts nothing", () => {
    expect(advised({ hole: 0.25 })).toEqual([
      expect.stringMatching(/^strip: A hole of 0.25 would cut the coating/),
    ]);
    expect(advised({ hole: 0.251 })).toEqual([]);
    expect(advised({ hole: 0.9 })).toEqual([expect.stringMatching(/does not cut the buffer of 0.9/)]);
  });
  it("a blade as deep as the wall goes through: half of 3.0 less 2.0", () => {
    expect(advised({ depth: 0.499 })).toEqual([]);
    expect(advised({ depth: 0.5 })).toEqual([
      expect.stringMatching(/^jacket-off: A blade 0.5 deep goes through/),
    ]);
  });
  it("the first cleave needs as much glass beyond the blade as the cleaver holds", () => {
    expect(advised({ cleave: 12 })).toEqual([]);
    expect(advised({ cleave: 12.001 })).toEqual([
      expect.stringMatching(/^cleave: The cleaver must hold 8.0 of bare glass.*leaves 7.999/),
    ]);
  });
  it("a length read only before something moves it says nothing of the finished work", () => {
    expect(advised({ moved: "after" })).toEqual([
      expect.stringMatching(/^out: “buffer beyond the jacket” is read before “Draw it taut” moves it/),
    ]);
  });
});
