import { z } from "zod";
import { standingEvents } from "../end/acts";
import type { ReworkTaken } from "../event/event";
import { FAULT_NAMES } from "../event/kinds/faults";
import type { Recorded } from "../event/recorded";
import { type Length, ZERO, zMm } from "../length/length";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/document";

/** One going back: by a rule of the procedure, or cut off and begun again because a part was forgotten. */
export const zAttempt = z.strictObject({
  at: z.string(),
  by: z.string().nullable(),
  kind: z.enum(["retry", "restart"]),
  name: z.string(),
  why: z.string(),
  leg: z.string(),
  cableLost: zMm,
});
type Attempt = z.output<typeof zAttempt>;

/** A rework that was taken: by which way, why, what was made again where, and what it cost. Micrometres. */
interface ReworkTold {
  at: string;
  by: string | null;
  leg: string;
  plan: ReworkTaken["plan"];
  rule: string | null;
  why: string;
  cableLost: Length;
  moves: { feature: string; name: string; was: Length | null; now: Length }[];
}

/** Every rework that was taken, and every retry and fresh start; what was taken back is left out. */
export function attemptsOf(
  sheet: RunSheet,
  events: readonly Recorded[],
): { reworks: ReworkTold[]; attempts: Attempt[] } {
  const stood = standingEvents(events);
  return {
    reworks: stood.flatMap((event) => reworkTold(sheet, event) ?? []),
    attempts: stood.flatMap((event) => attemptTold(sheet, event) ?? []),
  };
}

function reworkTold(sheet: RunSheet, { at, by, event }: Recorded): ReworkTold | null {
  if (event.kind !== "rework") return null;
  return {
    at,
    by: by ?? null,
    leg: event.leg,
    plan: event.plan,
    rule: event.rule,
    why: whyOf(sheet, event.cause),
    cableLost: event.cableLost,
    moves: event.moves.map(({ feature, was, now }) => ({
      feature,
      name: sheet.features.find(({ id }) => id === feature)?.name ?? feature,
      was,
      now,
    })),
  };
}

function attemptTold(sheet: RunSheet, { at, by, event }: Recorded): Attempt | null {
  if (event.kind === "restart") {
    const part = sheet.parts.find(({ id }) => id === event.part)?.name ?? event.part;
    return {
      at,
      by: by ?? null,
      kind: "restart",
      name: "cut off and begun again",
      why: `${part} not on`,
      leg: "",
      cableLost: event.cableLost,
    };
  }
  if (event.kind !== "retry") return null;
  return {
    at,
    by: by ?? null,
    kind: "retry",
    name: sheet.retries.find(({ id }) => id === event.rule)?.name ?? event.rule,
    why: seenAs(sheet, event.judgement, event.answer).join() || "a length that was out",
    leg: event.leg ?? "",
    cableLost: event.cableLost ?? ZERO,
  };
}

const seenAs = (sheet: RunSheet, judgement: string | null, answer: string | null): string[] =>
  sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .filter(({ id }) => id === judgement)
    .flatMap(({ answers }) => answers.filter(({ id }) => id === answer).map(({ sees }) => `“${sees}”`));

/** What a rework was for, in words: the lengths that were out, what was seen on it, what was answered. */
function whyOf(sheet: RunSheet, { checks, faults, judgement, answer }: ReworkTaken["cause"]): string {
  const lengths = checks.map((id) => sheet.checks.find((check) => check.id === id)?.name ?? id);
  const faultNames = faults.map(({ what: fault }) => FAULT_NAMES[fault]);
  const why = [...lengths, ...faultNames, ...seenAs(sheet, judgement, answer)];
  return [...new Set(why)].join(", ") || "no reason told";
}
