"use client";

import { CircleCheck, TriangleAlert } from "lucide-react";
import { useState } from "react";
import type { BladeLine, Splicing, SplicingStep } from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { BladeAid } from "../aids/blade";
import { useBlades } from "../aids/use-blades";
import { Button } from "../controls/button";

/** The server is asked how a blade stands once a cleave comes up. */
const NOT_ASKED: readonly BladeLine[] = [];

/** The steps of a splicing procedure, one after the other; the one in hand large, with its figure and, at a cleave, the blade. */
export function SplicingSteps({ procedure }: { procedure: Splicing }) {
  const [at, setAt] = useState(0);
  const { steps } = procedure;
  const step = steps[at];
  const next = steps[at + 1];
  const cleaver = step?.act === "cleave" ? step.tool : undefined;
  const { blades, seeTo } = useBlades(NOT_ASKED, cleaver !== undefined);
  const blade = blades.find(({ tool }) => tool === cleaver);
  return (
    <section
      aria-label={t("steps-of-the-splice")}
      className="rounded-lg border border-line bg-raised px-3 py-2"
    >
      {step ? (
        <>
          <p className="text-soft text-sm">{t("step-of-steps", { at: at + 1, of: steps.length })}</p>
          <p className="flex flex-wrap items-baseline gap-x-3">
            <strong className="text-xl leading-tight">{step.title}</strong>
            <span className="figures font-bold text-2xl">{figureOf(procedure, step)}</span>
          </p>
          {step.note && <p>{step.note}</p>}
          {step.caution && (
            <p className="flex items-center gap-2 font-semibold text-out">
              <TriangleAlert aria-hidden="true" className="size-5 shrink-0" />
              {step.caution}
            </p>
          )}
          {blade && <BladeAid blade={blade} onSeeTo={seeTo} />}
        </>
      ) : (
        <p className="flex items-center gap-2 font-semibold">
          <CircleCheck aria-hidden="true" className="size-5 text-in" />
          {t("all-steps-done")}
        </p>
      )}
      <p className="mt-2 flex flex-wrap items-center gap-2">
        {step && (
          <Button size="small" onClick={() => setAt(at + 1)}>
            {t("step-done")}
          </Button>
        )}
        {at > 0 && (
          <Button size="small" look="link" onClick={() => setAt(at - 1)}>
            {t("step-back")}
          </Button>
        )}
        {next && <span className="text-soft text-sm">{t("then-step", { title: next.title })}</span>}
      </p>
    </section>
  );
}

const mm = (length: number): string => decimal(String(length / 1_000));

/** The figure a step is worked to. */
function figureOf({ sides, sleeve, pullNewtons }: Splicing, { act, side, seconds }: SplicingStep): string {
  const prepared = sides[side === "b" ? "b" : "a"];
  switch (act) {
    case "strip":
      return t("figure-mm", { figure: mm(prepared.strip) });
    case "cleave":
      return t("figure-mm", { figure: `${mm(prepared.cleave.min)}–${mm(prepared.cleave.max)}` });
    case "sleeve":
    case "cover":
      return sleeve ? t("figure-mm", { figure: mm(sleeve.length) }) : "";
    case "pull":
      return pullNewtons === null ? "" : t("figure-newtons", { figure: decimal(String(pullNewtons)) });
    default:
      return seconds === undefined ? "" : t("figure-seconds", { seconds });
  }
}
