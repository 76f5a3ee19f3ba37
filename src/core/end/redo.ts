import { type Length, um } from "../length/length";
import type { Retry } from "../procedure/retry";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/runsheet";
import type { Entry } from "./entry";
import type { EndState } from "./state";

/** One thing an answer says to try: its rule, where it goes, and how often is left. */
export interface Rung {
  readonly rule: Retry;
  /** Index of the line it goes back to. */
  readonly to: number;
  readonly used: number;
  readonly left: number;
}

/**
 * What an answer offers to try, in its order, with what is left of each.
 * An answer that only says where to go counts against the procedure's first rule.
 */
export function rungsOf(sheet: RunSheet, state: EndState, judgementId: string, answerId: string): Rung[] {
  const answer = sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .find(({ id }) => id === judgementId)
    ?.answers.find(({ id }) => id === answerId);
  if (!answer) return [];
  const [first] = sheet.retries;
  const offered =
    answer.redo.length > 0
      ? answer.redo
      : answer.goTo !== undefined && first
        ? [{ rule: first.id, goTo: answer.goTo }]
        : [];
  return offered.flatMap(({ rule: id, goTo }) => {
    const rule = sheet.retries.find((one) => one.id === id);
    const to = sheet.lines.findIndex(({ step }) => step.id === goTo);
    if (!rule || to < 0) return [];
    const used = state.redone[id] ?? 0;
    return [{ rule, to, used, left: Math.max(0, rule.most - used) }];
  });
}

/** The entry that goes back by a rung: everything read or asked from its step on is void. */
export function redoEntry(
  sheet: RunSheet,
  { rule, to }: Rung,
  judgement: string,
  answer: string,
): Extract<Entry, { kind: "redo" }> {
  const again = sheet.lines.slice(to);
  const cableLost = cutAgain(sheet, to);
  return {
    kind: "redo",
    rule: rule.id,
    judgement,
    answer,
    to,
    voids: {
      checks: again.flatMap(({ checks }) => checks.map(({ id }) => id)),
      judgements: again.flatMap(({ step }) => judgementOf(step)?.id ?? []),
      steps: again.map(({ step }) => step.id),
    },
    ...(cableLost > 0 ? { cableLost } : {}),
  };
}

/** Cable that making everything anew from a line on takes: back to the rearmost edge that is cut from there on. */
const cutAgain = ({ features }: RunSheet, to: number): Length =>
  um(
    Math.max(
      0,
      ...features
        .filter(({ kind, cutAt }) => kind === "edge" && cutAt !== null && cutAt >= to)
        .map(({ position }) => position),
    ),
  );
