import { z } from "zod";
import { addressText } from "../piece/address";
import type { RunSheet } from "../runsheet/document";
import { isMidRun } from "../runsheet/runsheet";

const LEG_RESULTS = ["in", "out", "unsure", "unmeasured"] as const;

/** One leg of a cord as it stands by itself: how far it is read, and what its own lengths and faults come to. */
export const zLegTold = z.strictObject({
  leg: z.string(),
  /** A side of a sheath opened in mid-run is worked as a leg. */
  kind: z.enum(["leg", "side"]),
  /** `leg 1`: where it lies in the cord; empty for a side. */
  address: z.string(),
  /** Lengths to be read on it, and those that are. */
  lengths: z.int(),
  read: z.int(),
  result: z.enum(LEG_RESULTS),
});
export type LegTold = Readonly<z.output<typeof zLegTold>>;

interface LegLength {
  readonly leg: string;
  readonly verdict: "in" | "out" | "unsure" | null;
}

interface LegFault {
  readonly leg: string;
  readonly stands: boolean;
}

/**
 * Each leg of a cord of several, in their order; none for a cord of one. What is asked of the cord as a whole is not of a
 * leg: an end may be out while each of its legs is in.
 * @example legsTold(sheet, [], []).map(({ name }) => name) // []
 */
export const legsTold = (
  { cable, features }: Pick<RunSheet, "cable" | "features">,
  lengths: readonly LegLength[],
  faults: readonly LegFault[],
): LegTold[] =>
  cable.legs.length < 2
    ? []
    : cable.legs.map((leg, i) => {
        const verdicts = lengths.filter((length) => length.leg === leg).map(({ verdict }) => verdict);
        const faulty = faults.some((fault) => fault.leg === leg && fault.stands);
        return {
          leg,
          kind: isMidRun({ features }) ? "side" : "leg",
          address: isMidRun({ features }) ? "" : addressText([{ kind: "leg", position: i + 1 }]),
          lengths: verdicts.length,
          read: verdicts.filter((verdict) => verdict !== null).length,
          result: legResult(verdicts, faulty),
        };
      });

function legResult(verdicts: readonly LegLength["verdict"][], faulty: boolean): LegTold["result"] {
  if (faulty || verdicts.includes("out")) return "out";
  if (verdicts.includes("unsure")) return "unsure";
  return verdicts.includes(null) ? "unmeasured" : "in";
}
