import type { CutPlace } from "@/core";
import { t } from "@/messages/words";

/** Where in an opening a tube or fibre is cut, on a piece whose sides are known. */
export const CUT_WORDS: Readonly<Record<CutPlace, string>> = {
  middle: t("in-the-middle-of-the-opening"),
  upstream: t("at-its-edge-towards-side-a"),
  downstream: t("at-its-edge-towards-side-b"),
};
