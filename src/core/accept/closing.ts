import { shardsMissing } from "../end/state";
import { InputError } from "../problem/problem";
import { say } from "../words/core";
import { type Acceptors, always, type Standpoint } from "./acceptors";
import { mustBeOn } from "./progress";

function mustHaveStep(step: string, { sheet }: Standpoint): void {
  if (!sheet.lines.some((line) => line.step.id === step))
    throw new InputError("unknown-step", say("no-step-on-this-sheet", { step }), ["step"]);
}

/** Acceptors of counts, timers, the sign-off, corrections and photographs. */
export const CLOSING: Acceptors<
  "use" | "counted" | "timer" | "shards" | "spare" | "sign" | "correction" | "photo"
> = {
  use: ({ step }, at) => mustHaveStep(step, at),
  counted: ({ step }, at) => mustHaveStep(step, at),
  timer: ({ step }, at) => mustHaveStep(step, at),
  shards: ({ step }, at) => {
    if (step !== undefined) mustHaveStep(step, at);
  },
  spare: always,
  sign: ({ outcome, missingShards }, { sheet, state }) => {
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
  correction: always,
  photo: always,
};
