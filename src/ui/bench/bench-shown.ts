import type { CheckStanding, Line } from "@/core";
import type { BandReading } from "../band/band";
import type { Typed } from "../reading/reading-panel";
import type { BenchWork } from "./use-work";

/** The steps there are to do: all, or while something is redone those of it, back to where it is read. */
export function stepsShown({ drawn, state: { inHand } }: BenchWork): readonly Line[] {
  return inHand
    ? drawn.lines.filter(({ index }) => inHand.steps.includes(index) || index === inHand.back)
    : drawn.lines;
}

export function bandReadings(active: CheckStanding | undefined, typed: Typed | null): BandReading[] {
  if (typed) return [{ from: typed.check.from, value: typed.value, verdict: typed.judged.verdict }];
  return active?.judged
    ? [{ from: active.check.from, value: active.judged.mean, verdict: active.judged.verdict }]
    : [];
}
