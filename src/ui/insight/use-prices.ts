"use client";

import { useEffect, useState } from "react";
import { z } from "zod";

const KEY = "arlent:prices";

const zAmount = z.number().min(0).max(1e9);

/** Prices of one way to make ends; money in the user's own currency. */
const zWayPrices = z.strictObject({
  part: zAmount,
  consumables: zAmount,
  /** A try; null goes by the record. */
  minutes: zAmount.nullable(),
  setupMinutes: zAmount,
  kit: zAmount,
  /** Millimetres of cable a try. */
  cable: zAmount,
  /** Share of the part a failed try loses. */
  partLost: z.number().min(0).max(1),
  /** A stated yield; null goes by the record. */
  yield: z.number().gt(0).max(1).nullable(),
});
export type WayPrices = z.output<typeof zWayPrices>;

const zPrices = z.strictObject({
  ends: z.int().min(1).max(100_000),
  wage: zAmount,
  cablePrice: zAmount,
  /** A new blade, and an end that fails. */
  bladePrice: zAmount.default(60),
  failedEnd: zAmount.default(10),
  /** Ways compared, by the connector's id. */
  ways: z.record(z.string().max(80), zWayPrices),
});
export type Prices = z.output<typeof zPrices>;

/** Prices that say nothing yet: representative amounts, to be put right by whoever pays them. */
export const PLAIN_PRICES: WayPrices = {
  ...{
    part: 6,
    consumables: 0.5,
    minutes: null,
    setupMinutes: 10,
    kit: 0,
    cable: 80,
    partLost: 1,
    yield: null,
  },
};

/** The ways, wage and prices compared on this device. */
export function usePrices(usual: readonly string[]) {
  const [prices, setPrices] = useState<Prices>({
    ...{ ends: 40, wage: 40, cablePrice: 1, bladePrice: 60, failedEnd: 10 },
    ways: Object.fromEntries(usual.map((style) => [style, PLAIN_PRICES])),
  });
  useEffect(() => {
    const before = stored();
    if (before) setPrices(before);
  }, []);
  const change = (next: Partial<Prices>) => {
    const all = { ...prices, ...next };
    setPrices(all);
    try {
      localStorage.setItem(KEY, JSON.stringify(all));
    } catch {
      // A device that stores nothing still compares.
    }
  };
  return { prices, change };
}

function stored(): Prices | null {
  try {
    return zPrices.parse(JSON.parse(localStorage.getItem(KEY) ?? "null"));
  } catch {
    return null;
  }
}
