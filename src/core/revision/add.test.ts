import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { zProcedure } from "../procedure/procedure";
import { judgementOf } from "../procedure/step";
import { nestingOf } from "../review/nesting";
import { placementOf } from "../review/placements";
import { at, compile, cord, tools } from "../runsheet/fixtures/made";
import { resolved } from "../runsheet/resolved";
import { withLength, withLook } from "./add";
import { draftFromLengths } from "./draft";
import { kit } from "./fixtures/kit";

const row = (name: string, datum: string, value: string) => ({
  name,
  datum,
  value,
  unit: "mm",
  plus: "0.5",
  minus: "0.5",
});
const drafted = draftFromLengths(
  [row("Jacket", "end", "68"), row("Buffer", "end", "42"), row("Cleave", "buffer", "8.5")],
  {
    id: "hut-stub",
    name: "Hut stub",
    date: "2026-11-26",
    appliesTo: { constructions: ["simplex-cord"], cores: ["9/125"] },
    startsAt: "jacket",
  },
  kit,
);
if (!drafted.ok) throw new Error(drafted.problem.message);
const document = drafted.value;
const known = ["rule-and-pen", "ring-cutter", "shears", "buffer-stripper", "bench-cleaver"].map((id) => ({
  ...tools[0],
  id,
  name: id,
})) as typeof tools;

describe("a length put into a procedure", () => {
  it("is drawn before the glass is bared, and read where lengths are measured", () => {
    const next = withLength(
      document,
      {
        name: "Second mark",
        from: "buffer-at",
        nominal: um(12_000),
        plus: um(500),
        minus: um(400),
        makes: "mark",
        tool: "",
      },
      kit,
    );
    const sheet = compile(zProcedure.parse(next), { tools: known });
    expect(at(sheet, "second-mark-at")).toBe(54);
    expect(sheet.checks.find(({ dimension }) => dimension === "second-mark")).toMatchObject({
      min: 11_600,
      max: 12_500,
    });
    const line = (id: string) => sheet.lines.findIndex(({ step }) => step.id === id);
    expect(line("mark-second-mark")).toBeGreaterThan(line("mark-buffer"));
    expect(line("mark-second-mark")).toBeLessThan(line("make-buffer"));
  });
  it("of a layer is marked, then taken off by its tool; a name that is there already gets its own id", () => {
    const next = withLength(
      document,
      {
        name: "Jacket",
        from: "cable-end",
        nominal: um(80_000),
        plus: null,
        minus: null,
        makes: "yarn",
        tool: "shears",
      },
      kit,
    );
    const whole = zProcedure.parse(next);
    expect(whole.dimensions.map(({ id }) => id)).toContain("jacket-2");
    expect(whole.steps.find(({ id }) => id === "make-jacket-2")).toMatchObject({
      kind: "remove",
      layers: ["yarn"],
      tool: "shears",
    });
    expect(at(compile(whole, { tools: known }), "jacket-2-at")).toBe(80);
  });
});

describe("a look put into a procedure", () => {
  const look = {
    title: "Is the yarn clear?",
    asks: "Is any strand in the way?",
    good: "None",
    bad: "One is",
    means: "It would be pulled in.",
    goTo: "make-jacket",
  };
  it("comes after its step, asks, and a bad answer sends back", () => {
    const whole = zProcedure.parse(withLook(document, "make-jacket", look));
    const at = whole.steps.findIndex(({ id }) => id === "is-the-yarn-clear");
    expect(whole.steps[at - 1]?.id).toBe("make-jacket");
    const step = whole.steps[at];
    expect(step && judgementOf(step)?.answers).toMatchObject([
      { sees: "None", good: true },
      { sees: "One is", good: false, goTo: "make-jacket" },
    ]);
  });
  it("twice under one title is two looks", () => {
    const twice = withLook(withLook(document, "make-jacket", look), "make-jacket", { ...look, goTo: "" });
    const ids = zProcedure.parse(twice).steps.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
  });
});

describe("an edge in front of one it must lie behind", () => {
  const placed = (jacket: string, buffer: string) => {
    const made = draftFromLengths(
      [row("Jacket", "end", jacket), row("Buffer", "end", buffer)],
      {
        id: "x",
        name: "x",
        date: "2026-11-26",
        appliesTo: { constructions: ["simplex-cord"], cores: ["9/125"] },
        startsAt: "jacket",
      },
      kit,
    );
    if (!made.ok) throw new Error(made.problem.message);
    const one = placementOf(
      resolved(zProcedure.parse(made.value), cord(), { core: "9/125", choices: {} }),
      known,
    );
    return one ? nestingOf(one).map(({ message, ids }) => [message, ids]) : null;
  };
  it("is told with both, and by how much", () => {
    expect(placed("38", "62")).toEqual([
      [
        expect.stringMatching(
          /Buffer edge lies 24 mm behind the Jacket edge: the .* cannot end further back/,
        ),
        ["buffer", "jacket"],
      ],
    ]);
    expect(placed("62", "38")).toEqual([]);
    expect(placed("62", "62"), "both at one place is a flush cut").toEqual([]);
  });
});
