import type { CUT_ENDS, CutPlace } from "@/core";
import { t } from "@/messages/words";

/** Where in an opening a tube or fibre is cut, on a piece whose sides are known. */
export const CUT_WORDS: Readonly<Record<CutPlace, string>> = {
  middle: t("in-the-middle-of-the-opening"),
  upstream: t("at-its-edge-towards-side-a"),
  downstream: t("at-its-edge-towards-side-b"),
};

/** Which cut ends of a parted fibre are worked. */
export const CUT_END_WORDS: Readonly<Record<(typeof CUT_ENDS)[number], string>> = {
  both: t("both-cut-ends"),
  A: t("the-cut-end-towards-side-a"),
  B: t("the-cut-end-towards-side-b"),
};
