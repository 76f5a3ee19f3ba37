import type { Rule } from "../conformance/conformance";
import { judgementOf } from "../procedure/step";
import type { Check, RunSheet } from "../runsheet/document";
import type { EndState, SeenFault } from "./end-state";
import { standings } from "./result";

/** One thing that keeps an end from being in: a length, a look, or something seen on it, by name. */
export type OpenPoint =
  | { readonly kind: "out" | "unsure" | "unread"; readonly check: Check }
  | { readonly kind: "bad"; readonly sees: string; readonly asks: string }
  | { readonly kind: "unanswered"; readonly asks: string }
  | { readonly kind: "fault"; readonly fault: SeenFault };

const ORDER = { out: 0, bad: 0, fault: 0, unsure: 1, unread: 2, unanswered: 2 } as const;

/**
 * Everything that keeps an end from being in, what is out first; empty exactly where the end is in.
 * @example openPoints(sheet, bare, rule).length // 11
 */
export function openPoints(sheet: RunSheet, state: EndState, rule: Rule): OpenPoint[] {
  const lengths = standings(sheet, state, rule).flatMap(({ check, judged }): OpenPoint[] => {
    const verdict = judged?.verdict ?? "unread";
    return verdict === "in" ? [] : [{ kind: verdict, check }];
  });
  const looks = sheet.lines.flatMap(({ step }): OpenPoint[] => {
    const judgement = judgementOf(step);
    if (!judgement) return [];
    const { asks } = judgement;
    const answer = judgement.answers.find(({ id }) => id === state.answers[judgement.id]);
    if (!answer) return [{ kind: "unanswered", asks }];
    return answer.good ? [] : [{ kind: "bad", sees: answer.sees, asks }];
  });
  const faults = state.faults.map((fault): OpenPoint => ({ kind: "fault", fault }));
  return [...lengths, ...looks, ...faults].sort((a, b) => ORDER[a.kind] - ORDER[b.kind]);
}
