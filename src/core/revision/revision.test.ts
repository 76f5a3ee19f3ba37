import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { um } from "../length/length";
import { type ProcedureDocument, zProcedure } from "../procedure/procedure";
import { adviceOn } from "../review/advice";
import { contradictionsOf } from "../review/contradictions";
import { at, compile, cord, procedureOf, type Row } from "../runsheet/fixtures/made";
import { resolved } from "../runsheet/resolved";
import { asOwn, changedFigures } from "./changed";
import { compareProcedures } from "./compare";
import { figureFrom, switchDatum, withFigureFrom } from "./datum";
import { asConfirmed, figuresToConfirm, withConfirmed } from "./figures";

const written = (rows: readonly Row[], more: Partial<ProcedureDocument> = {}): ProcedureDocument =>
  ({ ...asWritten(procedureOf(rows)), ...more }) as ProcedureDocument;

/** A made procedure as it would be written down. */
function asWritten(procedure: ReturnType<typeof procedureOf>): ProcedureDocument {
  const mm = (value: number | null) => (value === null ? null : value / 1000);
  return {
    ...(JSON.parse(JSON.stringify(procedure)) as ProcedureDocument),
    squareUp: procedure.squareUp / 1000,
    dimensions: procedure.dimensions.map((dimension) => ({
      ...(JSON.parse(JSON.stringify(dimension)) as ProcedureDocument["dimensions"][number]),
      nominal: mm(dimension.nominal) as number,
      plus: mm(dimension.plus),
      minus: mm(dimension.minus),
    })),
  };
}

const rows: readonly Row[] = [
  ["jacket", "end", "jacket", 66, 1, 1],
  ["buffer", "end", "buffer", 40, 1, 0.5],
  ["mark", "buffer", "mark", 11, 0.5, 0.5],
];
const document = written(rows);
const limitsOf = (item: ProcedureDocument) =>
  compile(zProcedure.parse(item)).lengths.map(({ from, to, min, max }) => ({ from, to, min, max }));
const dimension = (item: ProcedureDocument, id: string) =>
  item.dimensions.find((d) => d.id === id) as (typeof item.dimensions)[number];
const positions = (item: ProcedureDocument) =>
  new Map(compile(zProcedure.parse(item)).features.map(({ id, position }) => [id, position]));
const withDimension = (
  item: ProcedureDocument,
  changed: (typeof item.dimensions)[number],
): ProcedureDocument => ({
  ...item,
  dimensions: item.dimensions.map((d) => (d.id === changed.id ? changed : d)),
});

describe("switching what a length is laid off from", () => {
  it("never moves a place nor changes a limit, whatever it is switched to and from", () => {
    const built = ["end", "jacket", "buffer"];
    fc.assert(
      fc.property(
        fc.constantFrom("buffer", "mark"),
        fc.constantFrom(...built),
        fc.constantFrom(...built),
        (id, first, second) => {
          const before = dimension(document, id);
          if (first === id || second === id) return;
          const switched = switchDatum(switchDatum(before, first), second);
          const after = withDimension(document, switched);
          expect(limitsOf(after)).toEqual(limitsOf(document));
          expect(positions(after)).toEqual(positions(document));
        },
      ),
    );
  });
  it("says the figure from there: a mark 11 behind the buffer at 40 is 51 from the end, 15 before the jacket edge", () => {
    const mark = dimension(document, "mark");
    expect(figureFrom(mark, "buffer", positions(document))).toBe(11_000);
    expect(figureFrom(mark, "end", positions(document))).toBe(51_000);
    expect(figureFrom(mark, "jacket", positions(document))).toBe(-15_000);
  });
  it("at the bench the figure worked to is the one from the new datum", () => {
    const after = withDimension(document, switchDatum(dimension(document, "mark"), "jacket"));
    const figure = compile(zProcedure.parse(after)).lines.find(
      (line) => line.figure?.feature === "mark",
    )?.figure;
    expect(figure?.own).toMatchObject({ datum: "jacket", distance: -15_000 });
  });
  it("a figure typed as said from there moves the place by as much, and its tolerance stays", () => {
    const mark = dimension(document, "mark");
    const changed = withFigureFrom(mark, "end", um(52_500), positions(document));
    expect(changed).toMatchObject({ from: "buffer", nominal: 12.5, plus: 0.5 });
    expect(at(compile(zProcedure.parse(withDimension(document, changed))), "mark")).toBe(52.5);
  });
});

describe("the order in which lengths are stated", () => {
  it("does not matter: places and limits are the same", () => {
    const all = limitsOf(document);
    fc.assert(
      fc.property(fc.shuffledSubarray([0, 1, 2], { minLength: 3, maxLength: 3 }), (order) => {
        const shuffled = {
          ...document,
          dimensions: order.map((i) => document.dimensions[i] as (typeof document.dimensions)[number]),
        };
        expect(limitsOf(shuffled)).toEqual(all);
        expect(positions(shuffled)).toEqual(positions(document));
      }),
    );
  });
});

describe("contradictions in words", () => {
  it("name the lengths and by how much they fall short, once however many cables show it", () => {
    const procedure = procedureOf([
      ...rows.slice(0, 1),
      ["buffer", "end", "buffer", 40, 0, 0],
      ["check-c", "buffer", "jacket", 28, 0, 0],
    ] as Row[]);
    const [contradiction, ...more] = contradictionsOf(procedure, [
      cord(),
      cord({ id: "other", cores: ["9/125"] }),
    ]);
    expect(more).toEqual([]);
    expect(contradiction?.message).toMatch(/cannot all hold: 1\.0 mm short/);
    expect(contradiction?.ids).toEqual(expect.arrayContaining(["jacket", "buffer", "check-c"]));
  });
});

describe("advice", () => {
  const procedure = procedureOf(
    [
      ["buffer", "end", "buffer", 40, 1, 1],
      ["cleave", "glass", "buffer", 9, 1, 1],
    ],
    {
      before: [{ id: "strip", kind: "remove", title: "strip", layers: ["coating"], to: "buffer" }] as never,
      changes: { parts: [{ id: "boot", name: "boot", way: "", shape: "boot", ifForgotten: "" }] },
      steps: [
        {
          id: "look",
          kind: "verify",
          title: "look",
          judgement: {
            id: "l",
            asks: "?",
            answers: [
              { id: "a", sees: "fine", good: true },
              { id: "b", sees: "cracked", good: false },
            ],
          },
        },
      ],
    },
  );
  const all = adviceOn(procedure)
    .map(({ message }) => message)
    .join(" ");
  it.each([
    /No step threads on the boot/,
    /“buffer” is not read at any step/,
    /bared before eye protection/,
    /A cleave takes off glass/,
    /“cracked” leads nowhere/,
  ])("%s", (said) => {
    expect(all).toMatch(said);
  });
});

describe("whose figures", () => {
  const shipped = { ...document, source: { kind: "representative" as const, note: "", date: "2026-11-24" } };
  const picked = { core: "9/125", choices: {} };
  const next = {
    revision: 2,
    note: "sheet of the part",
    date: "2026-11-25",
    by: "Osla Brandt",
    sheet: "Q-114",
  };
  it("held against the sheet become the user's own; the others stay representative, length by length", () => {
    const sheetFigures = figuresToConfirm(resolved(zProcedure.parse(shipped), cord(), picked));
    expect(sheetFigures.map(({ key, value, representative }) => [key, value, representative])).toEqual([
      ["jacket", 66, true],
      ["buffer", 40, true],
      ["mark", 11, true],
    ]);
    const [jacket] = sheetFigures;
    if (!jacket) throw new Error("there is a first");
    const saved = withConfirmed(shipped, asConfirmed(sheetFigures, [{ ...jacket, value: 65.5 }]), next);
    expect(saved).toMatchObject({ revision: 2, source: { kind: "own" }, confirmed: ["jacket"] });
    const sheet = compile(zProcedure.parse(saved));
    expect(sheet.procedure.representative).toBe(true);
    expect(at(sheet, "jacket")).toBe(65.5);
    expect(sheet.lines.flatMap(({ figure }) => (figure ? [figure.representative] : []))).toEqual([
      false,
      true,
      true,
    ]);
  });
  it("a figure passed over is confirmed as shown, by name, until somebody changes it", () => {
    const sheetFigures = figuresToConfirm(resolved(zProcedure.parse(shipped), cord(), picked));
    const saved = withConfirmed(shipped, asConfirmed(sheetFigures, sheetFigures), next);
    const mark = { by: "Osla Brandt", sheet: "Q-114", date: "2026-11-25", asShown: true };
    expect(saved.confirmations).toContainEqual({ key: "mark", ...mark });
    expect(
      compile(zProcedure.parse(saved)).lines.flatMap(({ figure }) => figure?.confirmation ?? []),
    ).toEqual([mark, mark, mark]);
    const edited = withDimension(saved, { ...dimension(saved, "mark"), nominal: 12 });
    expect(asOwn(saved, edited, next).confirmations?.map(({ key }) => key)).toEqual(["jacket", "buffer"]);
  });
  it("an edit cannot add a confirmation nobody gave", () => {
    const claimed = {
      ...shipped,
      confirmations: [{ key: "mark", by: "Nobody", sheet: null, date: "", asShown: true }],
    };
    expect(asOwn(shipped, claimed, next).confirmations).toBeUndefined();
  });
  it("a figure a person changed in the editor is theirs; what they left alone is not", () => {
    const edited = withDimension(shipped, { ...dimension(shipped, "mark"), nominal: 12 });
    expect(changedFigures(shipped, edited)).toEqual(["mark"]);
    expect(asOwn(shipped, edited, next)).toMatchObject({ confirmed: ["mark"], source: { kind: "own" } });
  });
  it("a sheet a person wrote from nothing is all theirs", () => {
    expect(asOwn(null, document, next).confirmed).toBeUndefined();
    expect(compile(zProcedure.parse(asOwn(null, document, next))).procedure.representative).toBe(false);
  });
});

describe("comparing two revisions", () => {
  it("lengths first: what it was and what it is; what is new and what is gone; the order of steps", () => {
    const after: ProcedureDocument = {
      ...document,
      name: "Other",
      dimensions: [{ ...dimension(document, "jacket"), nominal: 65 }, dimension(document, "buffer")],
      steps: [...document.steps].reverse(),
    };
    const said = compareProcedures(document, after).map(
      ({ subject, field, before, after: now }) => `${subject}: ${field}: ${before} > ${now}`,
    );
    expect(said).toContain("jacket: figure: 66 > 65");
    expect(said).toContain("mark: there at all: yes > null");
    expect(said).toContain("Other: name: Test procedure > Other");
    expect(said.filter((text) => text.includes("order"))).not.toEqual([]);
    expect(compareProcedures(document, document)).toEqual([]);
  });
});
