import { describe, expect, it } from "vitest";
import type { ProcedureDocument } from "../procedure/procedure";
import { compile, cord, procedureOf } from "./fixtures/made";
import { figureKey, isRepresentative } from "./stated";

type Step = ProcedureDocument["steps"][number];
const school = (id: string, ...options: string[]) => ({
  id,
  name: id,
  school: true,
  options: options.map((option) => ({ id: option, name: option, why: "one of them" })),
  default: options[0] as string,
});

describe("what a school, a cable or a choice changes in a step", () => {
  const wipe: Step = {
    id: "wipe",
    kind: "clean",
    title: "Wipe",
    how: "Twice.",
    count: { min: 2, max: 2, of: "wipes" },
    cases: [
      {
        when: { choice: { wipes: ["three"] } },
        how: "Three times.",
        count: { min: 3, max: 3, of: "wipes" },
      },
      { when: { layer: { kind: "jacket", diameter: { min: 1.5, max: 2.5 } } }, title: "Wipe the thin one" },
    ],
  };
  const procedure = procedureOf([["jacket", "end", "jacket", 30, 1, 1]], {
    steps: [wipe],
    changes: { choices: [school("wipes", "two", "three")] },
  });
  const thin = cord({ layers: [{ kind: "jacket", name: "jacket", diameter: 2, hue: "yellow" }] });
  const step = (choices: Record<string, string>, cable = cord()) =>
    compile(procedure, { choices, cable }).lines.find((line) => line.step.id === "wipe")?.step;
  it("by default nothing", () => {
    expect(step({})).toMatchObject({ title: "Wipe", how: "Twice.", count: { min: 2 } });
  });
  it("only what it says; the rest stays", () => {
    expect(step({ wipes: "three" })).toMatchObject({ title: "Wipe", how: "Three times.", count: { min: 3 } });
  });
  it("the first that holds, and no other", () => {
    expect(step({}, thin)).toMatchObject({ title: "Wipe the thin one", count: { min: 2 } });
    expect(step({ wipes: "three" }, thin)).toMatchObject({ title: "Wipe", count: { min: 3 } });
  });
});

describe("whose a figure is", () => {
  const own = { kind: "own" as const, note: "", date: "2026-11-25" };
  const of = (changes: object) => procedureOf([["jacket", "end", "jacket", 30, 1, 1]], { changes });
  it("a representative procedure's are nobody's yet; one's own are one's own", () => {
    expect(isRepresentative(of({ source: { ...own, kind: "representative" } }), "jacket")).toBe(true);
    expect(isRepresentative(of({ source: own }), "jacket")).toBe(false);
  });
  it("where a list says what was confirmed, the rest is not", () => {
    const some = of({ source: own, confirmed: ["jacket"] });
    expect(["jacket", "buffer", figureKey("jacket", 0)].map((key) => isRepresentative(some, key))).toEqual([
      false,
      true,
      true,
    ]);
  });
  it("is told on the sheet, its figures and its checks", () => {
    const sheet = compile(
      procedureOf(
        [
          ["jacket", "end", "jacket", 30, 1, 1],
          ["buffer", "end", "buffer", 12, 1, 1],
        ],
        {
          steps: [{ id: "m", kind: "measure", title: "m", checks: ["jacket", "buffer"] }],
          changes: { confirmed: ["buffer"] },
        },
      ),
    );
    expect(sheet.procedure.representative).toBe(true);
    expect(sheet.checks.map(({ dimension, representative }) => [dimension, representative])).toEqual([
      ["jacket", true],
      ["buffer", false],
    ]);
  });
});

describe("parts at their gates", () => {
  const part = (id: string) => ({ id, name: id, way: "", shape: "boot" as const, ifForgotten: "" });
  const procedure = procedureOf([["jacket", "end", "jacket", 30, 1, 1]], {
    before: [{ id: "first", kind: "thread", title: "first" }],
    steps: [{ id: "later", kind: "thread", title: "later", parts: ["tube"] }],
    changes: { parts: [part("boot"), part("tube"), part("ring")] },
  });
  it("a gate that names its parts takes those; one that names none takes the rest, in their order", () => {
    const gates = compile(procedure).lines.filter(({ step }) => step.kind === "thread");
    expect(gates.map(({ parts }) => parts.map(({ id }) => id))).toEqual([["boot", "ring"], ["tube"]]);
  });
});
