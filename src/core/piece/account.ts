import { standingEvents } from "../end/acts";
import type { EndState } from "../end/end-state";
import type { Recorded } from "../event/recorded";
import { type Length, um, ZERO } from "../length/length";
import type { PiecePlan, SideName } from "./plan";

/** One thing that took cable at a place. */
interface SlackUse {
  readonly event: string;
  readonly kind: "retry" | "restart" | "rework";
  readonly cable: Length;
}

/** The cable there is to work with at a place, and what became of it. */
interface SlackAccount {
  /** Null until somebody states it. */
  readonly allowed: Length | null;
  readonly used: Length;
  readonly uses: readonly SlackUse[];
  /** Null as long as what was allowed is not known; below nothing where more was taken than there was. */
  readonly left: Length | null;
  /** Whole attempts that what is left is enough for; null where it is not known. */
  readonly attempts: number | null;
}

const usedBy = ({ id, event }: Recorded): SlackUse[] => {
  if (event.kind !== "retry" && event.kind !== "restart" && event.kind !== "rework") return [];
  const cable = event.cableLost ?? ZERO;
  return cable > 0 ? [{ event: id, kind: event.kind, cable }] : [];
};

/**
 * The slack of a place as its ends' own events leave it: each attempt and rework takes what it took, one taken back at once
 * takes nothing.
 * @param perAttempt what one more attempt takes.
 * @example slackAccount(um(300_000), [], um(100_000)).left // 300000
 */
export function slackAccount(
  allowed: Length | null,
  histories: readonly (readonly Recorded[])[],
  perAttempt: Length,
): SlackAccount {
  const uses = histories.flatMap((events) => standingEvents(events).flatMap(usedBy));
  const used = um(uses.reduce((total: number, { cable }) => total + cable, 0));
  const left = allowed === null ? null : um(allowed - used);
  return { allowed, used, uses, left, attempts: attemptsIn(left, perAttempt) };
}

/** Whole attempts a length is enough for; null where either is not known. */
const attemptsIn = (left: Length | null, perAttempt: Length): number | null =>
  left === null || perAttempt <= 0 ? null : Math.max(0, Math.floor(left / perAttempt));

/** The slack of a place but for what the end itself takes: null as long as nobody said. */
export interface SlackTold {
  readonly allowed: Length | null;
  /** Taken by the ends made there before. */
  readonly before: Length;
  readonly perAttempt: Length;
}

/**
 * What is left behind an end as it stands; what somebody at the bench said is left to spare goes before what was planned.
 * @example slackBehind({ allowed: um(300_000), before: um(0), perAttempt: um(100_000) }, { lost: um(50_000), spare: null }).attempts
 * // 2
 */
export function slackBehind(
  { allowed, before, perAttempt }: SlackTold,
  { lost, spare }: Pick<EndState, "lost" | "spare">,
): Pick<SlackAccount, "left" | "attempts"> {
  const left = spare ?? (allowed === null ? null : um(allowed - before - lost));
  return { left, attempts: attemptsIn(left, perAttempt) };
}

/**
 * The slack there is at a place as its plan says it: what somebody found there, else what its retries have cable for and
 * what is left over; null where none was said. What was opened out of the cable has what its own retries are left long enough for.
 * @param perAttempt what one more attempt takes.
 * @example slackAllowed({ slack: null, retries: 2, onto: null, leave: null }, um(100_000), false) // 200000
 */
export function slackAllowed(
  { slack, retries, onto, leave }: Pick<PiecePlan["sides"][SideName], "slack" | "retries" | "onto" | "leave">,
  perAttempt: Length,
  opened: boolean,
): Length | null {
  if (slack !== null) return slack;
  const tries = (opened ? onto?.retries : retries) ?? 0;
  const left = opened ? null : leave;
  return tries > 0 || left !== null ? um(tries * perAttempt + (left ?? 0)) : null;
}
