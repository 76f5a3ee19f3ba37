import { type Check, type Conformance, type OtherSide, um } from "@/core";
import { figureText, lengthText, type Units } from "./length-text";

/** A verdict as it is told: the word, by how much, how sure, and what to do. */
export interface VerdictWords {
  readonly word: string;
  readonly by: string;
  readonly sure: string;
  readonly todo: string;
}

/** What to say of a judged length: what to do before what is wrong. */
export function verdictWords(
  check: Pick<Check, "min" | "max" | "ifLong" | "ifShort">,
  judged: Conformance,
  units: Units,
): VerdictWords {
  const unit = units === "in" ? "in" : "mm";
  const room = Math.min(
    check.max === null ? Number.POSITIVE_INFINITY : check.max - judged.mean,
    check.min === null ? Number.POSITIVE_INFINITY : judged.mean - check.min,
  );
  const by = Number.isFinite(room)
    ? `${figureText(Math.round(Math.abs(room) / 10) * 10, units)} ${unit}`
    : "";
  const long = check.max !== null && judged.mean > check.max;
  const short = check.min !== null && judged.mean < check.min;
  if (judged.verdict === "in")
    return { word: "In", by: by && `by ${by}`, sure: sureText(judged.probability), todo: "" };
  if (judged.verdict === "out") {
    const tooLong =
      long ||
      (!short &&
        check.max !== null &&
        (check.min === null || judged.mean - check.min > check.max - judged.mean));
    return {
      word: tooLong ? "Too long" : "Too short",
      by: by && `by ${by}`,
      sure: sureText(1 - judged.probability),
      todo: tooLong ? check.ifLong : check.ifShort,
    };
  }
  const more = judged.more ?? null;
  const todo =
    more === null
      ? "Too coarse to tell: read it with a finer instrument."
      : `${more} more ${more === 1 ? "reading" : "readings"} like this would settle it.`;
  return {
    word: "Measure again",
    by: `${by} ${long ? "over" : short ? "under" : "inside"} the limit`,
    sure: `${percent(judged.probability)} likely in`,
    todo,
  };
}

/** The same on record, after the limits. */
export const otherSideTold = (over: number): string =>
  over === 0
    ? "made together with the other side"
    : `made together with the other side, ${(Math.abs(over) / 1000).toFixed(1)} mm ${over > 0 ? "over" : "short"}`;

/** What the other side of an opening has over or short, where the two make a length together. */
export function otherSideWords({ leg, over }: Pick<OtherSide, "leg" | "over">, units: Units): string {
  const by = Math.round(over);
  if (by === 0) return `Made together with side ${leg}, which has its own figure.`;
  const much = lengthText(um(Math.abs(by)), units);
  return by > 0
    ? `Made together with side ${leg}, which has ${much} over: that counts here.`
    : `Made together with side ${leg}, which is ${much} short: that is to be had here.`;
}

const percent = (probability: number): string =>
  probability > 0.995
    ? "over 99 %"
    : probability < 0.005
      ? "under 1 %"
      : `${Math.round(probability * 100)} %`;

const sureText = (probability: number): string => `${percent(probability)} sure`;

export const RESULT_WORDS = {
  in: "In",
  out: "Out",
  unsure: "Not settled",
  unmeasured: "Not all measured",
  "cut-off": "Cut off",
  discarded: "Discarded",
} as const;
