import { advise } from "../advice/advise";
import { isAdvised, mustFollow, sameEvent } from "../advice/take";
import type { Rule } from "../conformance/conformance";
import type { EndState } from "../end/end-state";
import { forgottenParts, restartEvent } from "../end/parts";
import { retriesOffered, retryEvent } from "../end/retry";
import type { EndEvent } from "../event/event";
import { presentFeatures } from "../measured/as-made";
import { InputError } from "../problem/problem";
import type { RunSheet } from "../runsheet/document";
import { say } from "../words/core";
import type { Acceptors } from "./acceptors";

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

/** Acceptors of faults, retries, reworks, restarts and undo. */
export const WAYS_BACK: Acceptors<"retry" | "restart" | "rework" | "trimmed" | "take-back" | "fault"> = {
  retry: (event, { sheet, state, rule }) => {
    if (event.leg !== undefined && !sheet.cable.legs.includes(event.leg))
      throw new InputError("unknown-leg", say("this-cable-has-no-leg", { leg: event.leg }), ["leg"]);
    if (!isAdvised(sheet, state, rule, event)) mustBeOffered(sheet, state, rule, event);
  },
  restart: (event, { sheet, state }) => mustBeShutOut(sheet, state, event),
  rework: (event, { sheet, state, rule }) => mustFollow(sheet, state, rule, event),
  trimmed: ({ leg }, { state }) => {
    if (state.inHand?.leg !== leg || state.inHand.trimmed)
      throw new InputError("wrong-rework", say("no-rework-in-hand-asks-for-this"), ["leg"]);
  },
  "take-back": (event, { state }) => mustBeLast(state, event),
  fault: (event, { sheet, state }) => mustBeThere(sheet, state, event),
};
