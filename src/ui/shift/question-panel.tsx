"use client";

import { questionsOf, type ToolStanding } from "@/core";
import { t } from "@/messages/shift";
import { useDigits } from "../keys/use-digits";
import { exactMm } from "../words/length-text";
import { AnswerPicture } from "./answer-picture";
import { answerText, questionText } from "./check-texts";
import { ToolHead } from "./tool-head";
import type { Shift } from "./use-shift";

interface PanelProps {
  readonly tool: ToolStanding;
  readonly shift: Shift;
}

/** The next question of a tool's check, answered by its number. */
export function QuestionPanel({ tool, shift }: PanelProps) {
  const question = questionsOf(tool.kind).find(({ id }) => shift.sights.answers[id] === undefined);
  const answers = question?.answers ?? [];
  const take = (i: number) => {
    const picked = answers[i];
    if (question && picked && !shift.isSending) shift.answer(tool, question.id, picked.id);
  };
  useDigits(take);
  return (
    <>
      <ToolHead tool={tool} shift={shift} />
      {question && (
        <>
          <h2 className="mt-2 font-bold text-2xl">{questionText(question.id)}</h2>
          {question.id === "place" && tool.place !== null && (
            <p className="mt-1 text-lg">{t("place-by-record", { place: tool.place })}</p>
          )}
          {question.id === "die" && <Dies dies={tool.dies} />}
          <ol className="mt-4 grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
            {answers.map(({ id }, i) => (
              <li key={id}>
                <button
                  type="button"
                  aria-keyshortcuts={String(i + 1)}
                  onClick={() => take(i)}
                  className="flex h-full min-h-20 w-full items-center gap-3 rounded-lg border-2 border-line bg-raised px-3 py-2 text-left sm:flex-col sm:items-start sm:py-3"
                >
                  <span className="figures flex size-8 shrink-0 items-center justify-center rounded-full border-2 border-ink font-bold">
                    {i + 1}
                  </span>
                  <AnswerPicture question={question.id} answer={id} />
                  <span className="min-w-0 font-semibold text-lg">{answerText(question.id, id)}</span>
                </button>
              </li>
            ))}
          </ol>
        </>
      )}
    </>
  );
}

/** The dies of the ends at the bench: what the tool must hold for them. */
function Dies({ dies }: { readonly dies: ToolStanding["dies"] }) {
  if (dies.length === 0) return <p className="mt-1 text-lg">{t("no-die-at-the-bench")}</p>;
  return (
    <ul className="mt-1 text-lg">
      {dies.map(({ style, across }) => (
        <li key={`${style} ${across}`}>
          <strong className="figures">{t("die-across", { across: exactMm(across) })}</strong> {style}
        </li>
      ))}
    </ul>
  );
}
