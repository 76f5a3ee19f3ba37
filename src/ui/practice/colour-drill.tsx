"use client";

import { useState } from "react";
import { FIBRE_COLOURS, fibreColour } from "@/core";
import { t } from "@/messages/practice";
import { FIBRE_PAINT } from "../band/fibre-paint";
import { type DrillProps, DrillResult } from "./drill-result";

/** A fibre's colour by its number (TIA-598). */
export function ColourDrill({ fibre, onAnswer, onNext }: { readonly fibre: number } & DrillProps) {
  const [answer, setAnswer] = useState<string | null>(null);
  const wanted = fibreColour(fibre);
  const pick = (code: string) => {
    setAnswer(code);
    onAnswer(code === wanted.code);
  };
  return (
    <section aria-labelledby="drill">
      <h2 id="drill" className="font-bold text-2xl">
        {fibre > FIBRE_COLOURS.length ? t("which-colour-tracer", { fibre }) : t("which-colour", { fibre })}
      </h2>
      <ul className="mt-4 grid grid-cols-2 gap-2 sm:grid-cols-3 xl:grid-cols-4">
        {[...FIBRE_COLOURS]
          .sort((a, b) => a.name.localeCompare(b.name))
          .map(({ code, name }) => (
            <li key={code}>
              <button
                type="button"
                disabled={answer !== null}
                onClick={() => pick(code)}
                className="flex min-h-14 w-full items-center gap-3 rounded-lg border-2 border-line bg-raised px-3 font-semibold"
              >
                <span
                  aria-hidden="true"
                  className="size-8 shrink-0 rounded border border-ink"
                  style={{ background: FIBRE_PAINT[code].ground }}
                />
                {name}
              </button>
            </li>
          ))}
      </ul>
      {answer !== null && <DrillResult right={answer === wanted.code} was={wanted.name} onNext={onNext} />}
    </section>
  );
}
