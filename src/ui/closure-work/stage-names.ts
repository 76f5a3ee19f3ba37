import type { ClosureStage } from "@/core";
import { t } from "@/messages/closure-work";

/** Stages of a closure's work, as they are called. */
export const STAGE_NAMES: Readonly<Record<ClosureStage, () => string>> = {
  before: () => t("before"),
  cables: () => t("cables"),
  "in-place": () => t("in-place"),
  fibres: () => t("fibres"),
  splices: () => t("splices"),
  "before-closing": () => t("before-closing"),
  closing: () => t("closing"),
};
