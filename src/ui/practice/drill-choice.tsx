"use client";

import type { ReactNode } from "react";
import { useDigits } from "../keys/use-digits";

interface DrillChoiceProps {
  readonly choices: readonly { readonly key: string; readonly text: string; readonly picture?: ReactNode }[];
  readonly disabled: boolean;
  readonly onPick: (key: string) => void;
}

/** Answers of a drill, large and numbered: taken by their number, or by touch. */
export function DrillChoice({ choices, disabled, onPick }: DrillChoiceProps) {
  useDigits((i) => {
    const wanted = choices[i];
    if (wanted && !disabled) onPick(wanted.key);
  });
  return (
    <ol className="mt-3 grid gap-2 sm:grid-cols-2">
      {choices.map(({ key, text, picture }, i) => (
        <li key={key}>
          <button
            type="button"
            aria-keyshortcuts={String(i + 1)}
            disabled={disabled}
            onClick={() => onPick(key)}
            className="flex h-full min-h-14 w-full items-center gap-3 rounded-lg border-2 border-line bg-raised px-3 py-2 text-left"
          >
            <span className="figures flex size-8 shrink-0 items-center justify-center rounded-full border-2 border-ink font-bold">
              {i + 1}
            </span>
            {picture}
            <span className="min-w-0 flex-1 font-semibold">{text}</span>
          </button>
        </li>
      ))}
    </ol>
  );
}
