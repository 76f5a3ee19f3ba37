import type { Highs, HighsSolution } from "highs";
import { z } from "zod";
import { type Length, toMm, um, zMm, zMmNotNegative } from "../length/length";
import { zName } from "../names/names";
import { eachOnce } from "../names/once";
import { coded } from "../problem/codes";
import { mustHoldAt } from "../problem/held";
import { InputError } from "../problem/problem";
import { said, say } from "../words/core";

/** The most reels and the most cuts that are answered. */
const MOST_REELS = 60;
const MOST_CUTS = 300;

const zPositive = zMm.refine((length) => length > 0, {
  ...said("this-length-must-be-greater-than-0"),
  params: coded("negative"),
});

const zListed = (most: number) =>
  z
    .array(
      z.strictObject({
        id: zName,
        length: zPositive,
        count: z
          .int(said("this-must-be-a-whole-number"))
          .min(0, said("this-must-be-0-or-more"))
          .max(most, said("give-at-most-so-many", { most }))
          .optional(),
      }),
    )
    .superRefine(eachOnce("id"))
    .superRefine((list, context) => {
      if (list.reduce((sum, { count = 1 }) => sum + count, 0) > most)
        context.addIssue({
          code: "custom",
          message: said("give-at-most-so-many", { most }).error(),
          params: coded("limit"),
        });
    });

export const zReelsInput = z.strictObject({
  reels: zListed(MOST_REELS),
  cuts: zListed(MOST_CUTS),
  /** Lost at each cut. */
  kerf: zMmNotNegative,
});

type ReelsInput = z.output<typeof zReelsInput>;

interface CutReel {
  readonly reel: string;
  /** Which of like reels, from 1. */
  readonly copy: number;
  readonly cuts: readonly { readonly cut: string; readonly count: number }[];
  readonly remainder: Length;
}

interface Reels {
  readonly possible: boolean;
  /** Total length of the reels that are opened. */
  readonly opened: Length;
  /** Which cut comes off which reel: all of them, or where that is not possible as much as can be had. */
  readonly reels: readonly CutReel[];
  /** The longest remainder of a reel that is opened; null where none is. */
  readonly longest: Length | null;
  /** The cuts that cannot be had. */
  readonly short: readonly { readonly cut: string; readonly count: number }[];
}

interface Reel {
  readonly id: string;
  readonly copy: number;
  readonly length: Length;
}

interface Cut {
  readonly id: string;
  readonly length: Length;
  readonly count: number;
}

interface Question {
  readonly reels: readonly Reel[];
  readonly cuts: readonly Cut[];
  readonly kerf: Length;
}

/** How long the solver may take over one question, seconds. */
const LONGEST_S = 20;

/** A sum in the solver's own language, of coefficients and names. */
const sum = (terms: readonly (readonly [coefficient: number, name: string])[]): string =>
  terms
    .map(([coefficient, name]) => `${coefficient < 0 ? "-" : "+"} ${Math.abs(coefficient)} ${name}`)
    .join(" ");

const of = (cut: number, reel: number): string => `x${cut}_${reel}`;

/** What a reel gives up for its cuts, each with its kerf. */
const usedOf = ({ cuts, kerf }: Question, reel: number) =>
  cuts.map(({ length }, cut) => [toMm(length + kerf), of(cut, reel)] as const);

/**
 * The question as a mixed-integer programme: how often each cut comes off each reel, and which reels are opened. Like reels
 * are opened in their order, so that no solution is looked at twice.
 * @param all whether every cut must be had, or some may be short.
 */
function programme(question: Question, goal: string, further: readonly string[], all: boolean): string {
  const { reels, cuts } = question;
  const asMany = cuts.map(
    ({ count }, cut) =>
      `${sum(reels.map((_, reel) => [1, of(cut, reel)] as const))} ${all ? "=" : "<="} ${count}`,
  );
  const within = reels.map(
    ({ length }, reel) => `${sum([...usedOf(question, reel), [-toMm(length), `y${reel}`]])} <= 0`,
  );
  const inOrder = reels.flatMap(({ id }, reel) =>
    reels[reel + 1]?.id === id ? [`y${reel} - y${reel + 1} >= 0`] : [],
  );
  const names = cuts.flatMap((_, cut) => reels.map((__, reel) => of(cut, reel)));
  const lines = [...asMany, ...within, ...inOrder, ...further];
  return [
    goal,
    "Subject To",
    ...lines.map((line, i) => ` c${i}: ${line}`),
    "Bounds",
    ...cuts.flatMap(({ count }, cut) => reels.map((_, reel) => ` 0 <= ${of(cut, reel)} <= ${count}`)),
    "General",
    ` ${names.join(" ")}`,
    "Binary",
    ` ${reels.map((_, reel) => `y${reel}`).join(" ")}`,
    "End",
  ].join("\n");
}

/** How often each cut comes off each reel, whole; null where there is no way. */
function solve(highs: Highs, text: string, { reels, cuts, kerf }: Question): number[][] | null {
  const solution: HighsSolution = highs.solve(text, {
    mip_rel_gap: 0,
    mip_abs_gap: 0,
    time_limit: LONGEST_S,
    output_flag: false,
  });
  if (/infeasible/i.test(solution.Status)) return null;
  const counts = reels.map((_, reel) =>
    cuts.map((__, cut) => {
      const column = solution.Columns[of(cut, reel)];
      return column && "Primal" in column ? Math.round(column.Primal) : 0;
    }),
  );
  const holds = counts.every(
    (row, reel) =>
      row.reduce((used, count, cut) => used + count * (mustHoldAt(cuts, cut).length + kerf), 0) <=
      mustHoldAt(reels, reel).length,
  );
  if (solution.Status !== "Optimal" || !holds)
    throw new InputError("limit", say("too-many-reels-and-cuts-to-solve", { seconds: LONGEST_S }));
  return counts;
}

/**
 * Every cut from the reels in stock, unspliced: the least total length of reels opened, then the longest single remainder.
 * A cutting-stock problem as a mixed-integer programme (Kantorovich 1939; Gilmore & Gomory 1961), solved by HiGHS.
 * @throws InputError where the solver does not finish in time.
 */
export async function cutFromReels({ reels: stock, cuts: wished, kerf }: ReelsInput): Promise<Reels> {
  const reels = stock.flatMap(({ id, length, count = 1 }): Reel[] =>
    Array.from({ length: count }, (_, i) => ({ id, copy: i + 1, length })),
  );
  const cuts = wished.flatMap(({ id, length, count = 1 }): Cut[] =>
    count > 0 ? [{ id, length, count }] : [],
  );
  const question: Question = { reels, cuts, kerf };
  const nothing = reels.map(() => cuts.map(() => 0));
  if (cuts.length === 0 || reels.length === 0) return answer(question, nothing);
  const { default: loadHighs } = await import("highs");
  const highs = await loadHighs();
  const opened = sum(reels.map(({ length }, reel) => [toMm(length), `y${reel}`] as const));
  const least = solve(highs, programme(question, `Minimize\n ${opened}`, [], true), question);
  if (!least) {
    const had = cuts.flatMap(({ length }, cut) =>
      reels.map((_, reel) => [toMm(length), of(cut, reel)] as const),
    );
    const most = solve(highs, programme(question, `Maximize\n ${sum(had)}`, [], false), question);
    return answer(question, most ?? nothing);
  }
  const total = toMm(openedBy(question, least));
  let best = least;
  for (const [reel, { id }] of reels.entries()) {
    // Of like reels the first may as well be the one with the remainder.
    if (reels.findIndex((like) => like.id === id) < reel) continue;
    const goal = `Minimize\n ${sum(usedOf(question, reel))}`;
    const further = [`y${reel} = 1`, `${opened} <= ${total}`];
    const counts = solve(highs, programme(question, goal, further, true), question);
    if (counts && longestOf(question, counts) > longestOf(question, best)) best = counts;
  }
  return answer(question, best);
}

const remainderOf = ({ reels, cuts, kerf }: Question, counts: readonly number[], reel: number): Length =>
  um(
    mustHoldAt(reels, reel).length -
      counts.reduce((used, count, cut) => used + count * (mustHoldAt(cuts, cut).length + kerf), 0),
  );

const isOpened = (counts: readonly number[]): boolean => counts.some((count) => count > 0);

const openedBy = ({ reels }: Question, counts: readonly (readonly number[])[]): number =>
  counts.reduce((total, row, reel) => total + (isOpened(row) ? mustHoldAt(reels, reel).length : 0), 0);

const longestOf = (question: Question, counts: readonly (readonly number[])[]): number =>
  Math.max(-1, ...counts.map((row, reel) => (isOpened(row) ? remainderOf(question, row, reel) : -1)));

function answer(question: Question, counts: readonly (readonly number[])[]): Reels {
  const { reels, cuts } = question;
  const short = cuts.flatMap(({ id, count }, cut) => {
    const had = counts.reduce((total, row) => total + (row[cut] ?? 0), 0);
    return had < count ? [{ cut: id, count: count - had }] : [];
  });
  const longest = longestOf(question, counts);
  return {
    possible: short.length === 0,
    opened: um(openedBy(question, counts)),
    reels: counts.flatMap((row, at): CutReel[] => {
      if (!isOpened(row)) return [];
      const { id, copy } = mustHoldAt(reels, at);
      const off = cuts.flatMap((cut, i) => (row[i] ? [{ cut: cut.id, count: row[i] }] : []));
      return [{ reel: id, copy, cuts: off, remainder: remainderOf(question, row, at) }];
    }),
    longest: longest < 0 ? null : um(longest),
    short,
  };
}
