import type { DrillLook, HiddenFault, Sight } from "@/core";
import { t } from "@/messages/practice";

const FAULT_NAMES: Readonly<Record<HiddenFault, () => string>> = {
  "dirty-face": () => t("fault-dirty-face"),
  "not-seated": () => t("fault-not-seated"),
  "coating-left": () => t("fault-coating-left"),
  "cleave-short": () => t("fault-cleave-short"),
  "glass-broken": () => t("fault-glass-broken"),
  "wedge-open": () => t("fault-wedge-open"),
  "old-reference": () => t("fault-old-reference"),
  "wrong-core": () => t("fault-wrong-core"),
  "reversed-pair": () => t("fault-reversed-pair"),
};

/** A hidden fault by its name. */
export const faultName = (fault: HiddenFault): string => FAULT_NAMES[fault]();

export const LOOK_NAMES: Readonly<Record<DrillLook, () => string>> = {
  print: () => t("look-print"),
  mark: () => t("look-mark"),
  pull: () => t("look-pull"),
  face: () => t("look-face"),
  window: () => t("look-window"),
  port: () => t("look-port"),
  reference: () => t("look-reference"),
  open: () => t("look-open"),
};

const SIGHTS: Readonly<Record<string, () => string>> = {
  "face-dirty": () => t("sight-face-dirty"),
  "face-good": () => t("sight-face-good"),
  "mark-good": () => t("sight-mark-good"),
  "mark-stands-off": () => t("sight-mark-stands-off"),
  "open-broken": () => t("sight-open-broken"),
  "open-coating": () => t("sight-open-coating"),
  "open-good": () => t("sight-open-good"),
  "open-short": () => t("sight-open-short"),
  "port-good": () => t("sight-port-good"),
  "port-other-port": () => t("sight-port-other-port"),
  "print-good": () => t("sight-print-good"),
  "print-other-core": () => t("sight-print-other-core"),
  "pull-good": () => t("sight-pull-good"),
  "pull-moves": () => t("sight-pull-moves"),
  "reference-good": () => t("sight-reference-good"),
  "reference-moved": () => t("sight-reference-moved"),
  "window-bright": () => t("sight-window-bright"),
  "window-good": () => t("sight-window-good"),
};

/** A sight in words. */
export const sightText = ({ look, shows }: Sight): string => SIGHTS[`${look}-${shows}`]?.() ?? shows;
