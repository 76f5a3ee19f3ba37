import type { LayerKind } from "../cable/cable";
import type { Remedy, WayAct } from "./remedy";
import type { Retry } from "./retry";
import type { JudgementAnswer, Step } from "./step";

interface Named {
  readonly id: string;
  readonly name: string;
  readonly ends: readonly LayerKind[];
}

/** What people call what is taken off a layer at a time. */
const TAKEN: Readonly<Partial<Record<LayerKind, string>>> = {
  sheath: "sheath",
  jacket: "jacket",
  tube: "tube",
  armour: "armour",
  shield: "shield",
  yarn: "yarn",
};

/** One remedy as a sentence or two: why, then what to do. @param features those of the procedure, by their names. */
function remedySentence(remedy: Remedy, features: readonly Named[]): string {
  if ("words" in remedy) return remedy.words;
  const feature = features.find(({ id }) => id === remedy.feature);
  const name = feature?.name ?? "end";
  const consumable = remedy.what ?? name;
  const layer = feature?.ends[0];
  const taken = layer && TAKEN[layer];
  const message = {
    push: `Push the ${consumable} forward.`,
    draw: `Draw the ${consumable} back.`,
    "push-in": `Push the ${consumable} further into the tube.`,
    part: "Part the legs further.",
    open: "Open more sheath.",
    slit: `Slit the ${consumable} further.`,
    clean: "Clean further back.",
    tighten: "Tighten in order.",
    "let-off": "Let off in order.",
    "take-off": `Take the ${consumable} off.`,
    strip: (remedy.what ?? taken) ? `Take more ${remedy.what ?? taken} off.` : "Strip further.",
    trim: `Trim the ${remedy.what ?? taken ?? name}.`,
    "cut-back": `Cut the ${consumable} back.`,
    redraw: `Draw the ${name} again.`,
    remake: `Cut a new ${consumable}.`,
    reseat: `Back off a little and seat the ${remedy.what ?? "fibre"} again.`,
    "cleave-again": "Strip further back, then cleave again: cable is lost.",
    restart: "Start again from the cable.",
    leave: "Leave it.",
  }[remedy.act];
  return remedy.why ? `${remedy.why} ${message}` : message;
}

/** What to do about a length that is out, as sentences; empty where nothing is said. */
export const remedyText = (remedies: readonly Remedy[], features: readonly Named[]): string =>
  remedies.map((remedy) => remedySentence(remedy, features)).join(" ");

const lowerFirst = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;

/** What must be done before another try, as a sentence. */
const wayText = ({ act, what: part = "fibre" }: WayAct): string =>
  ({
    open: `Open the ${part}.`,
    "press-in": `Press the ${part} home, with no gap under it.`,
    "draw-back": `Draw the ${part} back a little, not out.`,
    "draw-out": `Draw the ${part} out.`,
    feed: `Open the ${part}, draw more fibre through it and close it again.`,
  })[act];

/** What another try does, as a sentence. @param from the step it begins again from. */
function retrySentence(rule: Retry, from: Step | undefined): string {
  switch (rule.act) {
    case "strip":
      return "Cut the bad glass off, strip further back and draw the marks again.";
    case "wipe":
      return "Wipe it again.";
    case "reseat":
      return "Back off a little and seat it once more.";
    case "cleave-again":
      return "Strip further back and cleave fresh glass.";
    case "repeat":
      return `Do “${from?.title ?? rule.name}” again.`;
    case "swap":
      return "Take them out and change them over.";
    case "restart":
      return rule.newPart === ""
        ? "Cut all of it off and start again."
        : `Start again from the cable, with new parts: ${lowerFirst(rule.newPart.replace(/\.$/, ""))}.`;
    case undefined:
      return "";
  }
}

/**
 * What to do about a bad look, made of what may be tried there: only what the chosen school allows is shown. An answer that
 * leads nowhere, or whose rules say no act, keeps its own words.
 */
export function answerAction(
  answer: JudgementAnswer,
  rules: readonly Retry[],
  steps: readonly Step[],
): string {
  const tries = answer.retries.flatMap(({ rule: id, goTo, via }) => {
    const rule = rules.find((rule) => rule.id === id);
    const from = steps.find((step) => step.id === goTo);
    return rule && from ? [{ rule, from, via }] : [];
  });
  const different = tries.filter(({ rule }, i) => tries.findIndex((other) => other.rule === rule) === i);
  const [first, ...rest] = different;
  if (!first || different.some(({ rule }) => rule.act === undefined)) return answer.action;
  const ways = (first.via ?? []).map(wayText);
  const then = rest.map(({ rule, from }) => lowerFirst(retrySentence(rule, from)).replace(/\.$/, ""));
  return [
    ...(answer.shards > 0 ? ["Count the shard."] : []),
    ...ways,
    retrySentence(first.rule, first.from),
    ...(then.length > 0 ? [`If that does not help: ${then.join("; then ")}.`] : []),
  ].join(" ");
}
