import { describe, expect, it } from "vitest";
import {
  adviceOn,
  BESIDE,
  CONSTRUCTIONS,
  checksOf,
  compileRunSheet,
  contradictionsOf,
  endState,
  featureOf,
  judgementOf,
  layersAfter,
  misfits,
  planBatch,
  retriesOffered,
  stagesOf,
  variantsOf,
  walk,
} from "@/core";
import { nestingOf } from "@/core/review/nesting";
import { usualPlacements } from "@/core/review/placements";
import { shippedLibrary } from "@/store/shelf/shipped";
import { stepAloud } from "@/ui/words/aloud";

const library = shippedLibrary();
const pairs = library.procedures.flatMap((procedure) =>
  library.cables.flatMap((cable) =>
    cable.cores
      .filter((core) => misfits(procedure, cable, core).length === 0)
      .map((core) => ({ procedure, cable, core })),
  ),
);
describe("the shipped library", () => {
  it("has every shipped procedure go on some cable, and every cable take some procedure", () => {
    expect(new Set(pairs.map(({ procedure }) => procedure.id)).size).toBe(library.procedures.length);
    expect(new Set(pairs.map(({ cable }) => cable.id)).size).toBe(library.cables.length);
  });
  it("has a cable of every construction", () => {
    expect(new Set(library.cables.map(({ construction }) => construction))).toEqual(new Set(CONSTRUCTIONS));
  });
  it("has every family that ends in a connector, a kit, a prepared cord, a backshell, an opened ribbon or a closure", () => {
    expect([...new Set(library.procedures.map(({ family }) => family))].sort()).toEqual([
      "adhesive-accelerator",
      "adhesive-primer-duplex",
      "adhesive-primer-multimode",
      "backshell",
      "breakout-kit",
      "central-tube-ribbon",
      "closure-entry",
      "cord-preparation",
      "drop-clamp",
      "fusion-splice-on",
      "guided-insertion",
      "stub-cam-crimp",
      "stub-one-stroke",
      "stub-two-fibre",
      "stub-wedge-release",
    ]);
  });
  it("keeps copper and glass, and angled ends and multimode, apart", () => {
    const [shielded] = library.procedures.filter(({ id }) => id === "backshell-shielded");
    const [yarn] = library.cables.filter(({ id }) => id === "harness-yarn");
    if (!shielded || !yarn) throw new Error("both are shipped");
    expect(misfits(shielded, yarn).map(({ about }) => about)).toEqual(["core"]);
    const angled = pairs.find(
      ({ procedure, core }) => core === "50/125" && procedure.choices.some(({ id }) => id === "polish"),
    );
    if (!angled) throw new Error("some multimode pair offers a polish");
    expect(() => compileRunSheet({ ...angled, choices: { polish: "apc" }, tools: library.tools })).toThrow(
      /only on single-mode glass/,
    );
  });
  it("names the tool of every strip, cleave and arc of a splice, one that is checked before a shift", () => {
    const checked = new Set(library.toolsToCheck.map(({ id }) => id));
    const steps = library.splicing.flatMap((procedure) =>
      procedure.steps.filter(({ act }) => ["strip", "cleave", "fuse"].includes(act)),
    );
    expect(steps.length).toBeGreaterThan(20);
    expect(steps.filter(({ tool }) => tool === undefined || !checked.has(tool))).toEqual([]);
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

describe.each(library.procedures.map((procedure) => [procedure.id, procedure] as const))(
  "%s",
  (_, procedure) => {
    it("threads each part before the step that shuts it out, and reads or explains each length", () => {
      expect(adviceOn(procedure)).toEqual([]);
    });
    it("has no contradiction on any cable it claims", () => {
      expect(contradictionsOf(procedure, library.cables)).toEqual([]);
      const placements = usualPlacements(procedure, library.cables, library.tools);
      expect(placements.length).toBeGreaterThan(0);
      expect(placements.flatMap((placement) => [...nestingOf(placement), ...walk(placement)])).toEqual([]);
    });
    it("reads every length after it can be measured", () => {
      procedure.steps.forEach((step, i) => {
        for (const id of checksOf(step)) {
          const after = procedure.dimensions.find((dimension) => dimension.id === id)?.after;
          expect(procedure.steps.findIndex((step) => step.id === after)).toBeLessThanOrEqual(i);
        }
      });
    });
    it("gives each practice that differs a default and a reason", () => {
      for (const { school, options } of procedure.choices)
        if (school) for (const { why } of options) expect(why).not.toBe("");
    });
  },
);

describe.each(pairs.map((pair) => [`${pair.procedure.id} on ${pair.cable.id} ${pair.core}`, pair] as const))(
  "%s",
  (_, { procedure, cable, core }) => {
    const sheets = [...variantsOf(procedure, cable, core)].map((picked) =>
      compileRunSheet({ procedure, cable, tools: library.tools, ...picked }),
    );
    it("compiles for every option without a contradiction", () => {
      expect(sheets.length).toBeGreaterThan(0);
      for (const sheet of sheets) expect(sheet.disagreements).toEqual([]);
    });
    it("reads aloud without a sign that a voice would stumble on", () => {
      for (const sheet of sheets)
        for (const line of sheet.lines) {
          const text = stepAloud(sheet, line, "both");
          expect(text.length).toBeGreaterThan(3);
          expect(text).not.toMatch(/[±−″µ°“”]|\bmm\b|undefined|null|NaN/);
        }
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
    it("measures every edge that stays in sight", () => {
      for (const sheet of sheets) {
        const touched = new Set(sheet.checks.flatMap(({ from, to }) => [from, to]));
        for (const { feature } of layersAfter(sheet, sheet.lines.length))
          if (feature !== null && !sheet.parts.some(({ hides }) => hides?.includes(feature)))
            expect(touched).toContain(feature);
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
          .filter(({ kind }) => kind !== "yarn" && !BESIDE.includes(kind))
          .map(({ kind }) =>
            sheet.lines
              .flatMap(({ bares }) => bares)
              .filter((bare) => bare.layer === kind)
              .at(-1),
          )
          .map((bare) => (bare ? featureOf(sheet, bare.edge).position : 0));
        edges.forEach((edge, i) => {
          if (i > 0 && edges[i - 1] !== 0) expect(edge).toBeLessThanOrEqual(edges[i - 1] as number);
        });
      }
    });
    it("has a way on from every answer: forward when good, else something to try until the limit", () => {
      for (const sheet of sheets)
        for (const { step } of sheet.lines) {
          const judgement = judgementOf(step);
          for (const answer of judgement?.answers ?? []) {
            if (answer.good) expect(answer.action).not.toBe("");
            else {
              const offers = retriesOffered(sheet, endState([]), judgement?.id ?? "", answer.id);
              expect(offers.length > 0 || answer.action.startsWith("Stop.")).toBe(true);
              for (const { to, left } of offers) {
                expect(left).toBeGreaterThan(0);
                expect(sheet.lines[to]).toBeDefined();
              }
            }
          }
        }
    });
    it("can be planned for a batch of twelve within every open time", () => {
      for (const sheet of sheets) {
        const { spare, slots } = planBatch(stagesOf(sheet), 12);
        expect(slots.length).toBeGreaterThan(0);
        if (spare !== null) expect(spare).toBeGreaterThanOrEqual(0);
      }
    });
  },
);
