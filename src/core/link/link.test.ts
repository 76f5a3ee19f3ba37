import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PLAN } from "../../../harness/plans";
import { shippedLibrary } from "../../../harness/shipped";
import { WAVELENGTHS } from "../light/light-reading";
import { layFactor } from "../piece/lay";
import { zPiecePlan } from "../piece/plan";
import { zStationId } from "../piece/station";
import { mustHoldAt } from "../problem/held";
import { openJoint } from "../splice/open-joint";
import { zSplicePlan } from "../splice/splice-plan";
import { type LinkClosure, type LinkPart, type LinkPiece, linkFrom } from "./link";
import { explainExcess, linkLoss } from "./link-loss";

const { cables } = shippedLibrary();
const loose = mustHoldAt(
  cables.filter(({ id }) => id === "loose-tube-36"),
  0,
);
const PAD = zStationId.parse("00000000-0000-4000-8000-000000000001");
const HUT = zStationId.parse("00000000-0000-4000-8000-000000000002");
const piece = (
  id: string,
  metres: number,
  ends: Partial<LinkPiece["ends"]>,
  stations: readonly object[] = [],
): LinkPiece => ({
  id,
  plan: zPiecePlan.parse({ ...PLAN, name: id, cable: "loose-tube-36", stations }),
  cable: { ...loose, lay: undefined },
  sheath: metres * 1_000_000,
  ends: { A: null, B: null, ...ends },
});
const station = (id: string, metres: number) => ({
  id,
  place: id,
  along: metres * 1_000,
  procedure: "entry-dome-gel-through",
  parted: [{ fibre: 7, at: "middle" }],
});
const splice = (n: number, a: object, b: object, count = 1) => ({
  ...{ id: `5b1d7c1e-0000-4000-8000-00000000000${n}`, a, b, count },
});
const closure = (
  id: string,
  joins: Readonly<Record<string, [string, string]>>,
  splices: readonly object[],
): LinkClosure => ({
  id,
  name: id,
  cables: Object.entries(joins).map(([cable, [of, side]]) => ({
    id: cable,
    joins: { piece: of, side: side === "A" || side === "B" ? side : zStationId.parse(side) },
  })),
  splices: zSplicePlan.parse({ splices }).splices,
  devices: [],
  estimates: new Map([["5b1d7c1e-0000-4000-8000-000000000001", 0.03]]),
});

/** A trunk from the hall, opened at two pads; at each its fibre 7 is cut and one of its ends goes on in a branch. */
const job = {
  pieces: [
    piece("trunk", 1_000, { A: "connector", B: "connector" }, [station(PAD, 300), station(HUT, 700)]),
    piece("branch", 50, { B: "connector" }),
  ],
  closures: [
    closure("pad", { t: ["trunk", PAD], b: ["branch", "A"] }, [
      splice(1, { cable: "t", towards: "A", fibre: 7 }, { cable: "b", fibre: 2 }),
      splice(2, { cable: "t", towards: "B", fibre: 7 }, { cable: "pigtail", fibre: 1 }),
    ]),
  ],
};
const kinds = (parts: readonly LinkPart[]) => parts.map(({ kind }) => kind);
const metres = (parts: readonly LinkPart[]) =>
  parts.flatMap((part) => (part.kind === "fibre" ? [part.metres] : []));

describe("a link", () => {
  it("goes from connector to connector through the splice it meets, from either side the same", () => {
    const link = linkFrom(job, { piece: "trunk", side: "A", fibre: 7 });
    expect(kinds(link)).toEqual(["connector", "fibre", "splice", "fibre", "connector"]);
    expect(metres(link)).toEqual([300, 50]);
    const back = linkFrom(job, { piece: "branch", side: "B", fibre: 2 });
    expect(kinds(back)).toEqual(kinds(link));
    expect(metres(back)).toEqual([50, 300]);
    expect(linkLoss(back, 1310).loss).toBeCloseTo(linkLoss(link, 1310).loss, 12);
  });
  it("asked for from a side that lies in a closure is the same link, from its own other end", () => {
    const whole = linkFrom(job, { piece: "trunk", side: "A", fibre: 7 });
    const within = linkFrom(job, { piece: "branch", side: "A", fibre: 2 });
    expect(kinds(within)).toEqual(kinds(whole));
    expect(within.map(({ at }) => at)).toEqual([0, 0, 300, 300, 350]);
    expect(linkFrom(job, { piece: "branch", side: "A", fibre: 3 }).map(({ kind }) => kind)).toEqual([
      "open",
      "fibre",
      "connector",
    ]);
  });
  it("ends at the other cut end of a fibre, at a pigtail, and open where nothing is planned", () => {
    expect(kinds(linkFrom(job, { piece: "trunk", side: "B", fibre: 7 }))).toEqual([
      "connector",
      "fibre",
      "open",
    ]);
    expect(metres(linkFrom(job, { piece: "trunk", side: "B", fibre: 7 }))).toEqual([300]);
    expect(kinds(linkFrom(job, { piece: "trunk", side: "A", fibre: 8 }))).toEqual([
      "connector",
      "fibre",
      "connector",
    ]);
    expect(kinds(linkFrom(job, { piece: "branch", side: "B", fibre: 3 }))).toEqual([
      "connector",
      "fibre",
      "open",
    ]);
    expect(linkFrom(job, { piece: "nowhere", side: "A", fibre: 1 })).toEqual([]);
  });
  it("goes through an open joint: from a receiver's output back to the source, and along the feeder", () => {
    let count = 0;
    const nextId = () => `6c000000-0000-4000-8000-${String(++count).padStart(12, "0")}`;
    const joint = openJoint({
      ...{ cable: "t", fibre: 7, lightFrom: "A", tapPct: 10, excessDb: 0.2, splitExcessDb: 0.4 },
      ...{ labels: ["Cottage 1", "Cottage 2"], nextId },
    });
    const { splices } = zSplicePlan.parse(joint);
    const [tap] = joint.devices;
    const hill = { ...closure("hill", { t: ["trunk", PAD] }, splices), devices: joint.devices };
    const along = linkFrom({ ...job, closures: [hill] }, { piece: "trunk", side: "A", fibre: 7 });
    expect(kinds(along)).toEqual(["connector", "fibre", "splice", "device", "splice", "fibre", "open"]);
    const [through] = along.flatMap((part) => (part.kind === "device" ? [part.loss] : []));
    expect(through).toBeCloseTo(0.2 - 10 * Math.log10(0.9), 9);

    const drop = { cable: tap?.id ?? "", towards: null, fibre: 3 };
    const branched = {
      ...closure("hill", { t: ["trunk", PAD], b: ["branch", "A"] }, [
        ...splices.slice(0, 2),
        splice(4, { cable: "b", fibre: 2 }, drop),
      ]),
      devices: joint.devices.slice(0, 1),
    };
    const back = linkFrom({ ...job, closures: [branched] }, { piece: "branch", side: "B", fibre: 2 });
    expect(kinds(back)).toEqual(["connector", "fibre", "splice", "device", "splice", "fibre", "connector"]);
    expect(metres(back)).toEqual([50, 300]);
    expect(linkLoss(back, 1310).loss).toBeCloseTo(
      linkLoss(
        back.filter(({ kind }) => kind !== "device"),
        1310,
      ).loss + 10.2,
      9,
    );
  });
  it("of a ring closed on itself ends, whatever is spliced to what", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat({ max: 3 }), fc.nat({ max: 3 })), { maxLength: 4 }), (pairs) => {
        const ends = [
          { cable: "t", towards: "A", fibre: 7 },
          { cable: "t", towards: "B", fibre: 7 },
          { cable: "b", fibre: 7 },
          { cable: "b2", fibre: 7 },
        ];
        const splices = pairs.map(([a, b], i) => splice(i + 1, ends[a] ?? {}, ends[b] ?? {}));
        const any = closure("any", { t: ["trunk", PAD], b: ["branch", "A"], b2: ["branch", "B"] }, splices);
        const link = linkFrom({ ...job, closures: [any] }, { piece: "trunk", side: "A", fibre: 7 });
        expect(link.length).toBeLessThan(20);
        expect(link.at(-1)?.kind).not.toBe("splice");
      }),
    );
  });
  it("has as much more fibre than sheath as its tubes are wound", () => {
    const { lay } = loose;
    if (!lay) throw new Error("its tubes are wound");
    const wound = { ...job, pieces: job.pieces.map((each) => ({ ...each, cable: loose })) };
    const [first] = metres(linkFrom(wound, { piece: "trunk", side: "A", fibre: 7 }));
    expect(first).toBeCloseTo(300 * layFactor(lay), 6);
    expect(layFactor(lay)).toBeGreaterThan(1);
  });
});

const parts: fc.Arbitrary<LinkPart> = fc.oneof(
  fc.constant<LinkPart>({ kind: "connector", at: 0, piece: "p", side: "A", fibre: 1, hasSplice: false }),
  fc.option(fc.integer({ min: 0, max: 30 }), { nil: null }).map(
    (hundredths): LinkPart => ({
      ...{ kind: "splice", at: 0, closure: "c", splice: "s" },
      estimateDb: hundredths === null ? null : hundredths / 100,
    }),
  ),
  fc
    .integer({ min: 1, max: 20_000 })
    .map((metres): LinkPart => ({ kind: "fibre", at: 0, piece: "p", metres, core: "9/125" })),
);

describe("what a link takes", () => {
  it("is the sum of its parts in whatever order, within the sum of their limits where each is usual", () => {
    fc.assert(
      fc.property(fc.array(parts, { maxLength: 12 }), fc.constantFrom(...WAVELENGTHS), (link, wavelength) => {
        const total = linkLoss(link, wavelength);
        const turned = linkLoss([...link].reverse(), wavelength);
        expect(turned.loss).toBeCloseTo(total.loss, 9);
        expect(turned.u).toBeCloseTo(total.u, 9);
        const singles = link.map((part) => linkLoss([part], wavelength));
        expect(singles.reduce((sum, { loss }) => sum + loss, 0)).toBeCloseTo(total.loss, 9);
        expect(Math.hypot(0, ...singles.map(({ u }) => u))).toBeCloseTo(total.u, 9);
        expect(total.loss).toBeLessThanOrEqual(total.limit + 1e-9);
      }),
    );
  });
  it("by the check value of ANSI/TIA-568.3, from memory: two connectors, one splice, 2 km at 0.5 dB/km are at most 2.8 dB", () => {
    const connector: LinkPart = {
      kind: "connector",
      at: 0,
      piece: "p",
      side: "A",
      fibre: 1,
      hasSplice: false,
    };
    const link: LinkPart[] = [
      connector,
      { kind: "fibre", at: 0, piece: "p", metres: 2_000, core: "9/125" },
      { kind: "splice", at: 0, closure: "c", splice: "s", estimateDb: null },
      connector,
    ];
    expect(linkLoss(link, 1310).limit).toBeCloseTo(2.8, 9);
    expect(linkLoss(link, 850).whole).toBe(false);
  });
});

describe("what explains a loss beyond what is expected", () => {
  const link = linkFrom(job, { piece: "trunk", side: "A", fibre: 7 });
  const over = (at1310: number, at1550: number) => [
    { wavelength: 1310 as const, loss: linkLoss(link, 1310).loss + at1310, u: 0.05 },
    { wavelength: 1550 as const, loss: linkLoss(link, 1550).loss + at1550, u: 0.05 },
  ];
  it("is a bend where the longer wavelength takes far more, a connector where both take the same, nothing where it is noise", () => {
    expect(explainExcess(link, over(0.1, 1.2))[0]?.suspect).toBe("bend");
    expect(explainExcess(link, over(0.8, 0.8))[0]?.suspect).toBe("connector");
    expect(explainExcess(link, over(0.1, 0.05))).toEqual([]);
  });
  it("is ranked by shares that add up to one", () => {
    const ranked = explainExcess(link, over(0.9, 0.7));
    expect(ranked.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(ranked.map(({ share }) => share)).toEqual(ranked.map(({ share }) => share).sort((a, b) => b - a));
    expect(ranked.some(({ suspect }) => suspect === "splice")).toBe(true);
  });
});
