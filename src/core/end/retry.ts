import type { EndEvent } from "../event/event";
import { type Length, um } from "../length/length";
import type { Retry } from "../procedure/retry";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";
import type { EndState } from "./end-state";
import { retriesUsed } from "./made-again";

/** One thing an answer says to try: its rule, where it goes, and how often is left. */
export interface RetryOffer {
  readonly rule: Retry;
  /** Index of the line it goes back to. */
  readonly to: number;
  readonly used: number;
  readonly left: number;
}

/**
 * What an answer offers to try, in its order, with what is left of each; on a cord of several legs, of one of them.
 * An answer that only says where to go counts against the procedure's first rule.
 * @example retriesOffered(sheet, fresh, judgement.id, bad).map(({ rule }) => rule.id) // ["wipe", "strip"]
 */
export function retriesOffered(
  sheet: RunSheet,
  state: EndState,
  judgementId: string,
  answerId: string,
  leg = "",
): RetryOffer[] {
  const answer = sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .find(({ id }) => id === judgementId)
    ?.answers.find(({ id }) => id === answerId);
  if (!answer) return [];
  const [first] = sheet.retries;
  const offered =
    answer.retries.length > 0
      ? answer.retries
      : answer.goTo !== undefined && first
        ? [{ rule: first.id, goTo: answer.goTo }]
        : [];
  return offered.flatMap(({ rule: id, goTo }, i) => {
    // A rule may name the step for each kind of cable: the first that this sheet has is where it goes.
    if (offered.slice(0, i).some((earlier) => earlier.rule === id && stepAt(sheet, earlier.goTo) >= 0))
      return [];
    const rule = sheet.retries.find((retry) => retry.id === id);
    const to = stepAt(sheet, goTo);
    if (!rule || to < 0) return [];
    const used = retriesUsed(state, id, leg);
    return [{ rule, to, used, left: Math.max(0, rule.most - used) }];
  });
}

const stepAt = ({ lines }: RunSheet, id: string): number => lines.findIndex(({ step }) => step.id === id);

/**
 * The line at which an end begun from the start is marked or cut first: what is threaded on stays on.
 * @example sheet.lines[firstCut(sheet)].step.kind // "mark"
 */
export const firstCut = ({ lines }: RunSheet): number =>
  Math.max(
    0,
    lines.findIndex(({ figure, bares }) => figure !== null || bares.length > 0),
  );

/**
 * The event that goes back by a offer: everything read or asked from its step on is void; of one leg only its own.
 * From the start, all that was prepared goes with what squares the cable again.
 * @example retryEvent(sheet, retriesOffered(sheet, fresh, judgement.id, bad)[0], judgement.id, bad).kind // "retry"
 */
export function retryEvent(
  sheet: RunSheet,
  { rule, to }: Pick<RetryOffer, "rule" | "to">,
  judgement: string | null,
  answer: string | null,
  leg = "",
): Extract<EndEvent, { kind: "retry" }> {
  const again = sheet.lines.slice(to);
  const cableLost = rule.fromStart ? sheet.uses.retry : cutAgain(sheet, to);
  return {
    kind: "retry",
    rule: rule.id,
    judgement,
    answer,
    ...(leg ? { leg } : {}),
    to,
    voids: {
      checks: again.flatMap(({ checks }) =>
        checks.filter((check) => !leg || check.leg === leg).map(({ id }) => id),
      ),
      judgements: again.flatMap(({ step }) => judgementOf(step)?.id ?? []),
      steps: again.map(({ step }) => step.id),
    },
    ...(cableLost > 0 ? { cableLost } : {}),
  };
}

/** Cable that making everything again from a line on takes: back to the rearmost edge that is cut from there on. */
const cutAgain = ({ features }: RunSheet, to: number): Length =>
  um(
    Math.max(
      0,
      ...features
        .filter(({ kind, cutAt }) => kind === "edge" && cutAt !== null && cutAt >= to)
        .map(({ position }) => position),
    ),
  );
