import { InputError } from "../problem/problem";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/runsheet";
import type { Entry } from "./entry";
import type { EndState } from "./state";

/** Entries that would undo somebody else's work if made without having seen it. */
export const mustHaveSeen = (entry: Entry): boolean =>
  entry.kind === "step" || entry.kind === "label" || entry.kind === "sign";

/** Parts of the thread-on gate that are not on yet. */
export function missingParts(sheet: RunSheet, state: EndState): readonly string[] {
  return sheet.parts.filter(({ id }) => !state.threaded.includes(id)).map(({ name }) => name);
}

/**
 * Whether an entry can be added to an end as it stands.
 * @throws InputError: the end is signed; a part, check, answer or reading is not of this end; the gate is shut.
 */
export function mustAccept(sheet: RunSheet, state: EndState, entry: Entry): void {
  if (state.signed)
    throw new InputError(
      "signed",
      `This end was signed off by ${state.signed.name}: nothing more can be added to it.`,
    );
  switch (entry.kind) {
    case "thread":
      if (!sheet.parts.some(({ id }) => id === entry.part))
        throw new InputError("unknown-part", `No part “${entry.part}” on this sheet.`, ["part"]);
      return;
    case "step":
      mustReach(sheet, state, entry.to);
      return;
    case "reading":
      if (!sheet.checks.some(({ id }) => id === entry.check))
        throw new InputError("unknown-check", `No length “${entry.check}” on this sheet.`, ["check"]);
      return;
    case "strike":
      if (!state.readings.some(({ id }) => id === entry.reading))
        throw new InputError(
          "unknown-reading",
          "That reading is not on this end, or is struck out already.",
          ["reading"],
        );
      return;
    case "answer": {
      const judgement = sheet.lines
        .flatMap(({ step }) => judgementOf(step) ?? [])
        .find(({ id }) => id === entry.judgement);
      if (!judgement?.answers.some(({ id }) => id === entry.answer))
        throw new InputError("unknown-answer", `“${entry.judgement}” has no answer “${entry.answer}”.`, [
          "answer",
        ]);
      return;
    }
    case "sign":
      if (entry.outcome === "kept") mustReach(sheet, state, sheet.lines.length - 1);
      return;
    case "label":
      return;
  }
}

function mustReach(sheet: RunSheet, state: EndState, to: number): void {
  if (to >= sheet.lines.length)
    throw new InputError("unknown-step", `This sheet has ${sheet.lines.length} steps.`, ["to"]);
  const gate = sheet.lines.findIndex(({ step }) => step.kind === "thread");
  const missing = missingParts(sheet, state);
  if (gate >= 0 && to > gate && missing.length > 0)
    throw new InputError("gate", `Not threaded on yet: ${missing.join(", ")}. It cannot be added later.`, [
      "to",
    ]);
}
