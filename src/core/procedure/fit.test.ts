import { describe, expect, it } from "vitest";
import { mm } from "../length/length";
import { cord, procedureOf } from "../runsheet/fixtures/made";
import { cablesFor, misfits, proceduresFor } from "./fit";
import { type Procedure, zProcedure } from "./procedure";

const procedure = (changes: Partial<Procedure["appliesTo"]> = {}): Procedure => {
  const plain = procedureOf([["jacket", "end", "jacket", 64, 1, 1]]);
  return { ...plain, appliesTo: { ...plain.appliesTo, ...changes } };
};
const abouts = (item: Procedure, cable = cord(), core?: string) =>
  misfits(item, cable, core).map(({ about }) => about);

describe("whether a cable and a procedure go together", () => {
  it("they do when every clause holds", () => {
    expect(abouts(procedure({ jacket: { min: mm(3), max: mm(3) }, grips: ["tight"], legs: 1 }))).toEqual([]);
  });
  it.each([
    ["construction", { constructions: ["duplex-cord" as const] }],
    ["jacket", { jacket: { min: mm(1.9), max: mm(2.2) } }],
    ["buffer", { buffer: { min: mm(0.2), max: mm(0.3) } }],
    ["grip", { grips: ["semi-tight" as const] }],
    ["coating", { coating: { min: mm(0.19), max: mm(0.21) } }],
    ["fibres", { fibres: { min: 4, max: 12 } }],
    ["legs", { legs: 2 }],
    ["core", { cores: ["50/125" as const] }],
  ])("a wrong %s is named, and it alone", (about, changes) => {
    expect(abouts(procedure(changes))).toEqual([about]);
  });
  it("a cable without the layer asked for says so", () => {
    const bare = cord({ layers: [{ kind: "coating", name: "coating", diameter: 0.25, hue: "clear" }] });
    expect(misfits(procedure({ buffer: { min: mm(0.9), max: mm(0.9) } }), bare)[0]?.message).toContain(
      "this cable has none",
    );
  });
  it("the glass in hand decides, not the glasses the cable may come with", () => {
    const both = cord({ cores: ["9/125", "50/125"] });
    expect(abouts(procedure({ cores: ["50/125"] }), both)).toEqual([]);
    expect(abouts(procedure({ cores: ["50/125"] }), both, "9/125")).toEqual(["core"]);
  });
  it("copper and glass are told apart by what they are, not by core size", () => {
    const copper = cord({ cores: ["copper"] });
    expect(misfits(procedure(), copper)[0]?.message).toBe(
      "It is made for 9/125 or 50/125 glass; this cable holds copper conductors.",
    );
  });
  it("what would fit is found both ways", () => {
    const fits = procedure();
    const not = { ...procedure({ legs: 2 }), id: "other" };
    expect(proceduresFor([fits, not], cord())).toEqual([fits]);
    expect(cablesFor([cord(), cord({ legs: ["A", "B"] })], not).map(({ legs }) => legs.length)).toEqual([2]);
  });
});

describe("a procedure document is refused", () => {
  const document = () => JSON.parse(JSON.stringify(draft)) as typeof draft;
  const draft = {
    id: "p",
    revision: 1,
    source: { kind: "own", note: "", date: "2026-11-24" },
    name: "P",
    family: "p",
    about: "",
    appliesTo: { constructions: ["simplex-cord"], cores: ["9/125"] },
    startsAt: "jacket",
    parts: [{ id: "boot", name: "boot", way: "", shape: "boot", ifForgotten: "" }],
    features: [
      { id: "end", name: "end", kind: "end" },
      { id: "edge", name: "edge", kind: "edge" },
    ],
    dimensions: [{ id: "d", name: "d", from: "end", to: "edge", nominal: 10, plus: 1, minus: 1, after: "s" }],
    steps: [
      { id: "s", title: "s", kind: "mark", makes: "edge", by: "d", tool: "pen" } as Record<string, unknown>,
    ],
    squareUp: 1,
    retries: { most: 1, rule: "" },
  };
  const codes = (change: (item: ReturnType<typeof document>) => void) => {
    const first = document();
    change(first);
    const result = zProcedure.safeParse(first);
    return result.success
      ? []
      : result.error.issues.map((issue) => (issue.code === "custom" ? issue.params?.code : issue.code));
  };
  it("as made here it is whole", () => expect(codes(() => {})).toEqual([]));
  it.each<[string, (item: ReturnType<typeof document>) => void]>([
    [
      "too-long",
      (item) => {
        (item.dimensions[0] as { nominal: number }).nominal = 40_000;
      },
    ],
    [
      "unknown-feature",
      (item) => {
        (item.dimensions[0] as { to: string }).to = "nowhere";
      },
    ],
    [
      "unknown-step",
      (item) => {
        (item.dimensions[0] as { after: string }).after = "never";
      },
    ],
    [
      "wrong-dimension",
      (item) => {
        (item.steps[0] as { by: string }).by = "nothing";
      },
    ],
    [
      "no-mark",
      (item) => {
        item.steps[0] = { id: "s", title: "s", kind: "trim", makes: "edge", tool: "pen" };
      },
    ],
    [
      "unmade",
      (item) => {
        item.features.push({ id: "lost", name: "lost", kind: "edge" });
      },
    ],
    [
      "duplicate",
      (item) => {
        item.parts.push(item.parts[0] as (typeof item.parts)[0]);
      },
    ],
    [
      "unknown-dimension",
      (item) => {
        item.steps.push({ id: "m", title: "m", kind: "measure", checks: ["x"] });
      },
    ],
  ])("as %s", (code, change) => {
    expect(codes(change)).toContain(code);
  });
});
