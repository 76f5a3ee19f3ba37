import { beforeEach, describe, expect, it } from "vitest";
import {
  check,
  type EventInput,
  parseAddress,
  zBeginPlaces,
  zLinkQuery,
  zNewClosure,
  zNewJob,
  zNewPieces,
} from "@/core";
import { WORLD } from "@/core/fixtures/example-world";
import { PLAN } from "../../../harness/plans";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { addTo } from "../fixtures/made-ends";
import { openStore, type Store } from "../the-store";
import { addClosure } from "./closures";
import { addPieces, newJob } from "./jobs";
import { linkOf } from "./link";
import { beginPlaces } from "./places";

let store: Store;
let job: string;
const ended = {
  ...PLAN.sides.A,
  procedure: "breakout-kit-6",
  ends: 6,
  onto: { procedure: "stub-wedge-release-900" },
};
const closed = { ...PLAN.sides.A, procedure: "entry-dome-gel", ends: 1 };
const add = (name: string, metres: number, sides: object) =>
  addPieces(
    actOn(store),
    job,
    check(zNewPieces, {
      pieces: [
        {
          plan: {
            ...{ ...PLAN, name, cable: "loose-tube-36", sides: { ...PLAN.sides, ...sides } },
            route: [{ kind: "duct", name: "", length: metres * 1_000, allowancePct: 0 }],
          },
        },
      ],
    }),
  )[0]?.id ?? "";
beforeEach(() => {
  store = openStore(":memory:");
  job = newJob(actOn(store), check(zNewJob, { name: "Hill cottages" })).id;
});
const linkAt = (piece: string, fibre: number, side = "A") =>
  linkOf(store, piece, check(zLinkQuery, { side, fibre: String(fibre) }));

describe("the link of a fibre", () => {
  it("runs through a closure's splice by its estimate, as long as its pieces", () => {
    const hall = add("Hall trunk", 200, { A: ended, B: closed });
    const pad = add("Pad branch", 50, { A: closed, B: ended });
    const cables = [
      { id: "0d6c1a52-7f0a-4f63-8a1e-1f9d5b1c0e01", joins: { piece: hall, side: "B" } },
      { id: "0d6c1a52-7f0a-4f63-8a1e-1f9d5b1c0e02", joins: { piece: pad, side: "A" } },
    ].map((cable) => ({ ...cable, cable: "loose-tube-36", role: "branch", through: false }));
    const splices = [
      {
        id: "5b1d7c1e-0000-4000-8000-000000000001",
        a: { cable: cables[0]?.id, fibre: 3 },
        b: { cable: cables[1]?.id, fibre: 5 },
        slot: "1.1",
      },
    ];
    const plan = { name: "Hut closure", entry: "entry-dome-gel", cables, splicing: { splices } };
    addClosure(actOn(store), job, check(zNewClosure, { plan }));
    const { parts, whole, wavelengths } = linkAt(hall, 3);
    expect(parts.map(({ kind, name }) => [kind, name])).toEqual([
      ["connector", "Hall trunk, side A"],
      ["fibre", "Hall trunk"],
      ["splice", "Hut closure, slot 1.1"],
      ["fibre", "Pad branch"],
      ["connector", "Pad branch, side B"],
    ]);
    expect(whole).toBe(true);
    expect(wavelengths.map(({ wavelength }) => wavelength)).toEqual([1310, 1490, 1550, 1625]);
    // Two connectors with their splices, one splice more, and the fibre between at 0.5 dB/km.
    const metres = parts.reduce((sum, part) => sum + part.metres, 0);
    expect(metres).toBeGreaterThan(250);
    expect(wavelengths[0]?.limit).toBeCloseTo(2 * 1.05 + 0.3 + metres * 0.0005, 9);
    expect(linkAt(hall, 4).whole).toBe(false);
    expect(codeOf(() => linkAt(hall, 37))).toBe("no-such-element");
  });
  it("has the losses that were read at its ends, and what explains the rest", () => {
    const feeder = add("Pad 4 feeder", 100, { A: ended, B: ended });
    const { id } = beginPlaces(
      actOn(store),
      feeder,
      check(zBeginPlaces, { side: "A", addresses: [parseAddress("tube 1 / fibre 2")] }),
    );
    const light = (wavelength: number, dBm: number): EventInput => ({
      ...{ kind: "light", read: "2026-11-25T08:00:00.000Z", from: "here", ...WORLD.lightRead },
      reference: { ...WORLD.lightRead.reference, wavelength: wavelength === 1310 ? 1310 : 1550 },
      ...{ dBm: [dBm], matings: 0, celsius: null, limitFrom: "plan", tried: "first" },
    });
    addTo(store, id, light(1310, -20.7), light(1550, -22.4));
    const { wavelengths, suspects } = linkAt(feeder, 2, "B");
    const measured = wavelengths.flatMap((at) => (at.measured ? [[at.wavelength, at.measured.loss]] : []));
    expect(measured.map(([wavelength]) => wavelength)).toEqual([1310, 1550]);
    expect(measured[1]?.[1]).toBeCloseTo(2.4, 9);
    expect(suspects[0]?.suspect).toBe("bend");
    expect(linkAt(feeder, 1).wavelengths.every((at) => at.measured === null)).toBe(true);
  });
});
