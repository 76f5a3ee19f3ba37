import {
  type Cost,
  capital,
  type EndAdvice,
  featureOf,
  isMidRun,
  type Length,
  type Move,
  onLeg,
  type Plan,
  type RunSheet,
  type SeenFault,
} from "@/core";
import { t } from "@/messages/advice";
import { figureText, type Units } from "../words/length-text";
import { toleranceAt } from "../words/line-words";

/** What a feature's cut takes off, in the field's words: the layer where it ends one, else its own name. */
function takenOff(sheet: RunSheet, id: string): string {
  const feature = featureOf(sheet, id);
  if (feature.kind === "part") return feature.name;
  const layer = sheet.layers.find(({ kind }) => feature.ends.includes(kind));
  return layer?.name ?? feature.name;
}

/** One thing to do again, with its figure. */
export function moveWords(sheet: RunSheet, { feature: id, how, further, from }: Move, units: Units): string {
  const feature = featureOf(sheet, id);
  const far = (length: number) => figureText(Math.abs(length), units, toleranceAt(sheet, id));
  if (id === sheet.features[0]?.id) return t("trim-off-the", { far: far(further), name: feature.name });
  if (how === "cut" && from)
    return t("cleave-again-at-from-the", {
      far: far(from.distance),
      name: featureOf(sheet, from.datum).name,
    });
  if (how === "cut") {
    const removals = sheet.lines.flatMap(({ bares, step }) =>
      bares.some(({ edge }) => edge === id) && step.kind === "remove" ? [step] : [],
    );
    // What comes off without a tool is only slid back.
    const slides = removals.length > 0 && removals.every(({ tool }) => tool === undefined);
    const verb = slides ? t("slide") : removals.length > 0 ? t("strip") : t("trim");
    return t("the-further-back", { verb, takenOff: takenOff(sheet, id), far: far(further) });
  }
  const verb = how === "set" ? t("set") : t("draw");
  if (from)
    return t("the-again-the", {
      verb,
      name: feature.name,
      far: far(from.distance),
      value: from.distance < 0 ? t("in-front-of") : "behind",
      name2: featureOf(sheet, from.datum).name,
    });
  return t("the-again", {
    verb,
    name: feature.name,
    far: far(further),
    value: further < 0 ? t("nearer-the-fibre-end") : t("further-back"),
  });
}

export const cableLostWords = (length: Length, units: Units): string =>
  length === 0
    ? t("no-cable-lost")
    : t("of-cable", {
        figureText: figureText(Math.round(length / TENTH) * TENTH, units),
        value: units === "in" ? "in" : "mm",
      });

/** Cable is shown to a tenth of a millimetre: nobody cuts it closer. */
const TENTH = 100;

/** Hands-on time, to the half minute. */
export function minutesWords(seconds: number): string {
  const halves = Math.max(1, Math.round(seconds / 30));
  const whole = Math.floor(halves / 2);
  if (whole === 0) return t("1-2-min");
  return `${whole}${halves % 2 === 1 ? "½" : ""} min`;
}

/** What is to be done, and where; what the two sides of an opening make together, on one of them. */
export function reworkHeading(
  sheet: RunSheet,
  { leg, orAt }: Pick<EndAdvice, "leg" | "orAt">,
  first: boolean,
): string {
  if (orAt === null) return t("rework-this-much", { onLeg: onLeg(leg, isMidRun(sheet)) });
  return first
    ? t("rework-this-much-side-or-side", { leg, orAt })
    : t("or-rework-this-much-instead-side", { leg });
}

/** What a way out costs: cable, parts, time. */
export const costWords = ({ cable, parts, seconds }: Cost, units: Units): string =>
  [cableLostWords(cable, units), ...parts, `about ${minutesWords(seconds)}`].join(" · ");

export const planCost = ({ cableLost, seconds }: Plan): Cost => ({ cable: cableLost, parts: [], seconds });

export const FAULT_SAID: Record<SeenFault["what"], string> = {
  "bad-cleave": t("the-cleave-is-bad"),
  touched: t("the-end-face-was-touched"),
  aged: t("the-cleaved-end-has-stood-too"),
  nick: t("the-glass-is-nicked"),
  broken: t("the-fibre-broke"),
  dirty: t("the-glass-is-dirty"),
  lost: t("the-mark-is-lost"),
};

/** Why something must be redone: what is out, and what was seen. */
export function causeWords(
  sheet: RunSheet,
  { checks, faults }: Pick<EndAdvice, "checks" | "faults">,
): string {
  const out = checks.map((id) => sheet.checks.find((check) => check.id === id)?.name ?? id);
  return capital(
    [
      ...(out.length > 0 ? [`${out.join(", ")} out`] : []),
      ...faults.map(({ what: fault }) => FAULT_SAID[fault]),
    ].join("; "),
  );
}

/** Why an end is begun again: the style's own rule; what would have to move, and what holds it; which tries are used up. */
export function stoppedWords(sheet: RunSheet, advice: Extract<EndAdvice, { kind: "start-over" }>): string {
  if (advice.why === "its-rule") return t("by-this-style-s-own-rule");
  if (advice.stoppedBy) {
    const { feature, line } = advice.stoppedBy;
    const name = featureOf(sheet, feature).name;
    return line === null
      ? t("the-would-have-to-go-forward", { name })
      : t("would-have-to-move", { name, step: sheet.lines[line]?.step.title ?? "" });
  }
  return advice.rule ? t("of-used", { capital: capital(advice.rule.name), most: advice.rule.most }) : "";
}

/** Which readings do not agree, and what to do about it. */
export function disagreeWords(
  sheet: RunSheet,
  { disagree, by }: Extract<EndAdvice, { kind: "read-again" }>,
  units: Units,
): string {
  const names = disagree.map((id) => sheet.checks.find((check) => check.id === id)?.name ?? id);
  const far = `${figureText(Math.round(by / 10) * 10, units)} ${units === "in" ? "in" : "mm"}`;
  return names.length === 1
    ? t("readings-apart", { name: names[0] ?? "", far })
    : t("readings-do-not-add-up", {
        first: capital(names.slice(0, -1).join(", ")),
        last: names.at(-1) ?? "",
        far,
      });
}

/** What must be minded beside the steps themselves. */
export function careWords(
  sheet: RunSheet,
  advice: Extract<EndAdvice, { kind: "rework" }>,
  plan: Plan,
): string[] {
  const end = sheet.features.filter(({ kind }) => kind === "end").at(-1)?.id;
  const jacket = plan.moves.some(
    ({ feature, how }) => how === "cut" && featureOf(sheet, feature).ends.includes("jacket"),
  );
  const cleaved = plan.moves.some(({ feature }) => feature === end);
  const glass = sheet.lines.some(({ index, step }) => step.kind === "cleave" && index < plan.back);
  return [
    ...(advice.takeOut ? [t("first-take-the-fibre-out-of")] : []),
    ...(jacket && glass && !cleaved ? [t("slit-the-ring-of-jacket-and")] : []),
    ...(cleaved ? [t("eye-protection-on-count-the-cut")] : []),
  ];
}
