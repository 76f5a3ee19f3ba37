import type { DrillLook, HiddenFault, Sight } from "@/core";
import { t } from "@/messages/practice";
import { exactMm } from "../words/length-text";

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
  nicked: () => t("fault-nicked"),
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
  bend: () => t("look-bend"),
};

const SIGHTS: Readonly<Record<string, (figure: string) => string>> = {
  "bend-flickers": () => t("sight-bend-flickers"),
  "bend-good": () => t("sight-bend-good"),
  "face-dirty": () => t("sight-face-dirty"),
  "face-good": () => t("sight-face-good"),
  "mark-good": () => t("sight-mark-good"),
  "mark-stands-off": (figure) => t("sight-mark-stands-off", { figure }),
  "open-broken": () => t("sight-open-broken"),
  "open-coating": () => t("sight-open-coating"),
  "open-good": (figure) => t("sight-open-good", { figure }),
  "open-short": (figure) => t("sight-open-short", { figure }),
  "port-good": () => t("sight-port-good"),
  "port-other-port": () => t("sight-port-other-port"),
  "print-good": () => t("sight-print-good"),
  "print-other-core": () => t("sight-print-other-core"),
  "pull-good": () => t("sight-pull-good"),
  "pull-moves": () => t("sight-pull-moves"),
  "reference-good": () => t("sight-reference-good"),
  "reference-moved": (figure) => t("sight-reference-moved", { figure }),
  "window-bright": () => t("sight-window-bright"),
  "window-good": () => t("sight-window-good"),
};

/** A sight in words; its figure is a length but for a reference's, which is in decibels. */
export const sightText = ({ look, shows, figure }: Sight): string =>
  SIGHTS[`${look}-${shows}`]?.(look === "reference" ? figure.toFixed(1) : exactMm(figure)) ?? shows;

const ENDS: Readonly<Record<string, () => string>> = {
  "stub-wedge-release-cord": () => t("end-wedge"),
  "fusion-splice-on": () => t("end-splice-on"),
  "adhesive-polish-900": () => t("end-polish"),
};

/** A whole end that is practised, by its procedure. */
export const endName = (procedure: string): string => ENDS[procedure]?.() ?? procedure;
