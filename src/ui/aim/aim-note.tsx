"use client";

import { useEffect, useState } from "react";
import type { LengthAim } from "@/core";
import { t } from "@/messages/aim";
import { call } from "../http/http";
import { figureText, type Units } from "../words/length-text";

/** The aims of whoever works at this device, for one style; none until a name is known. */
export function useAims(person: string | null, style: string): readonly LengthAim[] {
  const [aims, setAims] = useState<readonly LengthAim[]>([]);
  useEffect(() => {
    if (person === null) return;
    let gone = false;
    call("get /aims", { query: { person, style } }).then((answer) => {
      if (answer.ok && !gone) setAims(answer.value);
    });
    return () => {
      gone = true;
    };
  }, [person, style]);
  return aims;
}

/** How sure a bias is, in words: never more than the record shows. */
export const sureText = (sure: number): string =>
  sure > 0.999 ? t("over-99-9-sure") : t("sure", { value: Math.floor(sure * 1000) / 10 });

/** The bias in words: `0.3 long`. */
export const biasText = (bias: number, units: Units): string =>
  `${figureText(Math.round(Math.abs(bias) / 10) * 10, units)} ${bias > 0 ? "long" : "short"}`;

/** What to set instead of the sheet's figure, where somebody's own record says so. */
export function AimNote({ aim, units }: { aim: LengthAim; units: Units }) {
  if (aim.set === null) return null;
  return (
    <p className="my-2 rounded-md bg-note px-3 py-2 text-lg leading-snug">
      {t("you-make-the", { name: aim.name, biasText: biasText(aim.bias, units) })}{" "}
      <strong>{t("set", { figureText: figureText(aim.set, units) })}</strong>{" "}
      <span className="text-soft text-sm">{t("ends", { n: aim.n, sureText: sureText(aim.sure) })}</span>
    </p>
  );
}
