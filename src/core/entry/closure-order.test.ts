import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { walk } from "../bench/walk";
import { mustHoldAt } from "../problem/held";
import { misfits } from "../procedure/fit";
import type { Procedure } from "../procedure/procedure";
import { placementOf } from "../review/placements";
import { resolved } from "../runsheet/resolved";

/** The order of work in a closure. Common practice, no source. */
const { cables, procedures, tools } = shippedLibrary();
const entries = procedures.filter(({ family }) => family === "closure-entry");
const through = entries.filter(({ id }) => id.endsWith("-through"));

/** What the walk says of a sheet on the cables it takes; all of them, or those with armour. */
const codesOf = (procedure: Procedure, armoured = false): Set<string> =>
  new Set(
    cables
      .filter((cable) => cable.layers.some(({ kind }) => kind === "tube"))
      .filter((cable) => !armoured || cable.layers.some(({ kind }) => kind === "armour"))
      .flatMap((cable) => {
        const core = cable.cores.find((core) => misfits(procedure, cable, core).length === 0);
        if (!core) return [];
        const placement = placementOf(resolved(procedure, cable, { core, choices: {} }), tools);
        return placement ? walk(placement).map(({ code }) => code) : [];
      }),
  );

const place = ({ steps }: Procedure, id: string): number => steps.findIndex((step) => step.id === id);

/** A sheet with the steps of these ids done before another. */
function earlier(procedure: Procedure, ids: readonly string[], before: string): Procedure {
  const moved = procedure.steps.filter(({ id }) => ids.includes(id));
  const rest = procedure.steps.filter(({ id }) => !ids.includes(id));
  const to = rest.findIndex(({ id }) => id === before);
  return { ...procedure, steps: [...rest.slice(0, to), ...moved, ...rest.slice(to)] };
}

const without = (procedure: Procedure, id: string): Procedure => ({
  ...procedure,
  steps: procedure.steps.filter((step) => step.id !== id),
});

describe("work in a closure", () => {
  it("lets the pressure out first, fixes and bonds the cable before a tube is opened, stores, closes", () => {
    expect(entries.length).toBeGreaterThan(7);
    for (const procedure of entries) {
      const order = [
        ...["relief", "sheath-off", "look", "clean-sheath", "seal-clean", "fit", "bond", "fasten", "hold"],
        ...["mark-tube", "mark-slit", "tube-off", "slit", "gel", "look-fibres", "store", "before-cut", "cut"],
        ...["store-cut", "plugs", "press", "photographed", "cover", "close", "valve", "tail", "scraps"],
      ]
        .map((id) => place(procedure, id))
        .filter((at) => at >= 0);
      expect([procedure.id, order]).toEqual([procedure.id, [...order].sort((a, b) => a - b)]);
      expect(order.length).toBeGreaterThan(17);
    }
  });
  it("is refused where a tube is opened in a cable that is not clamped", () => {
    for (const procedure of entries) {
      const opens = ["mark-tube", "mark-slit", "tube-off", "slit", "gel"];
      expect([procedure.id, [...codesOf(procedure)]]).toEqual([procedure.id, []]);
      expect([...codesOf(earlier(procedure, opens, "fit"))]).toContain("not-fixed");
    }
  });
  it("is refused where the armour is not bonded before a tube is opened", () => {
    const armoured = entries.filter(({ appliesTo }) =>
      [appliesTo.constructions, appliesTo.inRun ?? []].flat().includes("armoured-loose-tube"),
    );
    expect(armoured.length).toBeGreaterThan(4);
    for (const procedure of armoured)
      expect([procedure.id, [...codesOf(without(procedure, "bond"), true)]]).toEqual([
        procedure.id,
        ["not-earthed"],
      ]);
  });
  it("is refused where a fibre is cut before what stays whole is stored, or before it is named", () => {
    expect(through.length).toBeGreaterThan(2);
    for (const procedure of through) {
      expect([...codesOf(earlier(procedure, ["before-cut", "cut"], "store"))]).toContain("not-stored");
      expect([...codesOf(without(procedure, "before-cut"))]).toEqual(["not-named"]);
    }
  });
  it("tightens again what presses the seal or closes the cover, and opens no tube a second time for it", () => {
    for (const procedure of entries) {
      const tail = mustHoldAt(
        procedure.steps.filter(({ id }) => id === "tail"),
        0,
      );
      const bad = "judgement" in tail ? tail.judgement?.answers.find(({ good }) => !good) : undefined;
      expect(bad?.retries.length).toBeGreaterThan(0);
      for (const { goTo } of bad?.retries ?? [])
        expect([procedure.id, place(procedure, goTo) > place(procedure, "plugs")]).toEqual([
          procedure.id,
          true,
        ]);
    }
  });
});
