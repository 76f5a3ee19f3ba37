import type { LightTry } from "./light-reading";

/** A limit of loss for what is on an end, dB. */
interface LossLimit {
  readonly id: "connector" | "connector-and-splice" | "splice";
  readonly dB: number;
}

/** ANSI/TIA-568.3, from memory: a connector 0.75 dB, a splice 0.3 dB. A stub or splice-on connector is both. */
export const LOSS_LIMITS: readonly LossLimit[] = [
  { id: "connector", dB: 0.75 },
  { id: "connector-and-splice", dB: 1.05 },
  { id: "splice", dB: 0.3 },
];

/** Families of connectors that hold a splice inside. */
const WITH_SPLICE = /^(stub-|guided-insertion|fusion-splice-on)/;
const CONNECTOR_ONLY = /^adhesive-/;
/** Of those with a splice, the ones that can be opened and seated again. */
const SEATED_AGAIN = /^(stub-wedge-release|guided-insertion)/;

/**
 * The kind of end a procedure makes: a connector, a connector with a splice inside, or neither.
 * @example ["stub-wedge-release", "breakout-kit"].map(endedBy) // ["connector-and-splice", null]
 */
export function endedBy(family: string): "connector" | "connector-and-splice" | null {
  if (WITH_SPLICE.test(family)) return "connector-and-splice";
  return CONNECTOR_ONLY.test(family) ? "connector" : null;
}

/**
 * The limit that is meant for a style unless the plan has its own.
 * @example usualLimit("stub-wedge-release")?.dB // 1.05
 */
export const usualLimit = (family: string): LossLimit | undefined =>
  LOSS_LIMITS.find(({ id }) => id === (endedBy(family) ?? "connector"));

/**
 * What a bad reading most often means at a style, the cheapest to try first (common practice, no source).
 * @example triesFor("adhesive-primer-duplex") // ["cleaned", "inspected", "referenced", "reworked"]
 */
export const triesFor = (family: string): LightTry[] => [
  "cleaned",
  "inspected",
  "referenced",
  ...(SEATED_AGAIN.test(family) ? (["seated"] as const) : []),
  "reworked",
];
