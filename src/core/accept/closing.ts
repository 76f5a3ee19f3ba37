import { shardsMissing } from "../end/state";
import type { Meaning } from "../event/kinds/closing";
import { InputError } from "../problem/problem";
import { say } from "../words/core";
import { type Acceptors, always, type Standpoint } from "./acceptors";
import { mustBeOn } from "./progress";

function mustHaveStep(step: string, { sheet }: Standpoint): void {
  if (!sheet.lines.some((line) => line.step.id === step))
    throw new InputError("unknown-step", say("no-step-on-this-sheet", { step }), ["step"]);
}

function mustGiveReasons(means: Meaning | undefined, reasons: string | undefined): void {
  if (means === "accepted" && !reasons)
    throw new InputError("empty", say("enter-why-it-is-accepted"), ["reasons"]);
}

/** Acceptors of counts, timers, the sign-off, corrections and photographs. */
export const CLOSING: Acceptors<
  "use" | "counted" | "timer" | "shards" | "spare" | "sign" | "countersign" | "correction" | "photo"
> = {
  use: ({ step }, at) => mustHaveStep(step, at),
  counted: ({ step }, at) => mustHaveStep(step, at),
  timer: ({ step }, at) => mustHaveStep(step, at),
  shards: ({ step }, at) => {
    if (step !== undefined) mustHaveStep(step, at);
  },
  spare: always,
  sign: ({ outcome, missingShards, means, reasons }, { sheet, state }) => {
    mustGiveReasons(means, reasons);
    if (outcome === "kept") mustBeOn(sheet, state);
    if (shardsMissing(state) > 0 && !missingShards)
      throw new InputError(
        "shards",
        say("of-shards-not-seen-into-the-bin", {
          shardsMissing: shardsMissing(state),
          made: state.shards.made,
        }),
        ["missingShards"],
      );
  },
  countersign: ({ name, means, reasons }, { state }) => {
    mustGiveReasons(means, reasons);
    if (!state.signed) throw new InputError("gate", say("sign-the-end-off-first"));
    if ([state.signed, ...state.countersigned].some((signed) => signed.name === name))
      throw new InputError("wrong-person", say("a-second-signature-is-by-somebody-else"), ["name"]);
  },
  correction: always,
  photo: always,
};
