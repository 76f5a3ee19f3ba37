import { type Outcome, ok, refuse } from "../problem/problem";
import { say } from "../words/core";

/** A line as a splicer sends it for one splice. */
interface SplicerLine {
  /** The splicer's own number for it. */
  readonly number: number;
  /** Angles of the two cleaves, degrees. */
  readonly left: number;
  readonly right: number;
  readonly estimateDb: number;
}

/** The most a line has, and the most of its figures. */
const LONGEST = 120;
const MOST = { number: 999_999, angle: 20, estimate: 30 };
const FORM = /^splice\s+(\S+)\s+left\s+(\S+)\s+right\s+(\S+)\s+estimate\s+(\S+)$/i;

/**
 * Whether a text is meant as a splicer's line, not as a number typed by hand.
 * @example isSplicerLine("splice 12 left") // true
 */
export const isSplicerLine = (text: string): boolean => /^\s*splice\b/i.test(text);

/**
 * Reads a splicer's line: `splice 12 left 0.4 right 0.9 estimate 0.03`, angles in degrees, the estimate in dB, either
 * decimal sign. The form is our own, described in `docs/formats.md`.
 * @returns a refusal that says what is wrong with the line, `bad-input`.
 * @example parseSplicerLine("splice 12 left 0.4 right 0.9 estimate 0.03")
 * // { ok: true, value: { number: 12, left: 0.4, right: 0.9, estimateDb: 0.03 } }
 */
export function parseSplicerLine(text: string): Outcome<SplicerLine> {
  const line = text.trim();
  if (line.length > LONGEST)
    return refuse("bad-input", say("a-splicers-line-is-too-long", { longest: LONGEST }));
  const fields = FORM.exec(line)?.slice(1);
  if (!fields)
    return refuse("bad-input", say("a-splicers-line-has-another-form", { line: line.slice(0, 60) }));
  const [number = Number.NaN, left = Number.NaN, right = Number.NaN, estimateDb = Number.NaN] =
    fields.map(figureOf);
  const wrong = [
    Number.isInteger(number) && number >= 1 && number <= MOST.number ? null : ["splice", fields[0]],
    within(left, MOST.angle) ? null : ["left", fields[1]],
    within(right, MOST.angle) ? null : ["right", fields[2]],
    within(estimateDb, MOST.estimate) ? null : ["estimate", fields[3]],
  ].find((field) => field !== null);
  if (wrong) {
    const [field = "", figure = ""] = wrong;
    return refuse(
      "bad-input",
      say("a-splicers-line-has-a-bad-figure", { field, figure: figure.slice(0, 20) }),
    );
  }
  return ok({ number, left, right, estimateDb });
}

const figureOf = (text: string): number =>
  /^\d{1,6}([.,]\d{1,4})?$/.test(text) ? Number(text.replace(",", ".")) : Number.NaN;

const within = (value: number, most: number): boolean => value >= 0 && value <= most;

/**
 * A line as the simulated splicer sends it.
 * @example splicerLine({ number: 12, left: 0.4, right: 0.9, estimateDb: 0.03 }) // "splice 12 left 0.4 right 0.9 estimate 0.03"
 */
export const splicerLine = ({ number, left, right, estimateDb }: SplicerLine): string =>
  `splice ${number} left ${left} right ${right} estimate ${estimateDb}`;

/**
 * A simulated splice: the angles of two cleaves and what they cost, from three numbers between 0 and 1. Invented, for
 * practice: about one splice in twelve is poor.
 * @example simulatedSplice(3, [0.5, 0.5, 0.5]).estimateDb // 0.02
 */
export function simulatedSplice(number: number, [x, y, z]: readonly [number, number, number]): SplicerLine {
  const angle = (share: number) => Math.round((0.2 + 1.4 * share ** 2) * 10) / 10;
  const [left, right] = [angle(x), angle(y)];
  const poor = z > 11 / 12 ? 0.15 + 2 * (z - 11 / 12) : 0;
  const estimateDb = Math.round((0.01 + 0.02 * z * (left + right) + poor) * 100) / 100;
  return { number, left, right, estimateDb };
}
