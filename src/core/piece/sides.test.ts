import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import { um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import { compileRunSheet } from "../runsheet/compile";
import { slackAllowed } from "./account";
import { choicesWith, sideMismatches } from "./across";
import { pieceNeeds, type SideSheet } from "./needs";
import { type PiecePlan, zPiecePlan } from "./plan";

const { cables, procedures } = shippedLibrary();
const duplex = mustHoldAt(
  cables.filter(({ id }) => id === "duplex-1.8"),
  0,
);
const twoFibre = mustHoldAt(
  procedures.filter(({ id }) => id === "stub-two-fibre-cord"),
  0,
);
const procedureOf = (id: string) => procedures.find((procedure) => procedure.id === id);
const SIDE = { place: "", procedure: null, ends: 0, entry: null, squaring: null, grip: null, retries: null };
const plan = (more: object = {}): PiecePlan =>
  zPiecePlan.parse({
    name: "rack cord",
    cable: duplex.id,
    core: "50/125",
    sides: { A: SIDE, B: SIDE },
    route: [],
    loops: [],
    yield: null,
    risk: 0.05,
    roundUpTo: 100,
    ...more,
  });
const ended = (choices: Record<string, string>) => ({ ...SIDE, procedure: twoFibre.id, ends: 1, choices });
const parts = { cable: duplex, reach: {}, sheets: { A: null, B: null }, opened: { A: null, B: null } };

const sheetOnce: SideSheet = compileRunSheet({
  procedure: twoFibre,
  cable: duplex,
  core: "50/125",
  choices: {},
  tools: shippedLibrary().tools,
});

describe("the two sides of a duplex run", () => {
  it("begin with the other end at side B, whatever side A has", () => {
    for (const { id } of twoFibre.choices.find((choice) => choice.id === "run-end")?.options ?? []) {
      const A = { choices: twoFibre.choices, picked: { "run-end": id } };
      const B = choicesWith(twoFibre.choices, A);
      const both = plan({ sides: { A: ended(A.picked), B: ended(B) } });
      expect(sideMismatches(both, procedureOf)).toEqual([]);
    }
    expect(choicesWith(twoFibre.choices, { choices: twoFibre.choices, picked: {} })).toEqual({
      "run-end": "b",
    });
  });
  it("planned alike do not go together, and that is known before the bench", () => {
    const alike = plan({ sides: { A: ended({}), B: ended({}) } });
    expect(sideMismatches(alike, procedureOf)).toMatchObject([
      { name: "End of the run", asks: "other", here: "end A", far: "end A" },
    ]);
  });
  it("of a piece ended at one side alone have nothing to go together with", () => {
    expect(sideMismatches(plan({ sides: { A: ended({}), B: SIDE } }), procedureOf)).toEqual([]);
  });
});

describe("what nobody has said of a piece", () => {
  it("is in no figure, and is asked for: a stretch, a loop, and each side that is ended", () => {
    const requested = plan({
      sides: { A: ended({}), B: SIDE },
      route: [{ kind: "span", name: "", length: null, allowancePct: null }],
      loops: [{ name: "", after: 1, turns: null, perimeter: null }],
    });
    const { cut, exact, unsaid } = pieceNeeds(requested, parts);
    expect([cut, exact]).toEqual([0, 0]);
    expect(
      unsaid.map(
        ({ part, kind: subject }) => `${part.of === "side" ? part.side : `${part.of} ${part.at}`} ${subject}`,
      ),
    ).toEqual([
      "A entry",
      "A squared",
      "A grip",
      "A retry",
      "route 0 length",
      "route 0 sag",
      "route 0 allowance",
      "loop 0 turns",
      "loop 0 perimeter",
    ]);
  });
  it("once it is said is asked no more", () => {
    const said = plan({
      route: [{ kind: "duct", name: "", length: 20_000, allowancePct: 2 }],
      loops: [{ name: "", after: 1, turns: 2, perimeter: 1_400 }],
    });
    expect(pieceNeeds(said, parts)).toMatchObject({ unsaid: [], exact: 23_200_000 });
  });
  it("of how often an end comes out well gives no chance of falling short", () => {
    const built = { ...parts, sheets: { A: sheetOnce, B: null } };
    expect(pieceNeeds(plan({ sides: { A: ended({}), B: SIDE } }), built).curve).toEqual([]);
  });
});

describe("cable left at a side", () => {
  it("is slack: it lengthens the cut, and there is so much to work with", () => {
    const left = plan({ sides: { A: { ...SIDE, leave: 3_000 }, B: SIDE } });
    expect(pieceNeeds(left, parts).exact).toBe(3_000_000);
    expect(slackAllowed({ ...left.sides.A, retries: 2 }, um(60_000), false)).toBe(3_120_000);
    expect(slackAllowed(left.sides.B, um(60_000), false)).toBeNull();
  });
});
