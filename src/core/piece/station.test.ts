import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PLAN } from "../../../harness/plans";
import { shippedLibrary } from "../../../harness/shipped";
import type { Cable } from "../cable/cable";
import { midSpanOf } from "../cable/mid-span";
import { um } from "../length/length";
import { mustHoldAt } from "../problem/held";
import { InputError } from "../problem/problem";
import { misfits } from "../procedure/fit";
import { compileRunSheet } from "../runsheet/compile";
import { isMidRun, workedTo } from "../runsheet/runsheet";
import { addressText, parseAddress, zAddress } from "./address";
import { pieceNeeds } from "./needs";
import { openingsOf } from "./openings";
import { cableAt, farEnds, placeKey, placeSides, placeText, plannedEnds, type Shelved } from "./places";
import { liftedPlan, type PiecePlan, zPiecePlan } from "./plan";
import { zStationId } from "./station";

const { cables, procedures, tools } = shippedLibrary();
const shelf: Shelved = {
  cable: (id) => cables.find((cable) => cable.id === id),
  procedure: (id) => procedures.find((procedure) => procedure.id === id),
};
const must = <T>(match: T | undefined): T => {
  if (match === undefined) throw new Error("not shipped");
  return match;
};
const ring: Cable = must(shelf.cable("loose-tube-36"));
const STYLE = "entry-dome-gel-through";
const sheet = compileRunSheet({
  procedure: must(shelf.procedure(STYLE)),
  cable: midSpanOf(ring),
  core: "9/125",
  choices: {},
  tools,
});
const reach = { [STYLE]: workedTo(sheet) };

const id = (n: number) => zStationId.parse(`00000000-0000-4000-8000-00000000000${n}`);
const station = (n: number, along: number, more: object = {}) => ({
  id: id(n),
  place: `pad ${n}`,
  along,
  procedure: STYLE,
  ...more,
});
const side = { ...PLAN.sides.A, place: "hall" };
/** 1 000 m of duct, so many stations on it. */
const planned = (stations: readonly object[], sides: object = {}): PiecePlan =>
  zPiecePlan.parse({
    ...PLAN,
    cable: "loose-tube-36",
    route: [{ kind: "duct", name: "", length: 1_000_000, allowancePct: 0 }],
    sides: { A: side, B: side, ...sides },
    stations,
  });
const needs = (plan: PiecePlan) =>
  pieceNeeds(plan, { cable: ring, reach, sheets: { A: null, B: null }, opened: { A: null, B: null } });
const said = (make: () => unknown) => {
  try {
    return make();
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return [error.problem.code, error.problem.path.join("."), error.problem.message];
  }
};

describe("stations along a piece", () => {
  it("lie in order from side A, each as far as it is worked to either side; nothing of them is cut for", () => {
    const plan = planned([station(1, 700_000), station(2, 200_000)]);
    const { openings, cut } = needs(plan);
    expect(workedTo(sheet)).toBe(um(930_000));
    expect(openings.map(({ name, from, to }) => [name, from, to])).toEqual([
      ["pad 2", 199_070_000, 200_930_000],
      ["pad 1", 699_070_000, 700_930_000],
    ]);
    expect(cut).toBe(needs(planned([])).cut);
    expect(placeSides(plan)).toEqual(["A", id(2), id(1), "B"]);
  });
  it("beyond the piece, or with their work over a neighbour's, are refused in words", () => {
    expect(said(() => needs(planned([station(1, 500)])))).toEqual([
      "limit",
      "stations.0.along",
      expect.stringContaining("pad 1 lies beyond the piece: it is worked from -0.43 to 1.43 m"),
    ]);
    expect(said(() => needs(planned([station(1, 2_000_000)])))).toContain("limit");
    expect(said(() => needs(planned([station(1, 500_000), station(2, 501_500)])))).toEqual([
      "does-not-fit",
      "stations.1.along",
      "The opening pad 2 lies over pad 1: their work overlaps by 360.0 mm.",
    ]);
    expect(needs(planned([station(1, 500_000), station(2, 501_860)])).openings).toHaveLength(2);
  });
  it("that are taken never overlap and never leave the piece, wherever they are put", () => {
    const along = fc.integer({ min: 0, max: 20_000 });
    fc.assert(
      fc.property(fc.array(along, { minLength: 1, maxLength: 5 }), (places) => {
        const stations = places.map((mm, n) => ({
          id: id(n),
          place: "",
          along: um(mm * 1_000),
          procedure: STYLE,
          choices: {},
          onto: null,
          parted: [],
        }));
        try {
          const openings = openingsOf(stations, 20_000_000, () => 930_000);
          const edges = openings.flatMap(({ from, to }) => [from, to]);
          expect(edges).toEqual([...edges].sort((a, b) => a - b));
          expect(edges[0]).toBeGreaterThanOrEqual(0);
          expect(edges.at(-1)).toBeLessThanOrEqual(20_000_000);
        } catch (error) {
          if (!(error instanceof InputError)) throw error;
          const wide = places.map((mm) => mm * 1_000).sort((a, b) => a - b);
          const apart = wide.every((at, i) => i === 0 || at - (wide[i - 1] ?? 0) >= 2 * 930_000);
          const within = wide.every((at) => at >= 930_000 && at <= 20_000_000 - 930_000);
          expect(apart && within).toBe(false);
        }
      }),
    );
  });
  it("are asked for fibres once each, by whole numbers from one", () => {
    const parted = (all: readonly object[]) => () => planned([station(1, 500_000, { parted: all })]);
    expect(parted([{ fibre: 7, at: "middle" }])().stations[0]?.parted).toEqual([{ fibre: 7, at: "middle" }]);
    expect(
      parted([
        { fibre: 7, at: "middle" },
        { fibre: 7, at: "upstream" },
      ]),
    ).toThrow(/List each fibre once/);
    expect(parted([{ fibre: 0, at: "middle" }])).toThrow(/A fibre's number must be 1 or more/);
    expect(() => planned([station(1, 1_000), station(1, 9_000)])).toThrow(/must have its own id/);
  });
});

describe("what is in hand at a station", () => {
  const plan = planned([station(1, 500_000)]);
  it("is the cable in mid-run, and once that is open each fibre of it as one that came out of a tube", () => {
    const at = (address: string) =>
      cableAt(plan, ring, { side: id(1), address: parseAddress(address) }, shelf);
    expect(at("")).toEqual(midSpanOf(ring));
    expect(isMidRun(sheet)).toBe(true);
    expect([at("tube 2 / fibre 1").fibreCount, at("tube 2").fibreCount]).toEqual([1, 6]);
    expect(said(() => at("tube 9"))).toContain("no-such-element");
    const elsewhere = { side: id(2), address: [] };
    expect(said(() => cableAt(plan, ring, elsewhere, shelf))).toContain("no-such-element");
  });
  it("is one opening, said by what is there", () => {
    const [opening] = plannedEnds(plan, id(1), ring, shelf);
    expect(opening).toMatchObject({ procedure: STYLE, address: [], openedAt: null });
    expect(placeText({ side: id(1), address: parseAddress("tube 2 / fibre 1") }, plan)).toBe(
      "pad 1, tube 2 / fibre 1",
    );
    expect(plannedEnds(plan, id(2), ring, shelf)).toEqual([]);
  });
});

describe("the cut ends of a parted fibre", () => {
  const onto = { procedure: "fusion-splice-on-250", choices: {} };
  const parting = (n: number, along: number, cutEnds?: string | null) =>
    station(n, along, {
      parted: [{ fibre: 7, at: "middle" }],
      onto: { ...onto, ...(cutEnds !== undefined && { cutEnds }) },
    });
  const placesAt = (plan: PiecePlan, n: number) =>
    plannedEnds(plan, id(n), ring, shelf)
      .filter(({ openedAt }) => openedAt !== null)
      .map(({ address }) => addressText(address));
  it("are two places, each with its own work, unless one is left", () => {
    const [towardsA, towardsB] = ["A", "B"].map((side) => `tube 2 / fibre 1 towards ${side}`);
    expect(placesAt(planned([parting(1, 300_000)]), 1)).toEqual([towardsA, towardsB]);
    expect(placesAt(planned([parting(1, 300_000, "A")]), 1)).toEqual([towardsA]);
    expect(placesAt(planned([parting(1, 300_000, "B")]), 1)).toEqual([towardsB]);
    const address = parseAddress(towardsB ?? "");
    expect(cableAt(planned([parting(1, 300_000)]), ring, { side: id(1), address }, shelf).fibreCount).toBe(1);
    expect(parseAddress(addressText(address))).toEqual(address);
  });
  it("of a plan of an earlier program stay the one end they were", () => {
    const lifted = zPiecePlan.parse(
      liftedPlan({ ...PLAN, cable: "loose-tube-36", stations: [parting(1, 300_000)] }),
    );
    expect(lifted.stations[0]?.onto?.cutEnds).toBeNull();
    expect(placesAt(lifted, 1)).toEqual(["tube 2 / fibre 1"]);
  });
  it("look each to its own side, as far as the next place where the fibre is parted too", () => {
    const plan = planned([parting(1, 300_000), parting(2, 600_000)], { A: each, B: each });
    const far = (from: "A" | "B" | 1 | 2, address: string) =>
      farEnds(
        plan,
        { side: typeof from === "number" ? id(from) : from, address: parseAddress(address) },
        ring,
        shelf,
      ).map(placeKey);
    const cut = (n: number, side: string) => `${id(n)} tube 2 / fibre 1 towards ${side}`;
    expect(far("A", "tube 2 / fibre 1")).toEqual([cut(1, "A")]);
    expect(far(1, "tube 2 / fibre 1 towards A")).toEqual(["A tube 2 / fibre 1"]);
    expect(far(1, "tube 2 / fibre 1 towards B")).toEqual([cut(2, "A")]);
    expect(far(2, "tube 2 / fibre 1 towards A")).toEqual([cut(1, "B")]);
    expect(far(2, "tube 2 / fibre 1 towards B")).toEqual(["B tube 2 / fibre 1"]);
    expect(far("B", "tube 2 / fibre 1")).toEqual([cut(2, "B")]);
  });
  it("of a ribbon that is cut as a whole are worked as a ribbon, and not where a fibre of it stays whole", () => {
    const ribbons = must(shelf.cable("central-tube-ribbon-96"));
    const fanOut = { procedure: "ribbon-fan-out-12", choices: {} };
    const fibres = Array.from({ length: 23 }, (_, i) => ({ fibre: i + 1, at: "middle" }));
    const plan = planned([station(1, 300_000, { parted: fibres, onto: fanOut })]);
    const [, ...ends] = plannedEnds(plan, id(1), ribbons, shelf);
    expect(ends.map(({ address }) => addressText(address))).toEqual(
      ["A", "B"].map((side) => `tube 1 / ribbon 1 towards ${side}`),
    );
    const inHand = cableAt(plan, ribbons, mustHoldAt(ends, 0), shelf);
    const procedure = must(shelf.procedure(fanOut.procedure));
    expect(misfits(procedure, inHand, "9/125")).toEqual([]);
    expect(inHand).toMatchObject({ construction: "ribbon", fibreCount: 12 });
  });
  it("are had by no end of a cable, and by nothing but a fibre or ribbon", () => {
    const plan = planned([parting(1, 300_000)]);
    const address = parseAddress("tube 2 / fibre 1 towards A");
    expect(said(() => cableAt(plan, ring, { side: "A", address }, shelf))).toContain("no-such-element");
    expect(said(() => parseAddress("tube 2 towards A"))).toContain("no-such-element");
    expect(zAddress.safeParse([{ kind: "tube", position: 2, towards: "A" }]).success).toBe(false);
  });
});

const each = {
  ...side,
  procedure: "breakout-kit-6",
  ends: 6,
  onto: { procedure: "stub-wedge-release-900" },
};

describe("the other end of a fibre", () => {
  const plan = planned(
    [
      station(1, 300_000, { parted: [{ fibre: 7, at: "middle" }] }),
      station(2, 600_000, { parted: [{ fibre: 8, at: "middle" }] }),
    ],
    { A: each, B: each },
  );
  const far = (from: "A" | "B" | 1, address: string) =>
    farEnds(plan, { side: from === 1 ? id(1) : from, address: parseAddress(address) }, ring, shelf).map(
      placeKey,
    );
  it("is where it is parted on the way, else at the other side", () => {
    // Tube 2 begins with fibre 7.
    expect(far("A", "tube 2 / fibre 1")).toEqual([id(1)]);
    expect(far("B", "tube 2 / fibre 1")).toEqual([id(1)]);
    expect(far("B", "tube 2 / fibre 2")).toEqual([id(2)]);
    expect(far("A", "tube 2 / fibre 3")).toEqual(["B tube 2 / fibre 3"]);
  });
  it("is what is planned on the parted fibre there, once something is", () => {
    const onto = { procedure: "fusion-splice-on-250", choices: {}, cutEnds: "both" as const };
    const ended = { ...plan, stations: plan.stations.map((station) => ({ ...station, onto })) };
    const report = (address: string) =>
      farEnds(ended, { side: "A", address: parseAddress(address) }, ring, shelf).map(
        ({ procedure, ...first }) => [placeKey(first), procedure],
      );
    expect(report("tube 2 / fibre 1")).toEqual([[`${id(1)} tube 2 / fibre 1 towards A`, onto.procedure]]);
    expect(report("tube 2 / fibre 3").map(([key]) => key)).toEqual(["B tube 2 / fibre 3"]);
  });
  it("of a tube with some parted is told of each", () => {
    expect(far("B", "tube 2")).toEqual([
      id(2),
      id(1),
      ...[3, 4, 5, 6].map((fibre) => `B tube 2 / fibre ${fibre}`.replace("B", "A")),
    ]);
  });
  it("of what is opened at a station is at both sides", () => {
    expect(far(1, "tube 2 / fibre 1")).toEqual(["A tube 2 / fibre 1", "B tube 2 / fibre 1"]);
  });
});
