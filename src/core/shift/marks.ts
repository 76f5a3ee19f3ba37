import { z } from "zod";
import { said, t } from "../words/core";
import { checkStanding, type TimedCheck, type ToolCheckStanding, worstStanding } from "./standing";

/** A mark that tells tools of one kind apart, for example “2”; empty where a crew has only one of them. */
export const zMark = z.string().trim().max(20, said("a-mark-has-at-most-20")).default("");

/** A check of one tool, of which a crew may have several. */
interface MarkedCheck extends TimedCheck {
  readonly mark: string;
  /** Id of the person who made it. */
  readonly by: string | null;
}

/** Work done with a tool: when it was begun and ended, ISO times, and the id of whoever did it. */
interface HandWork {
  readonly from: string;
  readonly to: string;
  /** Read only where there are several tools of the kind. */
  readonly by: string | null;
}

/**
 * A tool's name with its mark.
 * @example markedName("Digital calliper", "2") // "Digital calliper marked 2"
 */
export const markedName = (name: string, mark: string): string =>
  mark === "" ? name : t("name-marked", { name, mark });

/**
 * Marks of the tools of a kind that were ever checked.
 * @example toolMarks([{ mark: "2" }, { mark: "" }, { mark: "2" }]) // ["2", ""]
 */
export const toolMarks = (checks: readonly Pick<MarkedCheck, "mark">[]): string[] => [
  ...new Set(checks.map(({ mark }) => mark)),
];

/**
 * Marks of the tools of a kind that somebody can have had in hand: of several, the one they checked last by then, or else
 * first after it. Where they never checked any: every one that had been checked by then, or every one, where none had.
 * @param checks checks of all tools of the kind, in the order of time.
 * @example marksInHand([{ at: "08:00", good: true, mark: "2", by: "Osla" }], { from: "09:00", to: "09:10", by: "Osla" }) // ["2"]
 */
export function marksInHand(checks: readonly MarkedCheck[], work: HandWork): string[] {
  const marks = toolMarks(checks);
  if (marks.length < 2) return marks;
  const { by, to } = work;
  const own = by === null ? [] : checks.filter((check) => check.by === by);
  const last = own.findLast(({ at }) => at <= to) ?? own[0];
  if (last) return [last.mark];
  const before = toolMarks(checks.filter(({ at }) => at <= to));
  return before.length > 0 ? before : marks;
}

/**
 * Marks of the tools of a kind that are in somebody's hand now: the one each person checked last. One that was replaced is in
 * nobody's.
 * @param checks checks of all tools of the kind, in the order of time.
 * @example marksHeld([{ mark: "1", by: "Osla" }, { mark: "2", by: "Osla" }]) // ["2"]
 */
export const marksHeld = (checks: readonly Pick<MarkedCheck, "mark" | "by">[]): string[] => [
  ...new Set(new Map(checks.map(({ by, mark }) => [by, mark])).values()),
];

/** Standing of work by the checks of the tool it was done with, and the mark of that tool. */
interface StandingInHand<C extends TimedCheck> extends ToolCheckStanding<C> {
  readonly mark: string;
}

/**
 * Standing of work by the checks of the tool it was done with; where several come into question, the worst of theirs.
 * @param checks checks of all tools of the kind, in the order of time.
 * @returns null where none was ever checked.
 * @example standingInHand([{ at: "08:00", good: false, mark: "2", by: "Teo" }, { at: "08:10", good: true, mark: "1", by: "Osla" }],
 *   { from: "09:00", to: "09:10", by: "Teo" })?.standing // "failed"
 */
export function standingInHand<C extends MarkedCheck>(
  checks: readonly C[],
  work: HandWork,
): StandingInHand<C> | null {
  const stood = marksInHand(checks, work).map((mark) => ({
    mark,
    ...checkStanding(
      checks.filter((check) => check.mark === mark),
      work,
    ),
  }));
  return worstStanding(stood);
}
