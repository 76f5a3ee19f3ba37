import { featureOf, isMidRun, type Line, onLeg, type RunSheet } from "@/core";
import { t } from "@/messages/words";
import type { Units } from "./length-text";
import { biteWords, figureWords, stepNotes } from "./line-words";

/** A sign read out as a voice would say it. */
const voiced = (text: string): string =>
  text
    .replaceAll("±", "plus or minus ")
    .replaceAll("−", "minus ")
    .replaceAll("″", " inches")
    .replaceAll(/\bmm\b/g, "millimetres")
    .replaceAll("µm", "micrometres")
    .replaceAll(/\s*°C?/g, " degrees")
    .replaceAll(/[“”]/g, "");

/** A step as it is read aloud: what it is, the figure with its datum and tolerance, how, and with what. */
export function stepAloud(sheet: RunSheet, line: Line, units: Units): string {
  const figure = figureWords(sheet, line, units);
  const unit = figure?.shown.unit === "in" ? "inches" : "millimetres";
  const lengths = line.checks.map(({ name, from, to, leg }) =>
    t("measure-from-the-to-the", {
      name,
      onLeg: onLeg(leg, isMidRun(sheet)),
      name2: featureOf(sheet, from).name,
      name3: featureOf(sheet, to).name,
    }),
  );
  const parts = line.parts.map(({ name, way }) => `${name}${way ? `, ${way}` : ""}.`);
  return voiced(
    [
      `${line.step.title}.`,
      figure &&
        t("from-the-2", { main: figure.shown.main, unit, datum: figure.datum, tolerance: figure.tolerance }),
      figure?.shown.unit === "in" && figure.shown.rounding
        ? t("rounded-by", { rounding: figure.shown.rounding })
        : null,
      ...(figure?.also ?? []).map((sentence) => `${sentence}.`),
      ...parts,
      biteWords(line, units),
      line.step.how,
      ...stepNotes(line, units).map((stepNote) => `${stepNote}.`),
      ...lengths,
    ]
      .filter(Boolean)
      .join(" "),
  );
}

/** Speaks, cutting short whatever was being said; silent where the browser has no voice. */
export function say(text: string): void {
  if (typeof speechSynthesis === "undefined") return;
  speechSynthesis.cancel();
  const spoken = new SpeechSynthesisUtterance(text);
  spoken.lang = "en";
  speechSynthesis.speak(spoken);
}

export const hush = (): void => {
  if (typeof speechSynthesis !== "undefined") speechSynthesis.cancel();
};
