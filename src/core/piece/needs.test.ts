import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { shippedLibrary } from "../../../harness/shipped";
import type { Recorded } from "../event/recorded";
import { mm, um, ZERO } from "../length/length";
import { check } from "../problem/check";
import { InputError } from "../problem/problem";
import { compileRunSheet } from "../runsheet/compile";
import { slackAccount } from "./account";
import { bendRadius, bendsOf } from "./bend";
import { type PieceParts, pieceNeeds } from "./needs";
import { zPiecePlan } from "./plan";

const { cables, procedures, tools } = shippedLibrary();
const [cable] = cables.filter(({ id }) => id === "distribution-900");
const [procedure] = procedures.filter(({ id }) => id === "stub-cam-crimp-900");
if (!cable || !procedure) throw new Error("not shipped");
const sheet = compileRunSheet({ procedure, cable, core: "9/125", choices: {}, tools });
const parts: PieceParts = { cable, reach: {}, sheets: { A: sheet, B: sheet }, opened: { A: null, B: null } };

const side = (changed: object = {}) => ({
  place: "",
  procedure: "stub-cam-crimp-900",
  ends: 12,
  entry: 600,
  squaring: 50,
  grip: 0,
  retries: 2,
  ...changed,
});
const plan = (changed: object = {}) => ({
  name: "Pad 7 feeder",
  cable: "distribution-900",
  core: "9/125",
  sides: { A: side(), B: side({ grip: 1_000 }) },
  route: [
    { kind: "duct", name: "moor duct", length: 84_000, allowancePct: 2 },
    { kind: "span", name: "to the pole", length: 40_000, allowancePct: 0, sag: 600 },
  ],
  loops: [{ name: "hall loop", after: 0, turns: 3, perimeter: 2_100 }],
  yield: { p: 0.94 },
  risk: 0.01,
  roundUpTo: 100,
  ...changed,
});
const needsOf = (changed: object = {}) => pieceNeeds(check(zPiecePlan, plan(changed)), parts);

describe("tries of what is opened", () => {
  const open = { sheet, ends: 12 };
  const opened: PieceParts = { ...parts, opened: { A: open, B: null } };
  const withTries = (retries: number) => {
    const onto = { procedure: "stub-cam-crimp-900", choices: {}, retries };
    return pieceNeeds(check(zPiecePlan, plan({ sides: { A: side({ onto }), B: side() } })), opened);
  };
  it("lengthen their side once, however many lie side by side, by what one try of its own sheet takes", () => {
    const [none, two] = [withTries(0), withTries(2)];
    expect(two.exact - none.exact).toBe(2 * sheet.uses.retry);
    expect(two.items[0]?.figures.find(({ kind: subject }) => subject === "opened-retry")).toMatchObject({
      length: sheet.uses.retry,
      times: 2,
      of: "procedure",
    });
    expect(two.exact).toBe(two.items.reduce((sum, { length }) => sum + length, 0));
  });
  it("are told as a curve of their own, of all that is opened at both sides; of none, there is none", () => {
    const { opened: reported, curve } = withTries(1);
    // Twelve ends alike at each curve's place: A's 12 opened here, A's and B's 12 and 12 at the cable itself.
    expect(reported.curve[0]?.short).toBeCloseTo(1 - 0.94 ** 12, 9);
    expect(curve[0]?.short).toBeCloseTo(1 - 0.94 ** 24, 9);
    expect(reported.curve[1]?.cut).toBe(withTries(1).cut);
    expect(reported.curve.map(({ cut }) => cut)).toEqual(
      reported.curve.map(({ cut }) => cut).toSorted((a, b) => a - b),
    );
    expect(needsOf().opened).toEqual({ curve: [], enough: null });
  });
});

describe("what a piece needs", () => {
  it("lies in order from side A to side B, each item its figures added up, the sum of all the cut before rounding", () => {
    const { items, exact, cut } = needsOf();
    expect(items.map(({ name }) => name)).toEqual([
      "side A",
      "hall loop",
      "moor duct",
      "to the pole",
      "side B",
    ]);
    for (const { length, figures } of items)
      expect(figures.reduce((sum, figure) => sum + figure.length * figure.times, 0)).toBe(length);
    expect(items.reduce((sum, { length }) => sum + length, 0)).toBe(exact);
    expect(cut).toBe(Math.ceil(exact / 100_000) * 100_000);
  });
  it("takes each side's use and what a retry costs from its own procedure, and says whose figure that is", () => {
    const [a] = needsOf().items;
    expect(a?.figures).toEqual([
      { kind: "prepared", length: sheet.uses.prepared, times: 1, of: "procedure", representative: true },
      { kind: "squared", length: mm(50), times: 1, of: "plan", representative: false },
      { kind: "entry", length: mm(600), times: 1, of: "plan", representative: false },
      { kind: "retry", length: sheet.uses.retry, times: 2, of: "procedure", representative: true },
    ]);
  });
  it("allows for a span's sag by the catenary: 40 m with 0.6 m of sag is 24 mm longer", () => {
    // Parabola to the first order, 8·s²/3·l (any handbook of mechanics): 24 mm.
    const span = needsOf().items.find(({ name }) => name === "to the pole");
    expect(span?.figures.find(({ kind: subject }) => subject === "sag")?.length).toBeCloseTo(24_000, -2);
  });
  it("is never shorter for a longer route, one turn more or one retry more", () => {
    fc.assert(
      fc.property(
        fc.nat({ max: 500_000 }),
        fc.nat({ max: 6 }),
        fc.nat({ max: 6 }),
        (length, turns, retries) => {
          const cutOf = (l: number, t: number, r: number) =>
            needsOf({
              route: [{ kind: "tray", name: "", length: l, allowancePct: 1.5 }],
              loops: [{ name: "", after: 1, turns: t, perimeter: 2_000 }],
              sides: { A: side({ retries: r }), B: side() },
            }).cut;
          const cut = cutOf(length, turns, retries);
          expect(cutOf(length + 1, turns, retries)).toBeGreaterThanOrEqual(cut);
          expect(cutOf(length, turns + 1, retries)).toBeGreaterThan(cut);
          expect(cutOf(length, turns, retries + 1)).toBeGreaterThanOrEqual(cut);
        },
      ),
    );
  });
  it("shows what fewer or more retries would cost and risk, for all the ends of both sides", () => {
    const { curve, enough } = needsOf();
    expect(curve[2]?.cut).toBe(needsOf().cut);
    // 24 ends at 0.94: 1 − (1 − 0.06³)²⁴, by hand.
    expect(curve[2]?.short).toBeCloseTo(1 - (1 - 0.06 ** 3) ** 24, 12);
    expect(enough).toBe(2);
    const none = pieceNeeds(check(zPiecePlan, plan()), {
      cable,
      reach: {},
      sheets: { A: null, B: null },
      opened: { A: null, B: null },
    });
    expect([none.curve, none.enough]).toEqual([[], null]);
  });
  it("refuses a loop tighter than the cable may rest, saying how wide it must be, and takes one just as wide", () => {
    const { atRest } = bendRadius(cable);
    expect(atRest).toBe(10 * (cable.layers[0]?.diameter ?? 0));
    const around = Math.ceil(2 * Math.PI * atRest) / 1000;
    const loops = (perimeter: number) => ({ loops: [{ name: "", after: 0, turns: 1, perimeter }] });
    expect(() => needsOf(loops(Math.floor(around)))).toThrow(/rests at no less than 62\.0 mm/);
    expect(needsOf(loops(Math.ceil(around))).items[1]?.length).toBe(mm(Math.ceil(around)));
    expect(() => needsOf({ ...loops(Math.ceil(around)), bendAtRest: 300 })).toThrow(InputError);
  });
  it("refuses a plan with a negative route, a yield of 1.2, a loop after a stretch there is not", () => {
    const refused = (changed: object) => {
      try {
        check(zPiecePlan, plan(changed));
      } catch (error) {
        return error instanceof InputError ? error.problem.path.join(".") : String(error);
      }
      return "taken";
    };
    expect(refused({ route: [{ kind: "duct", name: "", length: -1, allowancePct: 0 }] })).toBe(
      "route.0.length",
    );
    expect(refused({ yield: { p: 1.2 } })).toBe("yield.p");
    expect(refused({ loops: [{ name: "", after: 3, turns: 1, perimeter: 2_000 }] })).toBe("loops.0.after");
    expect(refused({ sides: { A: side({ retries: 99 }), B: side() } })).toBe("sides.A.retries");
  });
});

describe("a place's slack", () => {
  const event = (said: object): Recorded =>
    ({ id: randomUUID(), seq: 1, at: "2026-11-26T08:00:00Z", client: "x", event: said }) as Recorded;
  const retry = event({ kind: "retry", rule: "new", cableLost: 100_000 });
  const rework = event({ kind: "rework", cableLost: 8_000 });
  it("is used by every attempt and rework, and enough for so many more", () => {
    const account = slackAccount(um(300_000), [[retry], [rework]], um(100_000));
    expect([account.used, account.left, account.attempts]).toEqual([108_000, 192_000, 1]);
    expect(account.uses.map(({ kind }) => kind)).toEqual(["retry", "rework"]);
  });
  it("is not used by what was taken back at once, nor by what took no cable", () => {
    const back = event({ kind: "take-back", event: retry.id });
    const dry = event({ kind: "retry", rule: "seat" });
    expect(slackAccount(um(300_000), [[retry, back, dry]], um(100_000)).used).toBe(0);
  });
  it("is not known until somebody states it, and never enough for less than nothing", () => {
    expect(slackAccount(null, [[retry]], um(100_000))).toMatchObject({ left: null, attempts: null });
    expect(slackAccount(ZERO, [[retry]], um(100_000))).toMatchObject({ left: -100_000, attempts: 0 });
  });
});

describe("how far a cable may be bent where it is opened", () => {
  const [loose] = cables.filter(({ id }) => id === "loose-tube-36");
  if (!loose) throw new Error("not shipped");
  const bends = (changed: object) =>
    bendsOf({ ...loose, ...changed }).map(({ part, atRest, underLoad, of }) => [part, atRest, underLoad, of]);
  const tube = loose.layers.find(({ kind }) => kind === "tube")?.diameter ?? 0;
  const sheath = loose.layers[0]?.diameter ?? 0;
  it("goes by its diameter, its tube's and the grade of its glass (TIA-568.3, ITU-T G.652, G.657; from memory)", () => {
    expect(bends({})).toEqual([
      ["cable", 10 * sheath, 20 * sheath, "multiple"],
      ["tube", 10 * tube, 20 * tube, "practice"],
      ["fibre", 30_000, 30_000, "G.652"],
    ]);
    // Bent further at rest, not in the hand.
    expect(bends({ grade: "G.657.A2" })[2]).toEqual(["fibre", 7_500, 30_000, "G.657.A2"]);
    expect(bends({ grade: undefined })[2]).toEqual(["fibre", 30_000, 30_000, "G.652"]);
  });
  it("goes by its own sheet where that says it, and by its plan before that", () => {
    const own = { bends: { atRest: um(150_000), underLoad: um(260_000) } };
    expect(bends(own)[0]).toEqual(["cable", 150_000, 260_000, "own"]);
    expect(bendRadius({ ...loose, ...own }, um(180_000))).toMatchObject({ atRest: 180_000, of: "own" });
  });
});
