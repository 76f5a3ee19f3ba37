import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { um } from "../length/length";
import { parseSplicerLine, simulatedSplice, splicerLine } from "./splicer-line";
import {
  bareGlass,
  type Splicing,
  type SplicingStep,
  sleeveRoom,
  splicingFor,
  splicingUses,
} from "./splicing";
import { walkSplicing } from "./splicing-walk";

const { splicing: shipped } = shippedLibrary();
const named = (id: string): Splicing => {
  const procedure = shipped.find((each) => each.id === id);
  if (!procedure) throw new Error(`no ${id}`);
  return procedure;
};
const fusion = named("fusion-250");
const steps = (of: Splicing, change: (all: SplicingStep[]) => SplicingStep[]): Splicing => ({
  ...of,
  steps: change([...of.steps]),
});
const without = (of: Splicing, id: string) => steps(of, (all) => all.filter((step) => step.id !== id));
const last = (of: Splicing, id: string) =>
  steps(of, (all) => [...all.filter((step) => step.id !== id), ...all.filter((step) => step.id === id)]);
const faults = (of: Splicing) =>
  walkSplicing(of).map(({ step, message }) => `${step ?? "-"}: ${message.text}`);

describe("a shipped splicing procedure", () => {
  it.each(shipped.map((procedure) => [procedure.id, procedure] as const))(
    "%s can be done as written",
    (_, of) => {
      expect(faults(of)).toEqual([]);
    },
  );
  it("is there for single fibres, for ribbons up to twelve, with an arc and without one", () => {
    expect(splicingFor(shipped, 1).map(({ id }) => id)).toEqual([
      "fusion-250",
      "fusion-900",
      "fusion-pigtail",
      "mechanical-250",
    ]);
    expect(splicingFor(shipped, 12).map(({ id }) => id)).toEqual(["mass-fusion-ribbon"]);
    expect(splicingFor(shipped, 13)).toEqual([]);
  });
  it.each(shipped.flatMap((of) => of.steps.map((step) => [of.id, step.title, of, step.id] as const)))(
    "%s cannot be done without “%s”, nor with it done last",
    (_, title, of, id) => {
      expect(walkSplicing(without(of, id)), `without ${title}`).not.toEqual([]);
      // The last step done last is the procedure itself; a pull may wait, but not for the sleeve.
      if (of.steps.at(-1)?.id !== id) expect(walkSplicing(last(of, id)), `${title} last`).not.toEqual([]);
    },
  );
  it("finds most neighbours that are swapped: those it lets stand can be done either way round", () => {
    const swapped = shipped.flatMap((of) =>
      of.steps.slice(1).map((step, i) => {
        const both = steps(of, (all) => {
          const [before, after] = [all[i], all[i + 1]];
          return before && after ? [...all.slice(0, i), after, before, ...all.slice(i + 2)] : all;
        });
        return {
          pair: `${of.id}: ${of.steps[i]?.act} and ${step.act}`,
          refused: walkSplicing(both).length > 0,
        };
      }),
    );
    const either = [
      ...new Set(swapped.filter(({ refused }) => !refused).map(({ pair }) => pair.split(": ")[1])),
    ];
    expect(swapped.filter(({ refused }) => refused).length).toBeGreaterThan(swapped.length / 2);
    expect(either.sort()).toEqual([
      "cleave and strip",
      "confirm and load",
      "confirm and look",
      "confirm and open-joint",
      "confirm and sleeve",
      "estimate and pull",
      "load and load",
      "load and program",
      "load and strip",
      "open-joint and strip",
      "program and confirm",
      "sleeve and first-fibre",
    ]);
  });
  it("says what is wrong, as a splicer would", () => {
    expect(faults(last(fusion, "sleeve-on"))[0]).toBe(
      "strip-a: The sleeve goes on before anything is clamped or stripped.",
    );
    const wiped: SplicingStep = {
      id: "again",
      title: "Wipe again",
      act: "wipe",
      side: "a",
      note: "",
      caution: "",
      uses: [],
    };
    const after = fusion.steps.findIndex(({ id }) => id === "cleave-a") + 1;
    expect(faults(steps(fusion, (all) => [...all.slice(0, after), wiped, ...all.slice(after)]))).toEqual([
      "again: A cleaved end is never wiped or touched.",
    ]);
  });
});

describe("lengths of a splice", () => {
  it("leave bare glass of both cleaves, which the sleeve covers with coating on either side", () => {
    expect(bareGlass(fusion)).toBe(20_000);
    // Half of 58, less 10 bare and 10 of coating.
    expect(sleeveRoom(fusion)).toBe(9_000);
    const short = { ...fusion, sleeve: { length: um(38_000), cover: um(10_000) } };
    expect(faults(short)).toEqual([
      "-: The sleeve is too short by 1 mm on either side: it must lie on the coating or buffer of both sides.",
    ]);
  });
  it("strip what the cleave and the cleaver's hold need, to the micrometre", () => {
    const side = fusion.sides.a;
    const withStrip = (strip: number) => ({
      ...fusion,
      sides: { ...fusion.sides, a: { ...side, strip: um(strip) } },
    });
    const needed = side.cleave.max + fusion.beyondBlade;
    expect(walkSplicing(withStrip(needed))).toEqual([]);
    expect(faults(withStrip(needed - 1))[0]).toMatch(/^-: Side A: 15\.999 mm are stripped/);
  });
});

describe("a splicer's line", () => {
  it("comes back as it was sent, whatever its figures (property)", () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999_999 }), share, share, share, (number, x, y, z) => {
        const sent = simulatedSplice(number, [x, y, z]);
        expect(parseSplicerLine(splicerLine(sent))).toEqual({ ok: true, value: sent });
      }),
    );
  });
  it("takes either decimal sign, and refuses what has another form or a bad figure, saying which", () => {
    const messageOf = (line: string) => {
      const read = parseSplicerLine(line);
      return read.ok ? read.value.estimateDb : read.problem.message;
    };
    expect(messageOf("SPLICE 3 left 0,4 right 0,9 estimate 0,03")).toBe(0.03);
    expect(messageOf("splice 3 left 0.4")).toMatch(/is not a splicer's line\. Its form is/);
    expect(messageOf("splice 3 left 0.4 right wide estimate 0.03")).toMatch(
      /^“wide” is no figure for “right”/,
    );
    expect(messageOf("splice 3 left 0.4 right 0.9 estimate 31")).toMatch(/^“31” is no figure for “estimate”/);
    expect(messageOf("splice 0 left 0.4 right 0.9 estimate 0.03")).toMatch(/^“0” is no figure for “splice”/);
    expect(messageOf(`splice ${"1".repeat(200)}`)).toMatch(/at most 120 characters/);
  });
  it("simulated, is poor about once in twelve, and mostly good", () => {
    const all = Array.from({ length: 1_200 }, (_, i) =>
      simulatedSplice(i + 1, [(i % 7) / 7, (i % 5) / 5, i / 1_200]),
    );
    const poor = all.filter(({ estimateDb }) => estimateDb > 0.1).length;
    expect(poor).toBeGreaterThan(80);
    expect(poor).toBeLessThan(200);
  });
});

describe("the consumables of splices", () => {
  it("are a sleeve for each splice, however often it is tried, and wipes for each try", () => {
    const uses = splicingUses(fusion, { splices: 12, tries: 15 });
    expect(uses).toEqual([
      { item: "splice sleeve", count: 12 },
      { item: "lint-free wipe", count: 30 },
    ]);
    expect(splicingUses(fusion, { splices: 0, tries: 0 })).toEqual([]);
  });
  it("are on every shipped procedure: one thing that holds the joint, and wipes for both sides", () => {
    for (const procedure of shipped) {
      const [holds, wipes, ...others] = splicingUses(procedure, { splices: 1, tries: 1 });
      expect(holds?.count, procedure.id).toBe(1);
      expect(holds?.item, procedure.id).toMatch(procedure.sleeve ? /splice sleeve$/ : /^mechanical splice$/);
      expect([wipes, ...others], procedure.id).toEqual([{ item: "lint-free wipe", count: 2 }]);
    }
  });
});
