import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { type ProcedureDocument, zProcedure } from "../procedure/procedure";
import { judgementOf } from "../procedure/step";
import { nestingOf } from "../review/nesting";
import { placementOf } from "../review/placements";
import { review } from "../review/review";
import { at, compile, cord, prepared, tools } from "../runsheet/fixtures/made";
import { resolved } from "../runsheet/resolved";
import { type NewLength, plannedIn, withLength, withLook } from "./add";
import { assembled } from "./assemble";
import { draftFromLengths, type LengthRow } from "./draft";
import { kit } from "./fixtures/kit";
import { featureIdOf } from "./planned-length";

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
const existing = ["rule-and-pen", "ring-cutter", "shears", "buffer-stripper", "bench-cleaver"].map((id) => ({
  ...tools[0],
  id,
  name: id,
})) as typeof tools;

const documentBasis = {
  id: "hut-stub",
  name: "Hut stub",
  date: "2026-11-26",
  appliesTo: { constructions: ["simplex-cord" as const], cores: ["9/125" as const] },
  startsAt: "jacket" as const,
};
const length = (more: Partial<NewLength>): NewLength => ({
  name: "Second mark",
  from: "buffer-at",
  side: "behind",
  nominal: um(12_000),
  plus: um(500),
  minus: um(500),
  makes: "mark",
  tool: null,
  ...more,
});
const shelf = { cables: [cord()], tools: existing };
const faults = (draft: ProcedureDocument) => {
  const { contradictions, problem } = review(draft, shelf, null);
  return contradictions.length + (problem ? 1 : 0);
};
const added = (into: ProcedureDocument, length: NewLength): ProcedureDocument => {
  const next = withLength(into, length, kit, faults);
  if (!next.ok) throw new Error(next.problem.message);
  return next.value;
};
/** The same document, changed by hand: its steps are no longer those of its lengths. */
const edited = {
  ...document,
  steps: document.steps.map((step) => ({ ...step, how: `${step.how} Look twice.` })),
};

describe("a length put into a procedure", () => {
  it("is drawn before the glass is bared, and read where lengths are measured", () => {
    const next = added(document, {
      name: "Second mark",
      from: "buffer-at",
      side: "behind",
      nominal: um(12_000),
      plus: um(500),
      minus: um(400),
      makes: "mark",
      tool: null,
    });
    const sheet = compile(zProcedure.parse(next), { tools: existing });
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
    const next = added(document, {
      name: "Jacket",
      from: "cable-end",
      side: "behind",
      nominal: um(80_000),
      plus: null,
      minus: null,
      makes: "yarn",
      tool: "shears",
    });
    const whole = zProcedure.parse(next);
    expect(whole.dimensions.map(({ id }) => id)).toContain("jacket-2");
    expect(whole.steps.find(({ id }) => id === "make-jacket-2")).toMatchObject({
      kind: "remove",
      layers: ["yarn"],
      tool: "shears",
    });
    expect(at(compile(whole, { tools: existing }), "jacket-2-at")).toBe(80);
  });
});

describe("the same lengths as a list and by fields", () => {
  const NAMES = ["Jacket", "Yarn", "Buffer", "Coating", "Second mark", "Clamp line", "Cleave"];
  const lists = fc
    .tuple(
      fc.shuffledSubarray(NAMES, { minLength: 1 }),
      fc.array(
        fc.tuple(
          fc.nat(6),
          fc.integer({ min: 1, max: 900 }),
          fc.constantFrom("", "behind the ", "in front of the "),
        ),
        {
          minLength: NAMES.length,
          maxLength: NAMES.length,
        },
      ),
    )
    .map(([names, figures]) =>
      names.map((name, i): LengthRow => {
        const [datum = 0, tenths = 1, side = ""] = figures[i] ?? [];
        const before = i === 0 ? "end" : (names[datum % i] ?? "end");
        return row(name, `${side}${datum % 3 === 0 ? "end" : before}`, String(tenths / 10));
      }),
    );
  it("give the same procedure", () => {
    fc.assert(
      fc.property(lists, (rows) => {
        const listed = draftFromLengths(rows, documentBasis, kit);
        if (!listed.ok) throw new Error(listed.problem.message);
        const start = assembled([], documentBasis, kit);
        const planned = plannedIn(listed.value, kit) ?? [];
        expect(planned).toHaveLength(rows.length);
        const byFields = planned.reduce((now, { id, ...length }) => {
          const from = planned.find((other) => other.id === length.from);
          return added(now, { ...length, from: from ? featureIdOf(from) : "cable-end" });
        }, start);
        expect(byFields).toEqual(listed.value);
      }),
      { numRuns: 60 },
    );
  });
  it("said in front of its datum, a length lies in front of it", () => {
    const listed = draftFromLengths(
      [
        row("Jacket", "end", "68"),
        row("Clamp mark", "in front of the jacket", "12"),
        row("Buffer", "behind the end", "42"),
      ],
      documentBasis,
      kit,
    );
    const sheet = listed.ok ? compile(zProcedure.parse(listed.value), { tools: existing }) : null;
    expect(sheet && at(sheet, "clamp-mark-at")).toBe(56);
  });
});

describe("a length put into a procedure somebody has changed", () => {
  const placesOf = ({ steps }: ProcedureDocument) => steps.map(({ id }) => id);
  it("leaves every other step as it was, and can be done where it stands", () => {
    const next = added(edited, length({}));
    expect(placesOf(next).filter((id) => id !== "mark-second-mark")).toEqual(placesOf(edited));
    expect(faults(next)).toBe(0);
    expect(placesOf(next).indexOf("mark-second-mark")).toBeGreaterThan(placesOf(next).indexOf("mark-buffer"));
  });
  it("in front of its datum lies in front of it", () => {
    const next = added(
      edited,
      length({ side: "front", nominal: um(5_000), name: "Clamp mark", from: "jacket-at" }),
    );
    expect(at(compile(zProcedure.parse(next), { tools: existing }), "clamp-mark-at")).toBe(63);
    expect(faults(next)).toBe(0);
  });
  it("as a cleave makes a cleaving step, behind the strip that bares the glass; a second one is refused", () => {
    const uncleaved = {
      ...edited,
      features: edited.features.filter(({ id }) => id !== "glass-end"),
      dimensions: edited.dimensions.filter(({ id }) => id !== "cleave"),
      steps: edited.steps.filter(
        ({ kind, ...step }) => kind !== "cleave" && !("checks" in step && step.checks?.includes("cleave")),
      ),
    };
    const cleave = length({ name: "Cleave", side: "front", nominal: um(8_500), makes: "cleave" });
    const next = added(uncleaved, cleave);
    const kinds = next.steps.map(({ kind }) => kind);
    expect(kinds.indexOf("cleave")).toBeGreaterThan(placesOf(next).indexOf("make-buffer"));
    expect(faults(next)).toBe(0);
    expect(
      prepared(compile(zProcedure.parse(next), { tools: existing }), "glass-end", "buffer-at").nominal,
    ).toBe(8.5);
    const again = withLength(next, cleave, kit, faults);
    expect(again.ok ? "added" : again.problem.code).toBe("duplicate");
  });
});

describe("what cannot be done in its order is told", () => {
  const report = (rows: readonly LengthRow[]) => {
    const listed = draftFromLengths(rows, documentBasis, kit);
    if (!listed.ok) throw new Error(listed.problem.message);
    return review(listed.value, shelf, null).contradictions.map(({ message }) => message);
  };
  it("a cleave before the glass is bare", () => {
    expect(report([row("Jacket", "end", "68"), row("Cleave", "jacket", "8.5")])).toEqual([
      expect.stringMatching(/glass is not bare there/),
    ]);
    expect(
      report([row("Jacket", "end", "68"), row("Buffer", "end", "42"), row("Cleave", "buffer", "8.5")]),
    ).toEqual([]);
  });
  it("a buffer stripped under a jacket that is still on", () => {
    expect(report([row("Buffer", "end", "42")])).toEqual([
      expect.stringMatching(/^Step “Mark: Buffer”: .+ around it is still on/),
      expect.stringMatching(/^Step “Take off: Buffer”: .+ around it is still on/),
    ]);
  });
  it("a mark on bare glass", () => {
    const marked = { ...document, steps: [...document.steps.filter(({ id }) => id !== "mark-glass")] };
    const glass = added(marked, length({ name: "Glass line", from: "cable-end", nominal: um(20_000) }));
    const moved = glass.steps.filter(({ id }) => id === "mark-glass-line");
    const rest = glass.steps.filter(({ id }) => id !== "mark-glass-line");
    const at = rest.findIndex(({ id }) => id === "make-buffer") + 1;
    const late = { ...glass, steps: [...rest.slice(0, at), ...moved, ...rest.slice(at)] };
    expect(review(late, shelf, null).contradictions.map(({ message }) => message)).toEqual([
      expect.stringMatching(/nothing is drawn on bare glass/),
    ]);
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
    const outcome = draftFromLengths(
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
    if (!outcome.ok) throw new Error(outcome.problem.message);
    const placement = placementOf(
      resolved(zProcedure.parse(outcome.value), cord(), { core: "9/125", choices: {} }),
      existing,
    );
    return placement ? nestingOf(placement).map(({ message, ids }) => [message, ids]) : null;
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
