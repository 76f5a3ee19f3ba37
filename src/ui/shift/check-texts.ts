import type { CheckKind } from "@/core";
import { t } from "@/messages/shift";

const QUESTIONS: Readonly<Record<string, () => string>> = {
  light: () => t("question-light"),
  coupling: () => t("question-coupling"),
  die: () => t("question-die"),
  place: () => t("question-place"),
  cleave: () => t("question-cleave"),
  strip: () => t("question-strip"),
  arc: () => t("question-arc"),
  zero: () => t("question-zero"),
};

/** A question of a tool check, as it is asked. */
export const questionText = (question: string): string => QUESTIONS[question]?.() ?? question;

const ANSWERS: Readonly<Record<string, () => string>> = {
  "light on": () => t("light-on"),
  "light dark": () => t("light-dark"),
  "coupling locked": () => t("coupling-locked"),
  "coupling loose": () => t("coupling-loose"),
  "die right": () => t("die-right"),
  "die other": () => t("die-other"),
  "die worn": () => t("die-worn"),
  "place as-counted": () => t("place-as-counted"),
  "place other": () => t("place-other"),
  "cleave flat": () => t("cleave-flat"),
  "cleave lip": () => t("cleave-lip"),
  "cleave cracked": () => t("cleave-cracked"),
  "strip clean": () => t("strip-clean"),
  "strip coating-left": () => t("strip-coating-left"),
  "strip nicked": () => t("strip-nicked"),
  "arc passed": () => t("arc-passed"),
  "arc failed": () => t("arc-failed"),
  "zero dark": () => t("zero-dark"),
  "zero not-dark": () => t("zero-not-dark"),
};

/** An answer to a question of a tool check. */
export const answerText = (question: string, answer: string): string =>
  ANSWERS[`${question} ${answer}`]?.() ?? answer;

const REMEDIES: Readonly<Record<CheckKind, () => string>> = {
  "light-source": () => t("remedy-light-source"),
  die: () => t("remedy-die"),
  cleaver: () => t("remedy-cleaver"),
  stripper: () => t("remedy-stripper"),
  arc: () => t("remedy-arc"),
  length: () => t("remedy-length"),
  meter: () => t("remedy-meter"),
  torque: () => t("remedy-torque"),
};

/** Advice for a tool whose check failed, before it is used. */
export const failedCheckAdvice = (kind: CheckKind): string => REMEDIES[kind]();
