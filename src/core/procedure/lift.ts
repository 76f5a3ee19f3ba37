import { isRecord } from "../problem/is-record";
import type { Subject } from "./physical";
import type { RetryAct } from "./remedy";

/** What looks of before are about, by the id every document gave them: one meaning each. */
const SUBJECT_OF: Readonly<Record<string, Subject>> = {
  "coating-off": "coating",
  "glass-sound": "glass",
  "clean-cleave": "face",
  "light-on": "light-on",
  glow: "seat-light",
  "glow-out": "seat-light",
  "glow-closed": "closed-light",
  "glow-closed-out": "closed-light",
  lamp: "closed-lamp",
  bow: "seat-bow",
  gap: "seat-gap",
  "edge-in-hole": "edge",
  touched: "untouched",
  held: "closed-bow",
  impression: "crimp",
  test: "loss",
  loss: "loss",
  "end-face": "end-face",
  arc: "tool",
  "self-test": "tool",
  "wedge-home": "joint-open",
  ends: "ends",
  splice: "weld",
  pull: "pulled",
  shrink: "sleeve",
  polarity: "order",
  colours: "order",
  "colours-on": "order",
  whole: "whole",
  ribbons: "whole",
  mate: "mate",
  "grip-tight": "grip",
  "grip-semi": "grip",
  loop: "loop",
};

/** What rules of before do to the end, by the id every document gave them. */
const ACT_OF: Readonly<Record<string, RetryAct>> = {
  strip: "strip",
  wipe: "wipe",
  reseat: "reseat",
  recleave: "cleave-again",
  rewedge: "cleave-again",
  "rewedge-press": "repeat",
  connector: "restart",
  start: "restart",
  "cut-back": "restart",
  reopen: "restart",
  repolish: "repeat",
  relay: "repeat",
  recrimp: "repeat",
  reshrink: "repeat",
  retighten: "repeat",
  swap: "swap",
  "swap-legs": "swap",
  reorder: "swap",
};

/**
 * A procedure on the shelf or in a draft, as an older version of its schema wrote it, in today's words: what has one
 * physical meaning is taken over, what has none is left for its owner to say. What is written in today's words already
 * comes back the same. Whether it is one, the schema says.
 * @example liftedProcedure(null) // null
 */
export function liftedProcedure(written: unknown): unknown {
  const renamed = renamedProcedure(written);
  if (!isRecord(renamed) || !Array.isArray(renamed.steps)) return renamed;
  return {
    ...renamed,
    steps: renamed.steps.map(withSubject),
    ...(Array.isArray(renamed.retries) && { retries: renamed.retries.map(withAct) }),
  };
}

/**
 * A procedure or a sheet on record, in today's names and nothing more: it must compile to the sheet that was worked. In
 * version 1, what an answer says to try was called `redo`.
 * @example renamedProcedure(null) // null
 */
export function renamedProcedure(written: unknown): unknown {
  if (Array.isArray(written)) return written.map(renamedProcedure);
  if (!isRecord(written)) return written;
  const isAnswer = "sees" in written;
  return Object.fromEntries(
    Object.entries(written).map(([key, value]) => [
      isAnswer && key === "redo" ? "retries" : key,
      renamedProcedure(value),
    ]),
  );
}

function withSubject(step: unknown): unknown {
  if (!isRecord(step) || step.of !== undefined || !isRecord(step.judgement)) return step;
  const { id } = step.judgement;
  const subject = typeof id === "string" && Object.hasOwn(SUBJECT_OF, id) ? SUBJECT_OF[id] : undefined;
  return subject === undefined ? step : { ...step, of: subject };
}

function withAct(rule: unknown): unknown {
  if (!isRecord(rule) || rule.act !== undefined || typeof rule.id !== "string") return rule;
  return Object.hasOwn(ACT_OF, rule.id) ? { ...rule, act: ACT_OF[rule.id] } : rule;
}
