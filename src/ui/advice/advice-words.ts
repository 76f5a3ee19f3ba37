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
  if (id === sheet.features[0]?.id) return `Trim ${far(further)} off the ${feature.name}`;
  if (how === "cut" && from)
    return `Cleave again at ${far(from.distance)} from the ${featureOf(sheet, from.datum).name}`;
  if (how === "cut") {
    const removals = sheet.lines.flatMap(({ bares, step }) =>
      bares.some(({ edge }) => edge === id) && step.kind === "remove" ? [step] : [],
    );
    // What comes off without a tool is only slid back.
    const slides = removals.length > 0 && removals.every(({ tool }) => tool === undefined);
    const verb = slides ? "Slide" : removals.length > 0 ? "Strip" : "Trim";
    return `${verb} the ${takenOff(sheet, id)} ${far(further)} further back`;
  }
  const verb = how === "set" ? "Set" : "Draw";
  if (from)
    return `${verb} the ${feature.name} again, ${far(from.distance)} ${from.distance < 0 ? "in front of" : "behind"} the ${featureOf(sheet, from.datum).name}`;
  return `${verb} the ${feature.name} again, ${far(further)} ${further < 0 ? "nearer the fibre end" : "further back"}`;
}

export const cableWords = (length: Length, units: Units): string =>
  length === 0
    ? "no cable lost"
    : `${figureText(Math.round(length / TENTH) * TENTH, units)} ${units === "in" ? "in" : "mm"} of cable`;

/** Cable is told to a tenth of a millimetre: nobody cuts it closer. */
const TENTH = 100;

/** Hands-on time, to the half minute. */
export function minutesWords(seconds: number): string {
  const halves = Math.max(1, Math.round(seconds / 30));
  const whole = Math.floor(halves / 2);
  if (whole === 0) return "½ min";
  return `${whole}${halves % 2 === 1 ? "½" : ""} min`;
}

/** What is to be done, and where; what the two sides of an opening make together, on one of them. */
export function reworkHeading(
  sheet: RunSheet,
  { leg, orAt }: Pick<EndAdvice, "leg" | "orAt">,
  first: boolean,
): string {
  if (orAt === null) return `Rework this much${onLeg(leg, isMidRun(sheet))}`;
  return first
    ? `Rework this much, side ${leg}; or side ${orAt} instead, below`
    : `Or rework this much instead, side ${leg}`;
}

/** What a way out costs: cable, parts, time. */
export const costWords = ({ cable, parts, seconds }: Cost, units: Units): string =>
  [cableWords(cable, units), ...parts, `about ${minutesWords(seconds)}`].join(" · ");

export const planCost = ({ cableLost, seconds }: Plan): Cost => ({ cable: cableLost, parts: [], seconds });

export const FAULT_SAID: Record<SeenFault["what"], string> = {
  "bad-cleave": "the cleave is bad",
  touched: "the end face was touched",
  aged: "the cleaved end has stood too long",
  nick: "the glass is nicked",
  broken: "the fibre broke",
  dirty: "the glass is dirty",
  lost: "the mark is lost",
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
      ...faults.map(({ what }) => FAULT_SAID[what]),
    ].join("; "),
  );
}

/** Why an end is begun anew: the style's own rule; what would have to move, and what holds it; which tries are used up. */
export function stoppedWords(sheet: RunSheet, advice: Extract<EndAdvice, { kind: "start-over" }>): string {
  if (advice.why === "its-rule")
    return "By this style's own rule it is cut off and begun anew: nothing less makes it good.";
  if (advice.stoppedBy) {
    const { feature, line } = advice.stoppedBy;
    const name = featureOf(sheet, feature).name;
    return line === null
      ? `The ${name} would have to go forward, and what is cut cannot be put back.`
      : `The ${name} would have to move, and “${sheet.lines[line]?.step.title}” holds it for good.`;
  }
  return advice.rule ? `${capital(advice.rule.name)}: ${advice.rule.most} of ${advice.rule.most} used.` : "";
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
    ? `The readings of ${names[0]} lie ${far} apart or do not fit the others: one of them is wrong. Strike it out and read again.`
    : `${capital(names.slice(0, -1).join(", "))} and ${names.at(-1)} do not add up, by ${far}: one of them is wrong. Read them again and strike out the wrong one.`;
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
    ...(advice.takeOut ? ["First take the fibre out of its part; do not pull it by the buffer."] : []),
    ...(jacket && glass && !cleaved
      ? ["Slit the ring of jacket and lift it off: never draw it over the cleaved end."]
      : []),
    ...(cleaved ? ["Eye protection on; count the cut-off glass into the bin."] : []),
  ];
}
