import { describe, expect, it } from "vitest";
import { zProcedure } from "../procedure/procedure";
import { contradictionsOf } from "../review/contradictions";
import { at, compile, cord, prepared, tools } from "../runsheet/fixtures/made";
import type { DraftBasis } from "./assemble";
import { draftFromLengths, type LengthRow } from "./draft";
import { kit } from "./fixtures/kit";

const basis: DraftBasis = {
  id: "hut-stub",
  name: "Hut stub",
  date: "2026-11-25",
  appliesTo: { constructions: ["simplex-cord"], cores: ["9/125"] },
  startsAt: "jacket",
};
const row = (name: string, datum: string, value: string, more: Partial<LengthRow> = {}): LengthRow => ({
  name,
  datum,
  value,
  unit: "mm",
  plus: "",
  minus: "",
  ...more,
});
const benchTools = [
  "rule-and-pen",
  "ring-cutter",
  "shears",
  "tube-cutter",
  "buffer-stripper",
  "coating-stripper",
  "bench-cleaver",
];
const existing = benchTools.map((id) => ({ ...tools[0], id, name: id })) as typeof tools;

describe("a card of lengths", () => {
  const rows = [
    row("Jacket", "end", "68", { plus: "1" }),
    row("Buffer", "cable end", "42"),
    row("Second mark", "from the buffer", "1/2", { unit: "in", plus: "1/32" }),
    row("Cleave", "buffer", "8.5", { plus: "0.5", minus: "0.3" }),
  ];
  const outcome = draftFromLengths(rows, basis, kit);
  if (!outcome.ok) throw new Error(outcome.problem.message);
  const procedure = zProcedure.parse(outcome.value);
  const sheet = compile(procedure, { tools: existing });
  it("becomes a procedure that can be worked with as it is", () => {
    expect(at(sheet, "jacket-at")).toBe(68);
    expect(at(sheet, "second-mark-at")).toBe(54.7);
    expect(prepared(sheet, "glass-end", "buffer-at")).toEqual({ nominal: 8.5, min: 8.2, max: 9 });
    expect(sheet.checks.map(({ step, dimension }) => `${step} ${dimension}`)).toEqual([
      "measure-first jacket",
      "measure-first buffer",
      "measure second-mark",
      "measure cleave",
    ]);
    expect(contradictionsOf(procedure, [cord()])).toEqual([]);
  });
  it("lays its steps out in an order that works, whatever order the card has", () => {
    const worked = (...list: LengthRow[]) => {
      const drafted = draftFromLengths(list, basis, kit);
      return drafted.ok ? drafted.value.steps.map(({ id }) => id) : [drafted.problem.message];
    };
    const inOrder = [
      "thread",
      "mark-clamp-line",
      "mark-jacket",
      "make-jacket",
      "mark-buffer",
      "mark-second-mark",
      "make-buffer",
      "measure-first",
      "clean",
      "make-cleave",
      "measure",
      "cap",
      "shards",
    ];
    const clamp = row("Clamp line", "end", "228");
    const [jacket, buffer, second, cleave] = rows as [LengthRow, LengthRow, LengthRow, LengthRow];
    const withClampLast = worked(buffer, second, cleave, jacket, clamp);
    expect([...withClampLast].sort()).toEqual([...inOrder].sort());
    const isBefore = (a: string, b: string) =>
      expect(withClampLast.indexOf(a)).toBeLessThan(withClampLast.indexOf(b));
    isBefore("mark-jacket", "make-jacket");
    isBefore("make-jacket", "mark-buffer");
    isBefore("mark-buffer", "mark-second-mark");
    isBefore("mark-second-mark", "clean");
    isBefore("mark-clamp-line", "clean");
    isBefore("measure-first", "make-cleave");
    isBefore("make-cleave", "measure");
  });
  it("measures nothing from an end that is gone", () => {
    for (const { step, checks } of sheet.lines)
      for (const { from, to } of checks)
        for (const feature of [from, to]) {
          const eachFeature = sheet.features.find(({ id }) => id === feature);
          const line = sheet.lines.find((each) => each.step.id === step.id)?.index ?? 0;
          expect([
            step.id,
            feature,
            eachFeature?.goneAt === null || (eachFeature?.goneAt ?? 0) > line,
          ]).toEqual([step.id, feature, true]);
        }
  });
  it("takes one tolerance for both sides, and leaves open what was left empty", () => {
    expect(procedure.dimensions.map(({ plus, minus }) => [plus, minus])).toEqual([
      [1_000, 1_000],
      [null, null],
      [794, 794],
      [500, 300],
    ]);
  });
  it("puts the cleave last, with eye protection before glass is bared and shards counted", () => {
    const kinds = sheet.lines.map(({ step }) => step.kind);
    expect(kinds.indexOf("cleave")).toBeGreaterThan(kinds.lastIndexOf("remove"));
    expect(sheet.lines[0]?.step.cautions).toContain("eyes");
    expect(kinds.at(-1)).toBe("dispose");
  });
});

describe("a card that is wrong is refused by its row", () => {
  it.each([
    [[], /The text has no lengths/],
    [[row("", "end", "5")], /Row 1.*without a name/],
    [[row("Jacket", "moon", "5")], /Row 1, “Jacket”: “moon” is no datum here/],
    [[row("Jacket", "end", "5"), row("jacket", "end", "6")], /Row 2.*has this name/],
    [[row("Jacket", "end", "wide")], /Row 1, “Jacket”/],
    [[row("Jacket", "end", "5", { unit: "ell" })], /“ell” is no unit here/],
    [[row("Jacket", "end", "5", { plus: "some" })], /Row 1/],
    [Array.from({ length: 61 }, (_, i) => row(`l${i}`, "end", "5")), /Enter at most 60/],
  ])("%#", (rows, said) => {
    const outcome = draftFromLengths(rows, basis, kit);
    expect(outcome.ok ? "taken" : outcome.problem.message).toMatch(said);
  });
  it("tells every row that is wrong at once", () => {
    const outcome = draftFromLengths(
      [row("Jacket", "moon", "5"), row("Buffer", "end", "wide"), row("Cleave", "end", "9")],
      basis,
      kit,
    );
    const lines = outcome.ok ? [] : outcome.problem.message.split("\n");
    expect(lines).toHaveLength(2);
    expect(lines[0]).toMatch(/^Row 1, “Jacket”/);
    expect(lines[1]).toMatch(/^Row 2, “Buffer”/);
  });
});
