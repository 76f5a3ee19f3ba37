"use client";

import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import {
  DRILL_LOOKS,
  type DrillLook,
  faultsLeft,
  HIDDEN_FAULTS,
  type HiddenFault,
  type Sight,
  secondsToFind,
  sightOf,
} from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { type DrillProps, DrillResult } from "./drill-result";
import { faultName, LOOK_NAMES, sightText } from "./drill-words";

const timeText = (seconds: number): string =>
  seconds < 60 ? t("seconds", { seconds }) : t("minutes", { minutes: Math.round((seconds / 60) * 10) / 10 });

const secondsOf = (look: DrillLook): number => DRILL_LOOKS.find(({ id }) => id === look)?.seconds ?? 0;

/** Drill of a hidden fault, found by choosing the next look, then named. */
export function FaultDrill({ fault, onAnswer, onNext }: { readonly fault: HiddenFault } & DrillProps) {
  const [sights, setSights] = useState<readonly Sight[]>([]);
  const [answer, setAnswer] = useState<HiddenFault | null>(null);
  const left = faultsLeft(sights);
  const took = sights.reduce((sum, { look }) => sum + secondsOf(look), 0);
  const look = (id: DrillLook) => {
    if (answer === null && !sights.some((sight) => sight.look === id))
      setSights([...sights, sightOf(fault, id)]);
  };
  const name = (picked: HiddenFault) => {
    if (answer !== null) return;
    setAnswer(picked);
    onAnswer(picked === fault);
  };
  useHotkeys("1,2,3,4,5,6,7,8,9", ({ key }) => {
    const wanted = DRILL_LOOKS[Number(key) - 1];
    if (wanted) look(wanted.id);
  });
  return (
    <section aria-labelledby="drill">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="drill" className="mr-auto font-bold text-2xl">
          {t("one-thing-is-wrong")}
        </h2>
        <span className="text-soft">
          {t("looks-and-time", { looks: sights.length, time: timeText(took) })}
        </span>
      </div>
      <h3 className="mt-4 font-bold text-lg">{t("what-next")}</h3>
      <ol className="mt-1 grid gap-2 sm:grid-cols-2">
        {DRILL_LOOKS.map(({ id, seconds }, i) => {
          const sight = sights.find((each) => each.look === id);
          return (
            <li key={id}>
              <button
                type="button"
                aria-keyshortcuts={String(i + 1)}
                disabled={sight !== undefined || answer !== null}
                onClick={() => look(id)}
                className={`flex min-h-14 w-full items-center gap-3 rounded-lg border-2 px-3 text-left ${sight ? "border-inch bg-note" : "border-line bg-raised"}`}
              >
                <span className="figures flex size-8 shrink-0 items-center justify-center rounded-full border-2 border-ink font-bold">
                  {i + 1}
                </span>
                <span className="min-w-0 flex-1 font-semibold">
                  {sight ? sightText(sight) : LOOK_NAMES[id]()}
                </span>
                {!sight && <span className="text-soft">{timeText(seconds)}</span>}
              </button>
            </li>
          );
        })}
      </ol>
      <h3 className="mt-4 font-bold text-lg">{t("name-the-fault")}</h3>
      <ul className="mt-1 flex flex-wrap gap-2">
        {HIDDEN_FAULTS.map((each) => (
          <li key={each}>
            <Button
              disabled={answer !== null}
              look={left.includes(each) ? "plain" : "quiet"}
              onClick={() => name(each)}
              className={left.includes(each) ? "" : "line-through"}
            >
              {faultName(each)}
            </Button>
          </li>
        ))}
      </ul>
      {answer !== null && (
        <DrillResult
          right={answer === fault}
          was={faultName(fault)}
          more={t("took-best", { took: timeText(took), best: timeText(secondsToFind(fault)) })}
          onNext={onNext}
        />
      )}
    </section>
  );
}
