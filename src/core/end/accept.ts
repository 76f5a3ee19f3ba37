import type { Rule } from "../conformance/conformance";
import { presentFeatures } from "../measured/as-made";
import { isAdvised, mustFollow, sameEntry } from "../mending/take";
import { InputError } from "../problem/problem";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/runsheet";
import type { Entry } from "./entry";
import { forgottenParts, restartEntry } from "./parts";
import { redoEntry, rungsOf } from "./redo";
import { type EndState, shardsMissing } from "./state";

/** Entries that would undo somebody else's work if made without having seen it. */
export const mustHaveSeen = (entry: Entry): boolean =>
  entry.kind === "step" ||
  entry.kind === "redo" ||
  entry.kind === "restart" ||
  entry.kind === "rework" ||
  entry.kind === "untake" ||
  entry.kind === "label" ||
  entry.kind === "sign";

/** What can still be said of an end once it is signed: a correction, or a photograph of it. */
const afterSigning = ({ kind }: Entry): boolean => kind === "correction" || kind === "photo";

/** Parts that are not on yet, of every thread-on gate before a line; without one, of all. */
export function missingParts(
  sheet: RunSheet,
  state: EndState,
  before = Number.POSITIVE_INFINITY,
): readonly string[] {
  return sheet.lines
    .filter(({ index }) => index < before)
    .flatMap(({ parts }) => parts)
    .filter(({ id }) => !state.threaded.includes(id))
    .map(({ name }) => name);
}

/**
 * Whether an entry can be added to an end as it stands.
 * @throws InputError: the end is signed; a part, check, answer or reading is not of this end; the gate is shut.
 */
export function mustAccept(sheet: RunSheet, state: EndState, entry: Entry, rule: Rule): void {
  if (state.signed && !afterSigning(entry))
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
    case "redo":
      if (entry.leg !== undefined && !sheet.cable.legs.includes(entry.leg))
        throw new InputError("unknown-leg", `This cable has no leg “${entry.leg}”.`, ["leg"]);
      if (!isAdvised(sheet, state, rule, entry)) mustBeRung(sheet, state, entry);
      return;
    case "restart":
      mustBeShutOut(sheet, state, entry);
      return;
    case "rework":
      mustFollow(sheet, state, rule, entry);
      return;
    case "untake":
      if (state.taken?.entry !== entry.entry)
        throw new InputError("too-late", "Work has gone on since: it can no longer be taken back.", [
          "entry",
        ]);
      return;
    case "fault":
      mustBeThere(sheet, state, entry);
      return;
    case "use":
    case "timer":
      if (!sheet.lines.some(({ step }) => step.id === entry.step))
        throw new InputError("unknown-step", `No step “${entry.step}” on this sheet.`, ["step"]);
      return;
    case "sign":
      if (entry.outcome === "kept") mustBeOn(sheet, state);
      if (shardsMissing(state) > 0 && !entry.missingShards)
        throw new InputError(
          "shards",
          `${shardsMissing(state)} of ${state.shards.made} shards not seen into the bin. Find it, or say why the end is signed without it.`,
          ["missingShards"],
        );
      return;
    case "shards":
      if (entry.step !== undefined && !sheet.lines.some(({ step }) => step.id === entry.step))
        throw new InputError("unknown-step", `No step “${entry.step}” on this sheet.`, ["step"]);
      return;
    case "label":
    case "spare":
    case "correction":
    case "photo":
      return;
  }
}

/** A fault is seen on a leg of the cable, on a feature that is made: an end or a mark. */
function mustBeThere(sheet: RunSheet, state: EndState, entry: Extract<Entry, { kind: "fault" }>): void {
  if (!sheet.cable.legs.includes(entry.leg))
    throw new InputError("unknown-leg", `This cable has no leg “${entry.leg}”.`, ["leg"]);
  const feature = presentFeatures(sheet, state.reached).find(({ id }) => id === entry.feature);
  if (!feature)
    throw new InputError("unknown-feature", `No “${entry.feature}” is made on this end.`, ["feature"]);
  if (
    (entry.what === "lost") !== (feature.kind === "mark") ||
    (entry.what !== "lost" && feature.kind !== "end")
  )
    throw new InputError("wrong-fault", `A ${feature.kind} cannot be called “${entry.what}”.`, ["what"]);
}

/** Beginning again for a forgotten part is for one that is due, is not on, and no longer goes on. */
function mustBeShutOut(sheet: RunSheet, state: EndState, entry: Extract<Entry, { kind: "restart" }>): void {
  if (
    !forgottenParts(sheet, state).some(({ part, shutOutBy }) => part.id === entry.part && shutOutBy !== null)
  )
    throw new InputError("wrong-restart", `“${entry.part}” is on, or can still be threaded on.`, ["part"]);
  if (!sameEntry(restartEntry(sheet, entry.part), entry))
    throw new InputError("wrong-restart", "What beginning again takes is worked out anew.", ["to"]);
}

/** A redo is the next one its answer offers, goes where that says, and voids what comes after. */
function mustBeRung(sheet: RunSheet, state: EndState, entry: Extract<Entry, { kind: "redo" }>): void {
  const { judgement, answer, leg } = entry;
  if (judgement === null || answer === null)
    throw new InputError("wrong-redo", "Nothing asks for this end to be begun from the start.", ["rule"]);
  const rungs = rungsOf(sheet, state, judgement, answer, leg);
  const rung = rungs.find(({ left }) => left > 0);
  if (!rung)
    throw new InputError(
      "limit",
      rungs.length > 0
        ? `Nothing is left to try: ${rungs.map(({ rule, used }) => `${rule.name} ${used} of ${rule.most}`).join(", ")}.`
        : "This answer leads nowhere back.",
      ["rule"],
    );
  const expected = redoEntry(sheet, rung, judgement, answer, leg);
  if (!sameEntry(expected, entry))
    throw new InputError(
      "wrong-redo",
      `What comes next is: ${rung.rule.name}, from step ${expected.to + 1}.`,
      ["to"],
    );
}

function mustReach(sheet: RunSheet, state: EndState, to: number): void {
  if (to >= sheet.lines.length)
    throw new InputError("unknown-step", `This sheet has ${sheet.lines.length} steps.`, ["to"]);
  // Back is always open: a part that was forgotten is put on at its gate.
  if (to > state.at) mustBeOn(sheet, state, to);
}

function mustBeOn(sheet: RunSheet, state: EndState, before?: number): void {
  const missing = missingParts(sheet, state, before);
  if (missing.length > 0)
    throw new InputError("gate", `Not threaded on yet: ${missing.join(", ")}. It cannot be added later.`, [
      "to",
    ]);
}
