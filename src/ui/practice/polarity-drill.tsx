"use client";

import { useMemo, useState } from "react";
import { farPlace, fibreColour, PAIR_PLACES, type PairPlace } from "@/core";
import { t } from "@/messages/practice";
import { DrillChoice } from "./drill-choice";
import { type DrillProps, DrillResult } from "./drill-result";

/** Pairs of a tube of twelve. */
const PAIRS = 6;

/** Both ends of a duplex pair: the fibre that goes where, so that what sends here is received there. */
export function PolarityDrill({ place, onAnswer, onNext }: { readonly place: PairPlace } & DrillProps) {
  const pair = useMemo(() => Math.floor(Math.random() * PAIRS), []);
  const [answer, setAnswer] = useState<string | null>(null);
  const fibres = [fibreColour(pair * 2 + 1), fibreColour(pair * 2 + 2)];
  const here = fibres[PAIR_PLACES.indexOf(place)];
  // The fibre in this place here lies in the other place there: in this place there lies the other fibre.
  const there = fibres[PAIR_PLACES.indexOf(farPlace(place))];
  const pick = (key: string) => {
    setAnswer(key);
    onAnswer(key === there?.code);
  };
  return (
    <section aria-labelledby="drill">
      <h2 id="drill" className="font-bold text-2xl">
        {t("which-fibre-there", { place })}
      </h2>
      <p className="text-lg">{t("here-lies", { colour: here?.name ?? "", place })}</p>
      <DrillChoice
        disabled={answer !== null}
        choices={fibres.map(({ code, name }) => ({ key: code, text: name }))}
        onPick={pick}
      />
      {answer !== null && (
        <DrillResult
          right={answer === there?.code}
          was={there?.name ?? ""}
          more={t("pair-is-crossed")}
          onNext={onNext}
        />
      )}
    </section>
  );
}
