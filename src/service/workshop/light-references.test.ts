import { randomUUID } from "node:crypto";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { check, type LightReference, newestReference, referenceTrouble, zNewReference } from "@/core";
import { openStore } from "@/store/opening/open";
import { actOn } from "../act";
import { codeOf } from "../fixtures/code-of";
import { addTo, endRead } from "../fixtures/made-ends";
import { shareReference, usableReferences } from "./light-references";

const NOW = new Date("2026-11-25T12:00:00.000Z");
const reference = (taken: string, more: Partial<LightReference> = {}): LightReference => ({
  ...{ taken, wavelength: 1310, source: "Source 2", cord: "Launch cord 4" },
  ...{ dBm: [-20.1], celsius: null, ...more },
});
const share = (store: ReturnType<typeof openStore>, of: LightReference, id = randomUUID()) =>
  shareReference(actOn(store, NOW), check(zNewReference, { id, reference: of }));

describe("a reference taken on one device", () => {
  it("is there for every other, with how often its cord was mated, until it is stale", () => {
    const store = openStore(":memory:");
    const taken = new Date().toISOString();
    const today = new Date(Date.parse(taken) + 1_000);
    shareReference(actOn(store, today), check(zNewReference, { reference: reference(taken) }));
    const end = endRead(store, "measure");
    addTo(store, end, {
      ...{ kind: "light", read: today.toISOString(), from: "here", reference: reference(taken), matings: 0 },
      meter: { id: "m", name: "Meter", resolution: 0.01, repeatability: 0.02, mating: 0.05 },
      ...{ dBm: [-20.3, -20.4], celsius: null, limitDb: 1.05, limitFrom: "connector", tried: "first" },
    });
    expect(usableReferences(store, today)).toMatchObject([
      { reference: { cord: "Launch cord 4" }, matings: 2 },
    ]);
    expect(usableReferences(store, new Date(Date.parse(taken) + 9 * 3_600_000))).toEqual([]);
  });
  it("sent twice is stored once; under an id of another it is refused, and so is one of another day", () => {
    const store = openStore(":memory:");
    const id = randomUUID();
    share(store, reference("2026-11-25T11:00:00.000Z"), id);
    share(store, reference("2026-11-25T11:00:00.000Z"), id);
    expect(usableReferences(store, NOW)).toHaveLength(1);
    expect(codeOf(() => share(store, reference("2026-11-25T11:30:00.000Z"), id))).toBe("id-taken");
    expect(codeOf(() => share(store, reference("2026-11-24T11:00:00.000Z")))).toBe("stale-reference");
    expect(usableReferences(store, NOW)).toHaveLength(1);
  });
  it("is used in place of an older one of the same source, cord and wavelength alone: never an older, never another's", () => {
    let newer = 0;
    const minute = fc.integer({ min: 0, max: 400 });
    const any = fc.record({
      minute,
      wavelength: fc.constantFrom(1310 as const, 1550 as const),
      cord: fc.constantFrom("Launch cord 4", "Launch cord 5"),
      matings: fc.nat(60),
    });
    const counted = ({
      minute: at,
      wavelength,
      cord,
      matings,
    }: { minute: number; matings: number } & Pick<LightReference, "wavelength" | "cord">) => ({
      matings,
      reference: reference(new Date(NOW.getTime() + at * 60_000).toISOString(), { wavelength, cord }),
    });
    fc.assert(
      fc.property(any, fc.array(any, { maxLength: 12 }), (own, others) => {
        const held = counted(own);
        const used = newestReference(held, others.map(counted));
        expect([used.reference.wavelength, used.reference.cord]).toEqual([own.wavelength, own.cord]);
        expect(used.reference.taken >= held.reference.taken).toBe(true);
        if (used.reference.taken !== held.reference.taken) newer++;
        const alike = others.filter(
          ({ wavelength, cord }) => wavelength === own.wavelength && cord === own.cord,
        );
        for (const other of alike.map(counted))
          expect(used.reference.taken >= other.reference.taken).toBe(true);
      }),
      { numRuns: 300 },
    );
    expect(newer).toBeGreaterThan(20);
  });
  it("stale is never listed, over any history (property)", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -1_000, max: 0 }), { maxLength: 8 }),
        fc.nat(1_000),
        (minutes, later) => {
          const store = openStore(":memory:");
          for (const minute of minutes) {
            const taken = new Date(NOW.getTime() + minute * 60_000);
            shareReference(
              actOn(store, taken),
              check(zNewReference, { reference: reference(taken.toISOString()) }),
            );
          }
          const read = new Date(NOW.getTime() + later * 60_000);
          for (const { reference: of, matings } of usableReferences(store, read))
            expect(
              referenceTrouble({ read: read.toISOString(), reference: of, matings, celsius: null }),
            ).toBeNull();
        },
      ),
      { numRuns: 12 },
    );
  });
});
