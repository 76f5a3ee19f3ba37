"use client";

import { useState } from "react";
import { type EndEvent, type Judgement, lastSeen, type PartedTold, type SeenFibre } from "@/core";
import { t } from "@/messages/reading";
import { Button } from "../controls/button";
import { ColourCheck } from "../entry/colour-check";
import { CUT_WORDS } from "../words/cut-words";
import { fibreText } from "../words/fibre-text";

interface PartedCheckProps {
  readonly judgement: Judgement;
  readonly parted: readonly PartedTold[];
  readonly given: string | undefined;
  readonly onAdd: (event: EndEvent) => void;
}

/**
 * Every fibre that is parted, one after the other, by the colours in the hand: the judgement is good once the last of them
 * was said right; one that is another or cannot be worked out is a bad answer, and nothing is cut.
 */
export function PartedCheck({ judgement, parted, given, onAdd }: PartedCheckProps) {
  const [place, setPlace] = useState(0);
  const [isTold, setTold] = useState(false);
  const [seen, setSeen] = useState<readonly SeenFibre[]>([]);
  const wanted = parted[place];
  const last = place === parted.length - 1;
  const answer = (good: boolean, by: readonly SeenFibre[]) => {
    const said = judgement.answers.find((answer) => answer.good === good);
    // A wrong one said again is the same answer; that all are right now says again by what.
    if (said && (good || said.id !== given))
      onAdd({ kind: "answer", judgement: judgement.id, answer: said.id, seen: [...by] });
  };
  if (!wanted) return null;
  const next = parted[place + 1];
  return (
    <div>
      <p className="font-semibold text-lg">
        {parted.length > 1 && (
          <span className="figures">{t("of", { value: place + 1, length: parted.length })} </span>
        )}
        {t("cut", { fibreText: fibreText(wanted), value: CUT_WORDS[wanted.at] })}
      </p>
      <ColourCheck
        key={wanted.number}
        wanted={wanted}
        kind={wanted.kind}
        onAnswer={(may, colours) => {
          const all = lastSeen([...seen, { number: wanted.number, ...colours }]);
          setSeen(all);
          setTold(may === "cut");
          if (may === "not") answer(false, all);
          else if (last) answer(true, all);
        }}
      />
      {isTold && next && (
        <Button
          look="next"
          className="mt-2 w-full"
          onClick={() => {
            setPlace(place + 1);
            setTold(false);
          }}
        >
          {t("it-is-cut-next", { fibreText: fibreText(next) })}
        </Button>
      )}
    </div>
  );
}
