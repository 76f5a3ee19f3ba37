import { describe, expect, it } from "vitest";
import { holdSeal, sealsHeld } from "./seals-held";

function box() {
  const items = new Map<string, string>();
  return {
    getItem: (key: string) => items.get(key) ?? null,
    setItem: (key: string, value: string) => void items.set(key, value),
  };
}
const sealOf = (n: number): string => `arlent-seal 2 2026-12-01T08:00:00.000Z ${n} root-${n} key signature`;

describe("the seals a device holds", () => {
  it("are each held once, by what they say of the record", () => {
    const device = box();
    for (const n of [1, 2, 2, 1]) holdSeal(device, sealOf(n));
    expect(sealsHeld(device)).toEqual([sealOf(1), sealOf(2)]);
  });
  it("stay few and reach from the first to the newest", () => {
    const device = box();
    for (let n = 1; n <= 500; n++) holdSeal(device, sealOf(n));
    const held = sealsHeld(device);
    expect(held.length).toBeLessThanOrEqual(41);
    expect([held[0], held.at(-1)]).toEqual([sealOf(1), sealOf(500)]);
  });
  it("are none where what lies there is no list of them", () => {
    const device = box();
    device.setItem("arlent-seals", "{");
    expect(sealsHeld(device)).toEqual([]);
  });
});
