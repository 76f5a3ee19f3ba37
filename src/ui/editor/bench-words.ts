import type { RemedyAct, RetryAct, StepAct, Subject } from "@/core";
import { t } from "@/messages/editor";

/** What hands can do about a length that is out, as a list names it. */
export const REMEDY_NAMES: Readonly<Record<RemedyAct, string>> = {
  push: t("push-it-forward"),
  draw: t("draw-it-back"),
  "push-in": t("push-it-further-in"),
  part: t("part-the-legs-further"),
  open: t("open-more-sheath"),
  slit: t("slit-it-further"),
  clean: t("clean-further-back"),
  tighten: "tighten",
  "let-off": t("let-off"),
  "take-off": t("take-it-off"),
  strip: t("strip-further"),
  trim: t("trim-it"),
  "cut-back": t("cut-it-back"),
  redraw: t("draw-the-mark-again"),
  remake: t("cut-a-new-piece"),
  reseat: t("seat-the-fibre-again"),
  "cleave-again": t("cleave-again"),
  restart: t("start-again-from-the-cable"),
  leave: t("leave-it"),
};

/** What another try does to the end. */
export const RETRY_NAMES: Readonly<Record<RetryAct, string>> = {
  strip: t("strip-further-back"),
  wipe: t("wipe-again"),
  reseat: t("seat-the-fibre-again"),
  "cleave-again": t("cleave-fresh-glass"),
  repeat: t("do-the-step-again"),
  swap: t("change-the-fibres-over"),
  restart: t("start-again-from-the-cable"),
};

/** What a look is about. */
export const SUBJECT_NAMES: Readonly<Record<Subject, string>> = {
  grip: t("whether-it-is-held"),
  mate: t("whether-it-will-mate"),
  coating: t("coating-left-on-the-glass"),
  glass: t("whether-the-glass-is-sound"),
  tool: t("whether-the-tool-is-ready"),
  stub: t("the-stub-s-own-face"),
  "joint-open": t("whether-the-joint-stands-open"),
  "light-on": t("whether-the-light-is-on"),
  face: t("the-cleaved-face"),
  edge: t("whether-the-edge-stands-in-its"),
  untouched: t("whether-the-face-touched-anything"),
  "seat-light": t("the-seat-by-its-light"),
  "seat-mark": t("the-seat-by-its-mark"),
  "seat-bow": t("the-seat-by-the-bow"),
  "seat-gap": t("the-seat-by-the-gap"),
  "closed-light": t("the-light-once-closed"),
  "closed-lamp": t("the-lamp-once-closed"),
  "closed-bow": t("the-bow-once-closed"),
  crimp: t("the-crimp"),
  ends: t("where-the-ends-lie"),
  weld: t("the-splice"),
  pulled: t("whether-the-splice-held-the-pull"),
  sleeve: t("the-shrunk-sleeve"),
  "end-face": t("the-end-face"),
  loss: t("the-loss"),
  order: t("which-fibre-is-where"),
  whole: t("whether-every-fibre-is-whole"),
  loop: t("whether-the-loop-lies-inside"),
  tip: t("glass-standing-out-of-the-tip"),
  "at-stop": t("whether-the-jacket-edge-stands-at"),
  bared: t("what-was-bared-under-the-sheath"),
  named: t("which-fibre-is-to-be-cut"),
};

/** What a step does beyond its kind. */
export const STEP_ACT_NAMES: Readonly<Record<StepAct, string>> = {
  open: t("opens-the-joint"),
  close: t("closes-the-joint"),
  hold: t("closes-a-holder-on-the-cable"),
  release: t("opens-the-holder"),
  "lay-back": t("lays-yarn-or-shield-back"),
  "lay-forward": t("brings-yarn-or-shield-forward"),
  "store-loop": t("stores-a-loop-of-fibre"),
  fix: t("fixes-the-cable-in-a-closure"),
  bond: t("bonds-the-armour"),
  "open-tube": t("opens-a-tube-along-its-side"),
  store: t("stores-what-stays-whole"),
  "cut-fibre": t("cuts-the-fibres-named"),
};

/** A list to pick from, in the order of the ids. */
export const optionsOf = <Id extends string>(
  ids: readonly Id[],
  names: Readonly<Record<Id, string>>,
): { readonly id: Id; readonly name: string }[] => ids.map((id) => ({ id, name: names[id] }));
