"use client";

import type { Judgement } from "@/core";
import { VerdictSign } from "../words/verdict-sign";

interface JudgementPanelProps {
  readonly judgement: Judgement;
  readonly answer: string | undefined;
  readonly onAnswer: (answer: string) => void;
  readonly onGo: (step: string) => void;
  readonly titleOf: (step: string) => string;
}

/** What is seen, as big answers; the one given says what it means and where to go. */
export function JudgementPanel({ judgement, answer, onAnswer, onGo, titleOf }: JudgementPanelProps) {
  const given = judgement.answers.find(({ id }) => id === answer);
  return (
    <fieldset className="grid gap-2">
      <legend className="mb-2 font-semibold text-xl">{judgement.asks}</legend>
      {judgement.answers.map(({ id, sees, good }) => (
        <button
          key={id}
          type="button"
          aria-pressed={id === answer}
          onClick={() => onAnswer(id)}
          className={`flex min-h-14 items-center gap-3 rounded-lg border-2 px-4 text-left text-lg ${id === answer ? "border-ink bg-raised font-bold" : "border-line"}`}
        >
          <VerdictSign verdict={good ? "in" : "out"} />
          {sees}
        </button>
      ))}
      <div role="status" className="min-h-16 text-lg">
        {given && (
          <>
            {given.means} <strong>{given.action}</strong>
            {given.goTo && (
              <button
                type="button"
                onClick={() => onGo(given.goTo as string)}
                className="mt-2 block min-h-12 rounded-lg border-2 border-now px-4 font-semibold"
              >
                Go back to “{titleOf(given.goTo)}”
              </button>
            )}
          </>
        )}
      </div>
    </fieldset>
  );
}
