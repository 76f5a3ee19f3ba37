import { partsFor } from "./stock";
import { yieldInterval } from "./yields";

/** The record of one way to make ends. */
interface WayOnRecord {
  readonly good: number;
  readonly tried: number;
  /** Median minutes of an end; null where the record has none. */
  readonly minutes: number | null;
}

/** Tries, parts and hours for ends still to be made; a range where the record leaves one. */
interface Effort {
  /** Parts to bring; null where so many spares are not enough. */
  readonly parts: number | null;
  readonly tries: { readonly least: number; readonly most: number };
  /** Null without minutes on record. */
  readonly hours: { readonly least: number; readonly most: number } | null;
}

/** The most spares looked at. */
const MOST_SPARES = 10_000;
/** Share of certainty of a range. */
const SURE = 0.9;
/** A yield is taken to be at least this: below it nothing can be planned. */
const LEAST_YIELD = 0.05;

/**
 * Parts, tries and hours that ends still take by the record: parts so that running short stays within the risk, tries and hours at both ends
 * of the yield's interval (Jeffreys).
 * @param risk the chance of running short that is allowed, for example 0.05.
 * @example effortFor(10, { good: 90, tried: 100, minutes: 6 }, 0.05).parts // 13
 */
export function effortFor(ends: number, { good, tried, minutes }: WayOnRecord, risk: number): Effort {
  const { least, most } = yieldInterval({ good, tried }, SURE);
  const tries = { least: ends / Math.max(LEAST_YIELD, most), most: ends / Math.max(LEAST_YIELD, least) };
  return {
    parts: partsFor({ ends, yield: { good, tried }, risk, most: MOST_SPARES }).parts,
    tries,
    hours:
      minutes === null ? null : { least: (tries.least * minutes) / 60, most: (tries.most * minutes) / 60 },
  };
}
