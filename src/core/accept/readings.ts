import { formatMm } from "../length/format";
import { mm } from "../length/length";
import { SIMULATED_METER } from "../light/meter-line";
import { referenceTrouble, type StaleReference } from "../light/reference";
import { canBeNegative } from "../measured/either-side";
import { InputError } from "../problem/problem";
import { judgementOf } from "../procedure/step";
import { SIMULATED } from "../simulated/hidden-end";
import { say } from "../words/core";
import type { Saying } from "../words/wording";
import type { Acceptors, EventOf, Standpoint } from "./acceptors";

/** Nothing coarser reads a prepared end. */
const COARSEST = mm(20);

function mustBeReadable(event: EventOf<"reading">, { sheet, purpose }: Standpoint): void {
  const check = sheet.checks.find(({ id }) => id === event.check);
  if (!check)
    throw new InputError("unknown-check", say("no-length-on-this-sheet", { check: event.check }), ["check"]);
  if (event.value < 0 && !canBeNegative(check))
    throw new InputError(
      "negative",
      say("cannot-be-negative-enter-a-length-of", { check: check.name, nominal: formatMm(check.nominal) }),
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
  if (Math.abs(event.instrument.bias ?? 0) > COARSEST)
    throw new InputError("bad-input", say("a-bias-is-at-most-mm", { most: formatMm(COARSEST) }), [
      "instrument",
      "bias",
    ]);
}

const STALE: Readonly<Record<StaleReference, () => Saying>> = {
  old: () => say("the-reference-is-of-another-day"),
  worn: () => say("the-references-cord-was-mated-too-often"),
  warmed: () => say("the-reference-is-of-another-temperature"),
  later: () => say("the-reference-is-later-than-the-reading"),
};

function mustBeReadByAReference(event: EventOf<"light">, { purpose }: Standpoint): void {
  const trouble = referenceTrouble(event);
  if (trouble !== null) throw new InputError("stale-reference", STALE[trouble](), ["reference"]);
  if (purpose === "work" && event.meter.id === SIMULATED_METER)
    throw new InputError("simulated", say("a-real-end-takes-no-simulated-readings"), ["meter"]);
}

function mustHaveItsPhotograph({ photo }: EventOf<"end-face">, { state }: Standpoint): void {
  if (photo !== null && !state.photos.some(({ sha256 }) => sha256 === photo))
    throw new InputError("not-found", say("that-photograph-is-not-on-this-end"), ["photo"]);
}

function mustBeAnAnswer({ judgement: id, answer, seen }: EventOf<"answer">, { sheet }: Standpoint): void {
  const judgement = sheet.lines
    .flatMap(({ step }) => judgementOf(step) ?? [])
    .find((offered) => offered.id === id);
  if (!judgement?.answers.some((offered) => offered.id === answer))
    throw new InputError("unknown-answer", say("has-no-answer", { judgement: id, answer }), ["answer"]);
  if (seen && !judgement.colours)
    throw new InputError("bad-input", say("is-not-answered-by-colours", { asks: judgement.asks }), ["seen"]);
}

/** Acceptors of readings and answers. */
export const READINGS: Acceptors<"reading" | "strike" | "answer" | "light" | "end-face"> = {
  reading: mustBeReadable,
  strike: ({ reading }, { state }) => {
    if (![...state.readings, ...state.light, ...state.faces].some(({ id }) => id === reading))
      throw new InputError("unknown-reading", say("that-reading-is-not-on-this-end"), ["reading"]);
  },
  answer: mustBeAnAnswer,
  light: mustBeReadByAReference,
  "end-face": mustHaveItsPhotograph,
};
