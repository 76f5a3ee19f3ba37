import { describe, expect, it } from "vitest";
import { compileRunSheet, featureOf, misfits } from "@/core";
import { shippedLibrary } from "@/store/shipped";

const library = shippedLibrary();
const pairs = library.procedures.flatMap((procedure) =>
  library.cables.flatMap((cable) =>
    cable.cores
      .filter((core) => misfits(procedure, cable, core).length === 0)
      .map((core) => ({ procedure, cable, core })),
  ),
);
const allChoices = (procedure: (typeof pairs)[number]["procedure"]): Record<string, string>[] =>
  procedure.choices.reduce<Record<string, string>[]>(
    (sets, choice) => sets.flatMap((set) => choice.options.map(({ id }) => ({ ...set, [choice.id]: id }))),
    [{}],
  );

describe("the shipped library", () => {
  it("has every shipped procedure go on some cable, and every cable take some procedure", () => {
    expect(new Set(pairs.map(({ procedure }) => procedure.id)).size).toBe(library.procedures.length);
    expect(new Set(pairs.map(({ cable }) => cable.id)).size).toBe(library.cables.length);
  });
  it("marks its figures as representative", () => {
    for (const { source } of [
      ...library.procedures,
      ...library.cables,
      ...library.tools,
      ...library.instruments,
    ])
      expect(source.kind).toBe("representative");
  });
});

describe.each(pairs.map((pair) => [`${pair.procedure.id} on ${pair.cable.id} ${pair.core}`, pair] as const))(
  "%s",
  (_, { procedure, cable, core }) => {
    const sheets = allChoices(procedure).map((choices) =>
      compileRunSheet({ procedure, cable, core, choices, tools: library.tools }),
    );
    it("compiles for every choice without a contradiction", () => {
      expect(sheets.length).toBeGreaterThan(0);
      for (const sheet of sheets) expect(sheet.disagreements).toEqual([]);
    });
    it("threads everything on before the first cut", () => {
      for (const { lines } of sheets) {
        const thread = lines.findIndex(({ step }) => step.kind === "thread");
        const cut = lines.findIndex(({ step }) =>
          ["remove", "trim", "cleave", "ring-cut"].includes(step.kind),
        );
        expect(thread).toBeGreaterThanOrEqual(0);
        expect(thread).toBeLessThan(cut);
      }
    });
    it("measures every length that a cut decides", () => {
      for (const sheet of sheets) {
        const touched = new Set(sheet.checks.flatMap(({ from, to }) => [from, to]));
        for (const line of sheet.lines)
          if (line.step.kind === "remove" || line.step.kind === "cleave")
            expect(touched).toContain(line.figure?.feature);
      }
    });
    it("keeps each length within its limits with the tools named, by root-sum-square at least", () => {
      for (const { lengths } of sheets)
        for (const { predicted, stated } of lengths) if (stated) expect(predicted?.holds).not.toBe("neither");
    });
    it("names cautions that are there, and puts eye protection on before glass is bared", () => {
      for (const { lines } of sheets) {
        for (const { step } of lines)
          for (const caution of step.cautions)
            expect(library.cautions.map(({ id }) => id)).toContain(caution);
        const bared = lines.findIndex(
          ({ step }) => step.kind === "remove" && step.layers.includes("coating"),
        );
        expect(lines.slice(0, bared).some(({ step }) => step.cautions.includes("eyes"))).toBe(true);
      }
    });
    it("goes back from the fibre end layer by layer: nothing inner ends behind what covers it", () => {
      for (const sheet of sheets) {
        const edges = sheet.layers
          .map(({ kind }) =>
            sheet.lines
              .flatMap(({ bares }) => bares)
              .filter((bare) => bare.layer === kind)
              .at(-1),
          )
          .map((bare) => (bare ? featureOf(sheet, bare.edge).position : 0));
        edges.forEach((edge, i) => {
          if (i > 0 && sheet.layers[i]?.kind !== "yarn" && edges[i - 1] !== 0)
            expect(edge).toBeLessThanOrEqual(edges[i - 1] as number);
        });
      }
    });
  },
);
