"use client";

import type { EndState, OpenTold, Result, RunSheet } from "@/core";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { writeSelection } from "../sheet/selection";
import { OpenList } from "../words/open-list";
import { VerdictSign } from "../words/verdict-sign";
import { RESULT_WORDS } from "../words/verdict-words";

/** An end on record: where to read it, and the next one like it. */
export function SignedPanel({
  id,
  sheet,
  state,
  result,
  stored,
  open,
  job,
  onNextInBatch,
}: {
  id: string;
  sheet: RunSheet;
  state: EndState;
  result: Result;
  stored: boolean;
  open: readonly OpenTold[];
  /** The job whose piece it is an end of. */
  job: { readonly id: string; readonly name: string } | null;
  onNextInBatch?: (() => void) | undefined;
}) {
  const again = writeSelection({
    place: null,
    cable: sheet.cable.id,
    style: sheet.procedure.id,
    core: sheet.picked.core,
    choices: sheet.picked.choices,
  });
  return (
    <div className="mx-auto grid w-full max-w-2xl gap-4 px-4 py-6">
      <h2 className="flex items-center gap-3 font-bold text-3xl">
        <VerdictSign verdict={result} large /> {stored ? t("on-record") : t("being-stored")}:{" "}
        {RESULT_WORDS[result].toLowerCase()}
      </h2>
      {state.signed?.outcome === "kept" && <OpenList points={open} />}
      <p className="text-lg">
        {t("by", { value: state.signed?.outcome === "discarded" ? t("discarded") : t("signed-off") })}{" "}
        {state.signed?.name}.
      </p>
      <div className="flex flex-wrap gap-2">
        {onNextInBatch ? (
          <Button look="next" size="large" onClick={onNextInBatch}>
            {t("next-end-of-the-batch")}
          </Button>
        ) : job ? (
          <Link
            href={`/jobs/${job.id}`}
            className="flex min-h-14 items-center rounded-lg bg-now px-5 font-bold text-lg text-on-now"
          >
            {t("on-with", { name: job.name })}
          </Link>
        ) : (
          <Link
            href={`/?${again}`}
            className="flex min-h-14 items-center rounded-lg bg-now px-5 font-bold text-lg text-on-now"
          >
            {t("next-end-like-this")}
          </Link>
        )}
        {stored && (
          <Link
            href={`/ledger/${id}`}
            className="flex min-h-14 items-center rounded-lg border-2 border-ink px-5 font-semibold"
          >
            {t("open-the-record")}
          </Link>
        )}
      </div>
    </div>
  );
}
