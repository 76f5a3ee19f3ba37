import type { EndState } from "../end/end-state";
import type { EndEvent } from "../event/event";
import type { Fault } from "../event/kinds/faults";
import { fibreEndOf } from "../measured/places";
import type { StepKind } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";

/** Mishaps to the glass that can happen at any step. */
export const MISHAPS = ["broken", "nick", "dirty"] as const satisfies readonly Fault[];
export type Mishap = (typeof MISHAPS)[number];

const CLOSES: readonly StepKind[] = ["actuate", "crimp", "cure", "fuse"];

/**
 * Returns true from the first strip until the joint is closed.
 * @example isGlassAtRisk(sheet, bare) // false
 */
export function isGlassAtRisk({ lines }: RunSheet, { at, signed }: Pick<EndState, "at" | "signed">): boolean {
  if (signed || !lines.some(({ bares }) => bares.some(({ layer }) => layer === "coating"))) return false;
  const first = lines.findIndex(({ bares }) => bares.length > 0);
  const inserted = lines.findIndex(({ step }) => step.kind === "insert" || step.kind === "fuse");
  const closed = lines.findIndex(
    ({ index, step }) => inserted >= 0 && index >= inserted && CLOSES.includes(step.kind),
  );
  return at >= first && (closed < 0 || at <= closed);
}

/**
 * Events that record a mishap: a fault on the fibre's end, and the shard of a break.
 * @returns an empty list for dirt on glass that is still covered.
 * @example mishapEvents(sheet, read({}), "broken", "").map(({ kind }) => kind) // ["fault", "shards"]
 */
export function mishapEvents(sheet: RunSheet, state: EndState, fault: Mishap, leg: string): EndEvent[] {
  const feature = fibreEndOf(sheet, state.reached);
  const cleaned = sheet.lines.some(({ index, step }) => index < state.reached && step.kind === "clean");
  if (feature === null || (fault === "dirty" && !cleaned)) return [];
  return [
    { kind: "fault", leg, feature, what: fault, at: null, on: true },
    ...(fault === "broken" ? [{ kind: "shards", made: 1, binned: 0 } as const] : []),
  ];
}
