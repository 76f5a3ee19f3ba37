import type { EndState } from "../end/end-state";
import { partsDue } from "../end/parts";
import { InputError } from "../problem/problem";
import type { ProcedurePart } from "../procedure/procedure";
import type { RunSheet } from "../runsheet/document";
import { say } from "../words/core";
import { type Acceptors, always } from "./acceptors";

/**
 * Parts that must be on before a line and are not; without one, of all.
 * @example missingParts(sheet, bare).map(({ name }) => name) // ["3 mm boot", "Yarn nut", "Yarn ring"]
 */
export const missingParts = (
  sheet: RunSheet,
  state: EndState,
  before = Number.POSITIVE_INFINITY,
): readonly ProcedurePart[] => partsDue(sheet, before).filter(({ id }) => !state.threaded.includes(id));

/**
 * Parts that are missing, and whether that can still be mended later, as a sentence.
 * @example missingText(missingParts(sheet, bare))
 * // "Thread on first: 3 mm boot, Yarn nut, Yarn ring. It cannot be added later."
 */
export function missingText(missing: readonly ProcedurePart[]): string {
  const names = missing.map(({ name }) => name).join(", ");
  return missing.every(({ opens }) => opens)
    ? `Lay round first: ${names}.`
    : `Thread on first: ${names}. It cannot be added later.`;
}

/** @throws InputError `gate`: a part that is needed by then is not on. */
export function mustBeOn(sheet: RunSheet, state: EndState, before?: number): void {
  const missing = missingParts(sheet, state, before);
  if (missing.length > 0) throw new InputError("gate", missingText(missing), ["to"]);
}

function mustReach(sheet: RunSheet, state: EndState, to: number): void {
  if (to >= sheet.lines.length)
    throw new InputError("unknown-step", say("this-sheet-has-steps", { lines: sheet.lines.length }), ["to"]);
  // Back is always open: a part that was forgotten is put on at its gate.
  if (to > state.at) mustBeOn(sheet, state, to);
}

/** Acceptors of parts, steps, labels and parking. */
export const PROGRESS: Acceptors<"thread" | "step" | "label" | "park"> = {
  thread: ({ part }, { sheet }) => {
    if (!sheet.parts.some(({ id }) => id === part))
      throw new InputError("unknown-part", say("no-part-on-this-sheet", { part }), ["part"]);
  },
  step: ({ to }, { sheet, state }) => mustReach(sheet, state, to),
  label: always,
  park: ({ on }, { state }) => {
    if (on === (state.parked !== null))
      throw new InputError(
        "bad-input",
        on ? say("this-end-is-parked-already") : say("this-end-is-not-parked"),
        ["on"],
      );
  },
};
