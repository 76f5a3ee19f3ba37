import { describe, expect, it } from "vitest";
import { PLAN } from "../../../harness/plans";
import { shippedLibrary } from "../../../harness/shipped";
import type { Cable } from "../cable/cable";
import { InputError } from "../problem/problem";
import { proceduresFor } from "../procedure/fit";
import { across } from "./across";
import { addressText, fibresBelow } from "./address";
import { addressesFor, cableAt, farEnds, ontoCable, placeKey, plannedEnds, type Shelved } from "./places";
import { type PiecePlan, zPiecePlan } from "./plan";

const { cables, procedures } = shippedLibrary();
const shelf: Shelved = {
  cable: (id) => cables.find((cable) => cable.id === id),
  procedure: (id) => procedures.find((procedure) => procedure.id === id),
};
const cable = (id: string): Cable => {
  const match = shelf.cable(id);
  if (!match) throw new Error(`${id} is not shipped`);
  return match;
};
const side = PLAN.sides.A;
const planned = (id: string, A: object, B: object = {}): PiecePlan =>
  zPiecePlan.parse({ ...PLAN, cable: id, sides: { A: { ...side, ...A }, B: { ...side, ...B } } });
const keys = (plan: PiecePlan, at: "A" | "B") =>
  plannedEnds(plan, at, cable(plan.cable), shelf).map(placeKey);
const CHAIN = {
  procedure: "breakout-kit-6",
  ends: 2,
  onto: { procedure: "stub-wedge-release-900", choices: { interface: "lc" } },
};

describe("the places of a cable", () => {
  const pairs = procedures.flatMap((procedure) =>
    cables
      .filter((cable) => proceduresFor([procedure], cable).length > 0)
      .map((cable) => ({ procedure, one: cable, name: `${procedure.id} on ${cable.id}` })),
  );
  it.each(pairs)("$name: each fibre lies at one place at most, in the order of the addresses", (pair) => {
    const addresses = addressesFor(pair.one, pair.procedure);
    const fibres = addresses.flatMap((address) => fibresBelow(pair.one, address)).map(addressText);
    expect(new Set(fibres).size).toBe(fibres.length);
    expect(fibres).toEqual(fibresBelow(pair.one, []).map(addressText));
  });
  it.each([
    ["distribution-900", "stub-cam-crimp-900", 12, "fibre 1"],
    ["breakout-2.0", "fusion-splice-on-cord", 4, "unit 1"],
    ["loose-tube-36", "breakout-kit-6", 6, "tube 1"],
    ["duplex-3.0", "adhesive-polish-duplex", 1, ""],
    ["pair-900", "stub-two-fibre", 1, ""],
    ["simplex-3.0", "stub-wedge-release-cord", 1, ""],
  ])("of %s by %s are %i, the first %s", (id, style, count, first) => {
    const procedure = shelf.procedure(style);
    const addresses = procedure ? addressesFor(cable(id), procedure) : [];
    expect([addresses.length, addressText(addresses[0] ?? [])]).toEqual([count, first]);
  });
});

describe("ends as they are planned", () => {
  it("run as one chain from sheath to connector: each tube broken out, then its fibres in their tubing", () => {
    const plan = planned("loose-tube-36", CHAIN);
    expect(keys(plan, "A")).toEqual([
      "A tube 1",
      ...[1, 2, 3, 4, 5, 6].map((n) => `A tube 1 / fibre ${n}`),
      "A tube 2",
      ...[1, 2, 3, 4, 5, 6].map((n) => `A tube 2 / fibre ${n}`),
    ]);
    const ends = plannedEnds(plan, "A", cable("loose-tube-36"), shelf);
    const at = (i: number) =>
      cableAt(plan, cable("loose-tube-36"), ends[i] ?? { side: "A", address: [] }, shelf);
    expect([at(0).id, at(1).construction, at(1).fibreCount]).toEqual(["loose-tube-36", "furcation-tube", 1]);
    expect(at(8)).toEqual(at(1));
    const fits = proceduresFor(procedures, at(1), "9/125").map(({ id }) => id);
    expect(fits).toEqual(expect.arrayContaining(["stub-wedge-release-900", "fusion-splice-on"]));
    expect(fits).not.toContain("breakout-kit-6");
  });
  it("begin where an entry opened the cable: at its ribbons where it has some, else at its fibres", () => {
    const onto = { procedure: "fusion-splice-on-250", choices: {} };
    const opened = (id: string) => keys(planned(id, { procedure: "entry-dome-gel", ends: 1, onto }), "A");
    expect(opened("armoured-ribbon-96")).toEqual([
      "A",
      ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => `A tube 1 / ribbon ${n}`),
    ]);
    const loose = opened("loose-tube-36");
    expect([loose.length, loose[0], loose[1], loose.at(-1)]).toEqual([
      37,
      "A",
      "A tube 1 / fibre 1",
      "A tube 6 / fibre 6",
    ]);
    const plan = planned("loose-tube-36", { procedure: "entry-dome-gel", ends: 1, onto });
    const bare = ontoCable(plan, "A", cable("loose-tube-36"), shelf);
    expect(proceduresFor(procedures, bare, "9/125").map(({ id }) => id)).toContain("fusion-splice-on-250");
  });
  it("are no more than the cable has places for, said in its own words", () => {
    const message = (ends: number) => {
      try {
        return keys(planned("loose-tube-36", { ...CHAIN, ends }), "A").length;
      } catch (error) {
        return error instanceof InputError ? [error.problem.code, error.problem.message] : error;
      }
    };
    expect(message(6)).toBe(42);
    expect(message(7)).toEqual(["no-such-element", expect.stringContaining("takes 6 at a side, not 7")]);
  });
  it("open onto nothing where the work does not", () => {
    const plan = planned("distribution-900", { procedure: "stub-cam-crimp-900", ends: 1 });
    expect(() => ontoCable(plan, "A", cable("distribution-900"), shelf)).toThrow(/opens onto nothing/);
  });
});

describe("the two ends of one fibre", () => {
  it("know each other, the innermost work where a tube was broken out", () => {
    const plan = planned("loose-tube-36", CHAIN, { ...CHAIN, ends: 6 });
    const fibre7 = {
      side: "A" as const,
      address: [
        { kind: "tube" as const, position: 2 },
        { kind: "fibre" as const, position: 1 },
      ],
    };
    expect(farEnds(plan, fibre7, cable("loose-tube-36"), shelf).map(placeKey)).toEqual([
      "B tube 2 / fibre 1",
    ]);
    const [tube] = fibre7.address;
    const far = farEnds(plan, { side: "A", address: tube ? [tube] : [] }, cable("loose-tube-36"), shelf);
    expect(far.map(placeKey)).toEqual([1, 2, 3, 4, 5, 6].map((n) => `B tube 2 / fibre ${n}`));
  });
  it("must have one glass, one polish, and one be end A where the other is end B", () => {
    const choices = procedures.find(({ id }) => id === "stub-two-fibre")?.choices ?? [];
    const end = (picked: Record<string, string>, core = "50/125") => ({ core, choices, picked });
    const off = (here: Record<string, string>, far: Record<string, string>, core?: string) =>
      across(end(here), end(far, core)).flatMap(({ name, fits }) => (fits ? [] : [name]));
    expect(off({ "run-end": "a" }, { "run-end": "b" })).toEqual([]);
    expect(off({}, {})).toEqual(["End of the run"]);
    expect(off({ pins: "pinned" }, { "run-end": "b" })).toEqual(["Guide pins"]);
    expect(off({}, { "run-end": "b" }, "9/125")).toEqual(["Glass"]);
    const polished = procedures.find(({ id }) => id === "stub-cam-crimp-900")?.choices ?? [];
    const write = (polish: string) => ({ core: "9/125", choices: polished, picked: { polish } });
    expect(across(write("upc"), write("apc")).filter(({ fits }) => !fits)).toMatchObject([
      { asks: "same", here: expect.any(String), far: expect.any(String) },
    ]);
    expect(across(write("apc"), write("apc")).every(({ fits }) => fits)).toBe(true);
  });
});
