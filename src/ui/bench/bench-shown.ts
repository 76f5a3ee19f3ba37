import type { CheckStanding, Line } from "@/core";
import type { BandReading } from "../band/band";
import type { Typed } from "../reading/reading-props";
import type { BenchWork } from "../work/use-work";

/** The steps there are to do: all, or while something is redone those of it, back to where it is read. */
export function stepsShown({ drawn, trim, state: { inHand } }: BenchWork): readonly Line[] {
  if (!inHand) return drawn.lines;
  const again = drawn.lines.filter(
    (line) => line !== trim?.line && (inHand.steps.includes(line.index) || line.index === inHand.back),
  );
  return trim ? [trim.line, ...again] : again;
}

export function bandReadings(active: CheckStanding | undefined, typed: Typed | null): BandReading[] {
  if (typed) return [{ from: typed.check.from, value: typed.value, verdict: typed.judged.verdict }];
  return active?.judged
    ? [{ from: active.check.from, value: active.judged.mean, verdict: active.judged.verdict }]
    : [];
}
