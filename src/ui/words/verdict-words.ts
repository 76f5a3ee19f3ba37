import { type Check, type Conformance, type OtherSide, um } from "@/core";
import { t } from "@/messages/words";
import { figureText, lengthText, type Units } from "./length-text";

/** A verdict as it is shown: the word, by how much, how sure, and what to do. */
interface VerdictWords {
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
    return { word: t("in"), by: by && `by ${by}`, sure: sureText(judged.probability), todo: "" };
  if (judged.verdict === "out") {
    const tooLong =
      long ||
      (!short &&
        check.max !== null &&
        (check.min === null || judged.mean - check.min > check.max - judged.mean));
    return {
      word: tooLong ? t("too-long") : t("too-short"),
      by: by && `by ${by}`,
      sure: sureText(1 - judged.probability),
      todo: tooLong ? check.ifLong : check.ifShort,
    };
  }
  const more = judged.more ?? null;
  const todo =
    more === null ? t("too-coarse-to-tell-read-it") : t("more-other-like-this-would-settle", { more });
  return {
    word: t("measure-again"),
    by: t("the-limit", { by, value: long ? "over" : short ? "under" : "inside" }),
    sure: t("likely-in", { percent: percent(judged.probability) }),
    todo,
  };
}

/** The same on record, after the limits. */
export const otherSideTold = (over: number): string =>
  over === 0
    ? t("made-together-with-the-other-side")
    : t("made-together-with-the-other-side-2", {
        value: (Math.abs(over) / 1000).toFixed(1),
        value2: over > 0 ? "over" : "short",
      });

/** What the other side of an opening has over or short, where the two make a length together. */
export function otherSideWords({ leg, over }: Pick<OtherSide, "leg" | "over">, units: Units): string {
  const by = Math.round(over);
  if (by === 0) return t("made-together-with-side-which-has", { leg });
  const much = lengthText(um(Math.abs(by)), units);
  return by > 0
    ? t("made-together-with-side-which-has-2", { leg, much })
    : t("made-together-with-side-which-is", { leg, much });
}

const percent = (probability: number): string =>
  probability > 0.995
    ? t("over-99")
    : probability < 0.005
      ? t("under-1")
      : `${Math.round(probability * 100)} %`;

const sureText = (probability: number): string => `${percent(probability)} sure`;

export const RESULT_WORDS = {
  in: t("in"),
  out: t("out"),
  unsure: t("not-settled"),
  unmeasured: t("not-all-measured"),
  "cut-off": t("cut-off"),
  discarded: t("discarded"),
} as const;
