"use client";

import { Keyboard, Volume2 } from "lucide-react";
import { discardEvent, type Purpose, type RunSheet, shardsMissing } from "@/core";
import { t } from "@/messages/bench";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Link } from "../controls/link";
import { showKeys } from "../shell/key-help";
import { PartsOn } from "../step/parts-on";
import { legText } from "../words/legs-text";
import { asText } from "../words/length-text";
import type { BenchWork } from "../work/use-work";
import { EndLabel } from "./end-label";
import { UndoButton } from "./undo-button";

interface BenchHeadProps {
  readonly sheet: RunSheet;
  readonly work: BenchWork;
  readonly purpose: Purpose;
  /** Who works here, as far as it is known. */
  readonly name: string;
  /** Back to the plan of the batch; null for an end by itself. */
  readonly onPlan: (() => void) | null;
  readonly onAloud: () => void;
}

/** Which end this is, whether all is saved, and what is still lying about. */
export function BenchHead({ sheet, work, purpose, name, onPlan, onAloud }: BenchHeadProps) {
  const { state, add, waiting, away } = work;
  const missing = shardsMissing(state);
  return (
    <header className="flex min-h-13 items-center gap-2 px-3">
      <h1 className="sr-only">{t("bench", { asText: asText(sheet) })}</h1>
      {state.signed ? (
        <span className="truncate px-2 font-bold text-lg">
          {[state.job, state.label].filter(Boolean).join(" · ") || "End"}
        </span>
      ) : (
        <EndLabel
          job={state.job}
          label={state.label}
          onLabel={(job, label) => add({ kind: "label", job, label })}
          parked={state.parked !== null}
          onPark={(why) => add({ kind: "park", on: true, why })}
          onDiscard={() => add(discardEvent(state, name))}
        />
      )}
      {purpose === "practice" && (
        <span className="shrink-0 rounded-md border-2 border-unsure px-2 font-semibold text-sm">
          {t("practice-2")}
        </span>
      )}
      <span className="hidden truncate text-soft md:inline">{asText(sheet)}</span>
      {missing > 0 && (
        <span className="hidden shrink-0 rounded-md bg-note px-2 text-sm sm:inline">
          {t("other-to-bin", { missing })}
        </span>
      )}
      {work.legs.length > 0 && <Legs legs={work.legs} />}
      <PartsOn sheet={sheet} work={work} />
      <UndoButton work={work} className={`max-w-60 shrink-0 ${state.signed ? "" : "max-lg:hidden"}`} />
      <SaveState waiting={waiting} away={away} />
      <IconButton onClick={onAloud} name={t("read-the-step-aloud")} aria-keyshortcuts="R">
        <Volume2 aria-hidden="true" className="size-5" />
      </IconButton>
      <button
        type="button"
        onClick={showKeys}
        aria-keyshortcuts="?"
        className="hidden min-h-12 shrink-0 items-center gap-1.5 px-2 text-sm lg:inline-flex"
      >
        <Keyboard aria-hidden="true" className="size-5" /> {t("keys")}
      </button>
      {onPlan ? (
        <Button look="link" onClick={onPlan} className="shrink-0 px-2 text-sm">
          {t("plan")}
        </Button>
      ) : (
        <Link href="/bench" className="inline-flex min-h-12 shrink-0 items-center px-2 text-sm underline">
          {t("all-ends")}
        </Link>
      )}
    </header>
  );
}

/** How each leg of a cord stands by itself: its letter, and how many of its lengths are read. */
const Legs = ({ legs }: { legs: BenchWork["legs"] }) => (
  <ul aria-label={legs[0]?.kind === "side" ? t("sides") : t("legs")} className="flex shrink-0 gap-1 text-sm">
    {legs.map((leg) => (
      <li
        key={leg.leg}
        title={legText(leg)}
        className={`rounded-md border px-1.5 ${leg.result === "out" ? "border-out font-bold text-out" : leg.result === "in" ? "border-in text-in" : "border-line"}`}
      >
        <span className="sr-only">{legText(leg)}</span>
        <span aria-hidden="true" className="figures">
          {leg.leg}{" "}
          {leg.result === "out" ? (
            "✗"
          ) : leg.result === "in" ? (
            "✓"
          ) : (
            <span className="max-sm:hidden">{`${leg.read}/${leg.lengths}`}</span>
          )}
        </span>
      </li>
    ))}
  </ul>
);

function SaveState({ waiting, away }: { waiting: number; away: BenchWork["away"] }) {
  const saved = waiting ? t("saving") : t("all-saved");
  const said: Record<NonNullable<BenchWork["away"]>, string> = {
    server: t("server-away", {
      value: waiting ? t("kept-on-this-device", { waiting }) : t("nothing-is-lost"),
    }),
    person: t("sign-in-to-store", { waiting }),
  };
  return (
    <span
      role="status"
      className={`ml-auto shrink-0 px-2 text-sm ${away ? "font-bold text-out" : "text-soft"} ${away || waiting ? "" : "max-sm:sr-only"}`}
    >
      {away ? said[away] : saved}
    </span>
  );
}
