import type { Rule } from "../conformance/conformance";
import { gradeFace } from "../light/end-face";
import { judgementOf, lacksLight } from "../procedure/step";
import type { Check, RunSheet } from "../runsheet/document";
import { t } from "../words/core";
import type { EndState, SeenFault } from "./end-state";
import { lightStandings } from "./light";
import { standings } from "./result";

/** One thing that keeps an end from being in: a length, a look, or something seen on it, by name. */
export type OpenPoint =
  | { readonly kind: "out" | "unsure" | "unread"; readonly check: Check }
  | { readonly kind: "bad"; readonly sees: string; readonly asks: string }
  | { readonly kind: "unanswered"; readonly asks: string }
  | { readonly kind: "fault"; readonly fault: SeenFault }
  | { readonly kind: "light"; readonly wavelength: number; readonly verdict: "out" | "unsure" }
  | { readonly kind: "face" };

const ORDER = { out: 0, bad: 0, fault: 0, light: 0, face: 0, unsure: 1, unread: 2, unanswered: 2 } as const;

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
    const given = judgement && state.answers[judgement.id];
    const dark: OpenPoint[] = lacksLight(step, given, state.light.length)
      ? [{ kind: "unanswered", asks: t("read-light-through-it") }]
      : [];
    if (!judgement) return dark;
    const { asks } = judgement;
    const answer = judgement.answers.find(({ id }) => id === given);
    if (!answer) return [{ kind: "unanswered", asks }];
    return answer.good ? dark : [{ kind: "bad", sees: answer.sees, asks }];
  });
  const faults = state.faults.map((fault): OpenPoint => ({ kind: "fault", fault }));
  const light = lightStandings(state, rule).flatMap(({ wavelength, verdict }): OpenPoint[] =>
    verdict === "in" ? [] : [{ kind: "light", wavelength, verdict }],
  );
  const seen = state.faces.at(-1);
  const face: OpenPoint[] = seen && !gradeFace(seen).passes ? [{ kind: "face" }] : [];
  return [...lengths, ...looks, ...faults, ...light, ...face].sort((a, b) => ORDER[a.kind] - ORDER[b.kind]);
}
