import { scaleLinear } from "d3-scale";
import type { DrawnStretch } from "@/core";

/** A stretch of cable drawn at true scale; lengths in micrometres, places in pixels. */
interface Stretch extends DrawnStretch {
  readonly x0: number;
  readonly x1: number;
}

/** Where lengths fall across the band. Between stretches a break line says that length is left out. */
export interface BandScale {
  readonly stretches: readonly Stretch[];
  readonly pxPerMm: number;
  readonly width: number;
  readonly x: (position: number) => number;
}

const BREAK_PX = 34;

/** Lays what is drawn of an axis across a width at one true scale, from the fibre end at `left` to a tail of cable body. */
export function bandScale(
  spans: readonly DrawnStretch[],
  width: number,
  left: number,
  tail: number,
): BandScale {
  const drawn = spans.reduce((sum, { from, to }) => sum + to - from, 0) || 1;
  const room = Math.max(60, width - left - tail - BREAK_PX * (spans.length - 1));
  const pxPerUm = room / drawn;
  let x = left;
  const stretches = spans.map(({ from, to }, i) => {
    const end = i === spans.length - 1;
    const stretch = {
      from,
      to: end ? to + tail / pxPerUm : to,
      x0: x,
      x1: x + (to - from) * pxPerUm + (end ? tail : 0),
    };
    x = stretch.x1 + BREAK_PX;
    return stretch;
  });
  const line = scaleLinear(
    stretches.flatMap(({ from, to }) => [from, to]),
    stretches.flatMap(({ x0, x1 }) => [x0, x1]),
  );
  return { stretches, pxPerMm: pxPerUm * 1000, width, x: (position) => line(position) };
}

const LABEL_PX = 26;
/** A figure of the tape is so wide, and the next stands so far off. */
const DIGIT_PX = 6.2;
const GAP_PX = 7;
/** A number stands at every so many millimetres. */
const LABELLED = [10, 20, 50, 100, 200, 500, 1_000, 2_000, 5_000];

export interface ScaleTick {
  readonly x: number;
  /** 0 is the longest tick, with a number. */
  readonly rank: 0 | 1 | 2;
  readonly label: string | null;
}

/** Millimetre ticks at true places; the scale decides how fine. */
export function mmTicks(scale: BandScale): ScaleTick[] {
  const step = scale.pxPerMm >= 4 ? 1 : scale.pxPerMm >= 1.2 ? 5 : 10;
  const widest = String(Math.round((scale.stretches.at(-1)?.to ?? 0) / 1000)).length;
  const labelled =
    LABELLED.find((every) => every % step === 0 && every * scale.pxPerMm >= widest * DIGIT_PX + GAP_PX) ??
    10_000;
  return ticks(scale, 1000 * step, (n) => {
    const value = n * step;
    if (value % labelled === 0) return { rank: 0, label: String(value) };
    return { rank: value % 5 === 0 && step === 1 ? 1 : 2, label: null };
  });
}

/** Inch ticks, sixteenths where they are legible, at true places. */
export function inchTicks(scale: BandScale): ScaleTick[] {
  const parts = scale.pxPerMm >= 3 ? 16 : scale.pxPerMm >= 1.5 ? 8 : 4;
  const every = scale.pxPerMm >= 1 ? 1 : 4;
  return ticks(scale, 25_400 / parts, (n) => {
    if (n % (parts * every) === 0) return { rank: 0, label: `${n / parts}″` };
    return { rank: n % (parts / 4) === 0 ? 1 : 2, label: null };
  });
}

function ticks(
  scale: BandScale,
  step: number,
  kind: (n: number) => Pick<ScaleTick, "rank" | "label">,
): ScaleTick[] {
  return scale.stretches.flatMap(({ from, to, x1 }) => {
    const scaleTicks: ScaleTick[] = [];
    for (let n = Math.ceil(from / step - 1e-9); n * step <= to; n++) {
      const x = scale.x(n * step);
      const { rank, label } = kind(n);
      scaleTicks.push({ x, rank, label: x > x1 - LABEL_PX ? null : label });
    }
    return scaleTicks;
  });
}
