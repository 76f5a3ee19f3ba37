import type { FarEnd, FarSide, PlaceStanding } from "@/core";
import { t } from "@/messages/where";
import { RESULT_WORDS } from "../words/verdict-words";

const DONE: Readonly<Record<PlaceStanding, string>> = {
  planned: t("not-begun"),
  bench: t("at-the-bench"),
  ...RESULT_WORDS,
};

/** One end of the other side, as it is said in a line. */
export const farEndText = ({ style, as, standing, signedBy }: FarEnd): string =>
  [[style, ...as].join(" · "), DONE[standing].toLowerCase(), signedBy && `by ${signedBy}`]
    .filter(Boolean)
    .join(", ");

/** The other side in one line: its one end, or how many there are and how they stand. */
export function farText({ place, count, ends }: FarSide): string {
  const [only] = ends;
  if (!only) return t("nothing-is-planned-at-the-other");
  const there = place || only.text;
  if (count === 1) return t("at", { there, farEndText: farEndText(only) });
  const done = ends.filter(({ standing }) => standing !== "planned" && standing !== "bench").length;
  return t("at-ends-made", {
    value: place || `side ${only.side}`,
    count,
    value2: done === 0 ? "none" : done,
  });
}

/** What does not go together over both ends, each once. */
export const mismatches = ({ ends }: FarSide): string[] => [
  ...new Set(
    ends.flatMap(({ across, end }) =>
      across
        .filter(({ fits }) => !fits)
        .map(({ name, asks, here, far }) =>
          t("mismatch-across", { name, here, end: end ? "made" : "planned", far, asks }),
        ),
    ),
  ),
];
