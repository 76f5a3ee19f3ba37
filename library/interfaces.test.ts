import { describe, expect, it } from "vitest";
import {
  type Cable,
  compileRunSheet,
  misfits,
  mustHoldAt,
  optionsFor,
  type Procedure,
  type RunSheet,
} from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";

const { cables, procedures, tools } = shippedLibrary();

/** What an option can change of a sheet: its figures, its parts, what its tools are set to, what is done. */
const figuresOf = ({ limits, parts, lines }: RunSheet) =>
  JSON.stringify([
    limits,
    parts.map(({ id }) => id),
    lines.map(({ step, figure }) => [step.id, step.how, step.setting, figure]),
  ]);

const pairs = procedures.flatMap((procedure) =>
  procedure.choices
    .filter(({ school, options }) => !school && options.length > 1)
    .map((choice) => ({ procedure, choice, name: `${procedure.id}: ${choice.id}` })),
);

const sheetsOf = (procedure: Procedure, cable: Cable, choice: Procedure["choices"][number]) =>
  cable.cores
    .filter((core) => misfits(procedure, cable, core).length === 0)
    .flatMap((core) =>
      optionsFor(choice, cable, core).length < 2
        ? []
        : [
            new Set(
              optionsFor(choice, cable, core).map(({ id }) =>
                figuresOf(compileRunSheet({ procedure, cable, core, choices: { [choice.id]: id }, tools })),
              ),
            ).size,
          ],
    );

describe("what is picked of a connector", () => {
  it.each(pairs)("$name selects figures, or says once that none differ", ({ procedure, choice }) => {
    const counts = cables
      .filter((cable) => misfits(procedure, cable).length === 0)
      .flatMap((cable) => sheetsOf(procedure, cable, choice));
    expect(counts.length).toBeGreaterThan(0);
    if (choice.same) expect(new Set(counts)).toEqual(new Set([1]));
    else expect(Math.min(...counts)).toBeGreaterThan(1);
  });
  it("has each option of an interface told apart by figures of its own, where figures differ at all", () => {
    const alike = pairs
      .filter(({ choice }) => choice.id === "interface" && !choice.same)
      .flatMap(({ procedure, choice, name }) =>
        cables
          .filter((cable) => misfits(procedure, cable).length === 0)
          .flatMap((cable) => sheetsOf(procedure, cable, choice))
          .filter((count) => count < choice.options.length)
          .map(() => name),
      );
    expect(alike).toEqual([]);
  });
  it("crimps a thin cord and a thick one by two dies, never by one from 1.6 to 3.0 mm", () => {
    const wide = procedures.flatMap((procedure) => {
      const cords = cables.filter((cable) => misfits(procedure, cable).length === 0);
      const dies = new Map<string, Set<number>>();
      for (const cable of cords) {
        const core = cable.cores.find((core) => misfits(procedure, cable, core).length === 0) ?? "";
        const jacket = cable.layers.find(({ kind }) => kind === "jacket")?.diameter ?? 0;
        for (const { step } of compileRunSheet({ procedure, cable, core, choices: {}, tools }).lines)
          if (step.kind === "crimp" && step.id !== "crimp" && step.setting?.kind === "die") {
            const key = `${step.id} ${step.setting.across}`;
            dies.set(key, (dies.get(key) ?? new Set()).add(jacket));
          }
      }
      return [...dies]
        .filter(([, jackets]) => Math.max(...jackets) - Math.min(...jackets) > 700)
        .map(([die]) => `${procedure.id} ${die}`);
    });
    // A yarn crimp that goes by the connector's post alone is one for every cord.
    expect(wide.filter((text) => !text.startsWith("adhesive-accelerator-single-mode crimp-yarn"))).toEqual(
      [],
    );
  });
  it("offers 62.5/125 wherever a stub is made for multimode", () => {
    for (const procedure of procedures.filter(({ family }) => family.startsWith("stub")))
      expect(procedure.appliesTo.cores, procedure.id).toContain("62.5/125");
  });
});

describe("a cleave that a holder sets", () => {
  const HELD: readonly (readonly [procedure: string, cable: string, stop: string, stands: string])[] = [
    ["fusion-splice-on", "distribution-900", "holder", "strip"],
    ["fusion-splice-on", "furcation-900", "holder", "proud"],
    ["fusion-splice-on-250", "ribbon-fibre-250", "holder", "strip"],
    ["fusion-splice-on-cord", "simplex-3.0", "holder", "strip"],
    ["stub-two-fibre", "pair-900", "holder", "proud"],
    ["stub-two-fibre-cord", "duplex-1.8", "holder", "proud"],
    ["drop-clamp", "flat-drop", "stands-out", "coating"],
  ];
  it.each(HELD)(
    "%s on %s: its length is the holder's less how far the buffer stands, and limits add up",
    (id, on, stop, stands) => {
      const procedure = mustHoldAt(
        procedures.filter((procedure) => procedure.id === id),
        0,
      );
      const cable = mustHoldAt(
        cables.filter((cable) => cable.id === on),
        0,
      );
      const sheet = compileRunSheet({ procedure, cable, core: "9/125", choices: {}, tools });
      const limit = (dimension: string) =>
        mustHoldAt(
          sheet.limits.filter((limit) => limit.dimension === dimension),
          0,
        );
      const [cleave, holder, before] = [limit("cleave"), limit(stop), limit(stands)];
      expect(holder.stop).toBe(true);
      expect(cleave.nominal).toBe(holder.nominal - before.nominal);
      expect(cleave.max).toBe((holder.max ?? 0) - (before.min ?? 0));
      expect(cleave.min).toBe((holder.min ?? 0) - (before.max ?? 0));
    },
  );
});
