import { say } from "@/messages/core";
import { advise } from "../advice/advise";
import { isAdvised, mustFollow, sameEvent } from "../advice/take";
import type { Rule } from "../conformance/conformance";
import { forgottenParts, partsDue, restartEvent } from "../end/parts";
import { retriesOffered, retryEvent } from "../end/retry";
import { type EndState, shardsMissing } from "../end/state";
import type { EndEvent } from "../event/event";
import type { Purpose } from "../event/recorded";
import { formatMm } from "../length/format";
import { mm } from "../length/length";
import { presentFeatures } from "../measured/as-made";
import { canBeNegative } from "../measured/either-side";
import { InputError } from "../problem/problem";
import type { ProcedurePart } from "../procedure/procedure";
import { judgementOf } from "../procedure/step";
import type { RunSheet } from "../runsheet/runsheet";
import { SIMULATED } from "../simulated/hidden-end";

/** Nothing coarser reads a prepared end. */
const COARSEST = mm(20);

/**
 * Events that would undo somebody else's work if made without having seen it.
 * @example [{ kind: "step", to: 1 }, { kind: "spare", length: null }].map(mustHaveSeen) // [true, false]
 */
export const mustHaveSeen = (event: EndEvent): boolean =>
  event.kind === "step" ||
  event.kind === "retry" ||
  event.kind === "restart" ||
  event.kind === "rework" ||
  event.kind === "trimmed" ||
  event.kind === "take-back" ||
  event.kind === "park" ||
  event.kind === "label" ||
  event.kind === "sign";

/** What can still be said of an end once it is signed: a correction, or a photograph of it. */
const afterSigning = ({ kind }: EndEvent): boolean => kind === "correction" || kind === "photo";

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

/**
 * Whether an event can be added to an end as it stands.
 * @throws InputError: the end is signed; a part, check, answer or reading is not of this end; the gate is shut.
 * @example attempt(() => mustAccept(sheet, bare, { kind: "step", to: 99 }, rule)).problem?.code // "unknown-step"
 */
export function mustAccept(
  sheet: RunSheet,
  state: EndState,
  event: EndEvent,
  rule: Rule,
  purpose: Purpose = "work",
): void {
  if (state.unread > 0 && !afterSigning(event))
    throw new InputError("newer", say("something-on-this-end-was-written-by"));
  const undoes = event.kind === "take-back" && state.acts.at(-1)?.body.kind === "sign";
  if (state.signed && !afterSigning(event) && !undoes)
    throw new InputError("signed", say("this-end-was-signed-off-by-nothing", { signed: state.signed.name }));
  switch (event.kind) {
    case "thread":
      if (!sheet.parts.some(({ id }) => id === event.part))
        throw new InputError("unknown-part", say("no-part-on-this-sheet", { part: event.part }), ["part"]);
      return;
    case "step":
      mustReach(sheet, state, event.to);
      return;
    case "reading": {
      const check = sheet.checks.find(({ id }) => id === event.check);
      if (!check)
        throw new InputError("unknown-check", say("no-length-on-this-sheet", { check: event.check }), [
          "check",
        ]);
      if (event.value < 0 && !canBeNegative(check))
        throw new InputError(
          "negative",
          say("cannot-be-negative-enter-a-length-of", {
            check: check.name,
            nominal: formatMm(check.nominal),
          }),
          ["value"],
        );
      if (purpose === "work" && event.instrument.id === SIMULATED.id)
        throw new InputError("simulated", say("a-real-end-takes-no-simulated-readings"), ["instrument"]);
      for (const figure of ["resolution", "repeatability"] as const)
        if (event.instrument[figure] < 0 || event.instrument[figure] > COARSEST)
          throw new InputError(
            "bad-input",
            say("no-instrument-has-a-of-mm", { figure, length: formatMm(event.instrument[figure]) }),
            ["instrument", figure],
          );
      return;
    }
    case "strike":
      if (!state.readings.some(({ id }) => id === event.reading))
        throw new InputError("unknown-reading", say("that-reading-is-not-on-this-end"), ["reading"]);
      return;
    case "answer": {
      const judgement = sheet.lines
        .flatMap(({ step }) => judgementOf(step) ?? [])
        .find(({ id }) => id === event.judgement);
      if (!judgement?.answers.some(({ id }) => id === event.answer))
        throw new InputError(
          "unknown-answer",
          say("has-no-answer", { judgement: event.judgement, answer: event.answer }),
          ["answer"],
        );
      if (event.seen && !judgement.colours)
        throw new InputError("bad-input", say("is-not-answered-by-colours", { asks: judgement.asks }), [
          "seen",
        ]);
      return;
    }
    case "retry":
      if (event.leg !== undefined && !sheet.cable.legs.includes(event.leg))
        throw new InputError("unknown-leg", say("this-cable-has-no-leg", { leg: event.leg }), ["leg"]);
      if (!isAdvised(sheet, state, rule, event)) mustBeOffered(sheet, state, rule, event);
      return;
    case "restart":
      mustBeShutOut(sheet, state, event);
      return;
    case "rework":
      mustFollow(sheet, state, rule, event);
      return;
    case "take-back":
      mustBeLast(state, event);
      return;
    case "trimmed":
      if (state.inHand?.leg !== event.leg || state.inHand.trimmed)
        throw new InputError("wrong-rework", say("no-rework-in-hand-asks-for-this"), ["leg"]);
      return;
    case "fault":
      mustBeThere(sheet, state, event);
      return;
    case "use":
    case "counted":
    case "timer":
      if (!sheet.lines.some(({ step }) => step.id === event.step))
        throw new InputError("unknown-step", say("no-step-on-this-sheet", { step: event.step }), ["step"]);
      return;
    case "sign":
      if (event.outcome === "kept") mustBeOn(sheet, state);
      if (shardsMissing(state) > 0 && !event.missingShards)
        throw new InputError(
          "shards",
          say("of-shards-not-seen-into-the-bin", {
            shardsMissing: shardsMissing(state),
            made: state.shards.made,
          }),
          ["missingShards"],
        );
      return;
    case "shards":
      if (event.step !== undefined && !sheet.lines.some(({ step }) => step.id === event.step))
        throw new InputError("unknown-step", say("no-step-on-this-sheet", { step: event.step }), ["step"]);
      return;
    case "park":
      if (event.on === (state.parked !== null))
        throw new InputError(
          "bad-input",
          event.on ? say("this-end-is-parked-already") : say("this-end-is-not-parked"),
          ["on"],
        );
      return;
    case "label":
    case "spare":
    case "correction":
    case "photo":
      return;
  }
}

/** Only what was done last is taken back, whole: the event and those that came with it. */
function mustBeLast(
  { acts }: EndState,
  { event, with: also = [] }: Extract<EndEvent, { kind: "take-back" }>,
): void {
  const last = acts.at(-1);
  const same = last?.event === event && [...last.with].sort().join() === [...also].sort().join();
  if (!same) throw new InputError("too-late", say("other-work-was-done-since-so-this"), ["event"]);
}

/** A fault is seen on a leg of the cable, on a feature that is made: an end or a mark. */
function mustBeThere(sheet: RunSheet, state: EndState, event: Extract<EndEvent, { kind: "fault" }>): void {
  if (!sheet.cable.legs.includes(event.leg))
    throw new InputError("unknown-leg", say("this-cable-has-no-leg", { leg: event.leg }), ["leg"]);
  const feature = presentFeatures(sheet, state.reached).find(({ id }) => id === event.feature);
  if (!feature)
    throw new InputError("unknown-feature", say("no-is-made-on-this-end", { feature: event.feature }), [
      "feature",
    ]);
  if (
    (event.what === "lost") !== (feature.kind === "mark") ||
    (event.what !== "lost" && feature.kind !== "end")
  )
    throw new InputError("wrong-fault", say("a-cannot-be-called", { kind: feature.kind, what: event.what }), [
      "what",
    ]);
  const cleaned = sheet.lines.some(({ index, step }) => index < state.reached && step.kind === "clean");
  if (event.on && event.what === "dirty" && !cleaned)
    throw new InputError("wrong-fault", say("no-glass-is-bare-yet-wipe-the"), ["what"]);
}

/** Beginning again for a forgotten part is for one that is due, is not on, and no longer goes on. */
function mustBeShutOut(
  sheet: RunSheet,
  state: EndState,
  event: Extract<EndEvent, { kind: "restart" }>,
): void {
  if (
    !forgottenParts(sheet, state).some(({ part, shutOutBy }) => part.id === event.part && shutOutBy !== null)
  )
    throw new InputError("wrong-restart", say("is-on-or-can-still-be-threaded", { part: event.part }), [
      "part",
    ]);
  if (!sameEvent(restartEvent(sheet, event.part), event))
    throw new InputError("wrong-restart", say("what-starting-over-takes-has-been-worked"), ["to"]);
}

/** A retry is the next one its answer offers, goes where that says, and voids what comes after. */
function mustBeOffered(
  sheet: RunSheet,
  state: EndState,
  rule: Rule,
  event: Extract<EndEvent, { kind: "retry" }>,
): void {
  const { judgement, answer, leg } = event;
  if (judgement === null || answer === null)
    throw new InputError("wrong-retry", say("this-end-has-no-reason-to-be"), ["rule"]);
  const offers = retriesOffered(sheet, state, judgement, answer, leg);
  const offer = offers.find(({ left }) => left > 0);
  if (!offer)
    throw new InputError(
      "limit",
      offers.length > 0
        ? say("nothing-is-left-to-try", {
            offers: offers.map(({ rule, used }) => `${rule.name} ${used} of ${rule.most}`).join(", "),
          })
        : say("this-answer-offers-no-way-to-try"),
      ["rule"],
    );
  // A retry by the fresh sheet's figures would leave the end short: cuts are computed from where everything lies.
  const isCut = advise(sheet, state, rule, { judgement, answer }).some(
    (advice) => advice.kind === "rework" && advice.seen !== null && advice.rule?.rule.id === offer.rule.id,
  );
  if (isCut)
    throw new InputError(
      "wrong-retry",
      say("cuts-the-end-again-take-the-rework", { rule: offer.rule.name }),
      ["rule"],
    );
  const expected = retryEvent(sheet, offer, judgement, answer, leg);
  if (!sameEvent(expected, event))
    throw new InputError(
      "wrong-retry",
      say("what-comes-next-is-from-step", { rule: offer.rule.name, value: expected.to + 1 }),
      ["to"],
    );
}

function mustReach(sheet: RunSheet, state: EndState, to: number): void {
  if (to >= sheet.lines.length)
    throw new InputError("unknown-step", say("this-sheet-has-steps", { lines: sheet.lines.length }), ["to"]);
  // Back is always open: a part that was forgotten is put on at its gate.
  if (to > state.at) mustBeOn(sheet, state, to);
}

function mustBeOn(sheet: RunSheet, state: EndState, before?: number): void {
  const missing = missingParts(sheet, state, before);
  if (missing.length > 0) throw new InputError("gate", missingText(missing), ["to"]);
}
