import type { HighsSolution } from "highs";
import { z } from "zod";
import { mustHoldAt } from "../problem/held";
import { InputError } from "../problem/problem";
import { said, say } from "../words/core";
import { behindTap, type Tap, zLossDb, zTap, zTapJoint } from "./light";
import { type Taps, zTapsInput } from "./taps";

/** A kind of tap: how many there are of it; null where nobody has counted, as many as are needed. */
export const zStockedTap = zTap.extend({
  count: z
    .int(said("this-must-be-a-whole-number"))
    .min(0, said("this-must-be-0-or-more"))
    .max(10_000, said("this-must-be-at-most-10-000"))
    .nullable()
    .default(null),
});

export const zStockedTapsInput = zTapsInput.extend({
  stock: z
    .array(zStockedTap)
    .min(1, said("give-at-least-one-tap"))
    .max(32, said("give-at-most-32-kinds-of-tap")),
  joints: z
    .array(zTapJoint.extend({ dropDb: zLossDb.default(0) }))
    .min(1, said("give-at-least-one-joint"))
    .max(64, said("give-at-most-64-joints")),
});
type StockedTapsInput = z.output<typeof zStockedTapsInput>;

/** Time limit of the solver for one call, seconds. */
const LONGEST_S = 20;
/** Closer than the solver answers, dB: a margin kept to this is kept. */
const SLACK_DB = 1e-6;

const chosen = (joint: number, place: number): string => `x${joint}_${place}`;

const sum = (terms: readonly (readonly [coefficient: number, name: string])[]): string =>
  terms
    .map(
      ([coefficient, name]) => `${coefficient < 0 ? "-" : "+"} ${Math.abs(coefficient).toFixed(12)} ${name}`,
    )
    .join(" ");

/**
 * The margin of a joint's drop, and what goes on behind it, as sums: in decibels every tap before it takes its own share off,
 * whatever the others are.
 */
function programme(
  { stock, joints, ...feeder }: StockedTapsInput,
  goal: string,
  further: readonly string[],
): string {
  const fixed: number[] = [];
  let power = feeder.launchDbm;
  // Behind a tap of no loss at all only what lies between the joints is taken.
  const none = { tapPct: 50, excessDb: 0 };
  const half = 10 * Math.log10(0.5);
  for (const joint of joints) {
    const behind = behindTap(feeder, joint, none, power);
    fixed.push(behind.margin - half);
    power = behind.through - half;
  }
  const margins = joints.map((_, at) => {
    const before = joints
      .slice(0, at)
      .flatMap((__, i) => stock.map((tap, place) => [-throughLoss(tap), chosen(i, place)] as const));
    const own = stock.map((tap, place) => [-dropLossOf(tap), chosen(at, place)] as const);
    return `${sum([...before, ...own])} - m >= ${(-mustHoldAt(fixed, at)).toFixed(12)}`;
  });
  const oneEach = joints.map(
    (_, at) => `${sum(stock.map((__, place) => [1, chosen(at, place)] as const))} = 1`,
  );
  const within = stock.flatMap(({ count }, place) =>
    count === null ? [] : [`${sum(joints.map((_, at) => [1, chosen(at, place)] as const))} <= ${count}`],
  );
  return [
    goal,
    "Subject To",
    ...[...margins, ...oneEach, ...within, ...further].map((line, i) => ` c${i}: ${line}`),
    "Bounds",
    " m free",
    "Binary",
    ` ${joints.flatMap((_, at) => stock.map((__, place) => chosen(at, place))).join(" ")}`,
    "End",
  ].join("\n");
}

const dropLossOf = ({ tapPct, excessDb }: Tap): number => excessDb - 10 * Math.log10(tapPct / 100);
const throughLoss = ({ tapPct, excessDb }: Tap): number => excessDb - 10 * Math.log10(1 - tapPct / 100);

/**
 * Chooses the tap of each joint from a limited stock: the greatest least margin, then the most power behind the
 * last. In decibels a mixed-integer programme, solved by HiGHS; without counts it is what `chooseTaps` finds.
 * @throws InputError `does-not-fit` where there are fewer taps than joints; `limit` where the solver does not finish in time.
 */
export async function chooseTapsInStock(input: StockedTapsInput): Promise<Taps> {
  const { stock, joints, margin, ...feeder } = input;
  const held = stock.reduce((total, { count }) => total + (count ?? Number.POSITIVE_INFINITY), 0);
  if (held < joints.length)
    throw new InputError("does-not-fit", say("fewer-taps-than-joints", { joints: joints.length, held }), [
      "stock",
    ]);
  const { default: loadHighs } = await import("highs");
  const highs = await loadHighs();
  const solve = (goal: string, further: readonly string[]): HighsSolution => {
    const solution = highs.solve(programme(input, goal, further), {
      ...{ mip_rel_gap: 0, mip_abs_gap: 0, time_limit: LONGEST_S, output_flag: false },
    });
    if (solution.Status !== "Optimal")
      throw new InputError("limit", say("too-many-joints-and-taps-to-solve", { seconds: LONGEST_S }));
    return solution;
  };
  const best = solve("Maximize\n m", []);
  const taken = joints.flatMap((_, at) =>
    stock.map((tap, place) => [throughLoss(tap), chosen(at, place)] as const),
  );
  const solution = solve(`Minimize\n ${sum(taken)}`, [`m >= ${best.ObjectiveValue - SLACK_DB}`]);
  const places = joints.map((_, at) =>
    stock.findIndex((__, place) => {
      const column = solution.Columns[chosen(at, place)];
      return column !== undefined && "Primal" in column && column.Primal > 0.5;
    }),
  );
  let power = feeder.launchDbm;
  const margins = joints.map((joint, at) => {
    const behind = behindTap(feeder, joint, mustHoldAt(stock, mustHoldAt(places, at)), power);
    power = behind.through;
    return behind.margin;
  });
  const least = Math.min(...margins);
  return {
    possible: least >= margin - SLACK_DB,
    least,
    choice: places.map((place) => mustHoldAt(stock, place).tapPct),
    margins,
    through: power,
  };
}
