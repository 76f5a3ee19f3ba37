import { z } from "zod";
import { type Length, um, zMm, zMmNotNegative } from "../length/length";
import { zDocumentId, zName } from "../names/names";
import type { Instrument } from "../procedure/tool";
import { said } from "../words/core";
import { type CheckKind, questionsOf, zCheckKind } from "./questions";

/** A tool that is checked before the first strip of a shift. */
export const zToolToCheck = z.strictObject({ id: zDocumentId, name: zName, kind: zCheckKind });
export type ToolToCheck = z.output<typeof zToolToCheck>;

/** Lengths of a gauge, read with the instrument that is checked. */
const zGaugeRead = z.strictObject({
  /** Length of the gauge as it is certified. */
  gauge: zMmNotNegative.refine((value) => value > 0, said("a-gauge-is-longer-than-0")),
  readings: z
    .array(zMm)
    .min(1, said("read-the-gauge-at-least-once"))
    .max(20, said("read-the-gauge-at-most-20-times")),
});

/** A torque as it was set, and as the tester showed it. Newton metres. */
const zTorqueRead = z.strictObject({
  set: z.number().positive(said("a-torque-must-be-above-0")).max(100, said("a-torque-must-be-at-most-100")),
  shown: z.number().min(0, said("a-torque-must-be-above-0")).max(100, said("a-torque-must-be-at-most-100")),
});

/** The sights of a tool check: answers to its questions, or what was read. */
export const zCheckSights = z.strictObject({
  answers: z.record(z.string().max(40), z.string().max(40)).default({}),
  gauge: zGaugeRead.nullable().default(null),
  torque: zTorqueRead.nullable().default(null),
});
export type CheckSights = z.output<typeof zCheckSights>;

/** Result of a tool check. */
interface CheckResult {
  readonly good: boolean;
  /** Questions that are not answered yet, or with an answer there is none of. */
  readonly open: readonly string[];
  /** Mean of the readings less the gauge, micrometres; null where no gauge was read. */
  readonly bias: Length | null;
}

/** ISO 6789-1, from memory: a driver's click lies within so much of what is set. */
const TORQUE_SHARE = 0.06;
const EPSILON = 1e-9;

/**
 * The largest bias an instrument may show: a step of its scale, and twice its repeatability (common practice, no source).
 * Micrometres.
 * @example biasAllowed({ resolution: um(10), repeatability: um(60) }) // 130
 */
export const biasAllowed = ({
  resolution,
  repeatability,
}: Pick<Instrument, "resolution" | "repeatability">): Length => um(resolution + 2 * repeatability);

/**
 * Judges a tool check by its answers, or by what was read.
 * @param instrument the instrument that is checked, where it is one.
 * @example judgeToolCheck("arc", { answers: { arc: "failed" }, gauge: null, torque: null }, null).good // false
 */
export function judgeToolCheck(
  kind: CheckKind,
  { answers, gauge, torque }: CheckSights,
  instrument: Pick<Instrument, "resolution" | "repeatability"> | null,
): CheckResult {
  if (kind === "length") {
    if (gauge === null || instrument === null) return { good: false, open: ["gauge"], bias: null };
    const mean = gauge.readings.reduce((sum: number, reading) => sum + reading, 0) / gauge.readings.length;
    const bias = um(Math.round(mean - gauge.gauge));
    return { good: Math.abs(bias) <= biasAllowed(instrument), open: [], bias };
  }
  if (kind === "torque") {
    if (torque === null) return { good: false, open: ["torque"], bias: null };
    const off = Math.abs(torque.shown - torque.set);
    return { good: off <= torque.set * TORQUE_SHARE + EPSILON, open: [], bias: null };
  }
  const questions = questionsOf(kind);
  const given = questions.map(({ id, answers: all }) => ({
    id,
    answer: all.find((answer) => answer.id === answers[id]),
  }));
  // A bad answer settles the check: what follows it need not be looked at.
  const isBad = given.some(({ answer }) => answer && !answer.good);
  const open = isBad ? [] : given.filter(({ answer }) => !answer).map(({ id }) => id);
  return { good: !isBad && open.length === 0, open, bias: null };
}
