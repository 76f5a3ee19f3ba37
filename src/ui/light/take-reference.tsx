"use client";

import { type FormEvent, useState } from "react";
import type { LightReference, Purpose, Wavelength } from "@/core";
import { t } from "@/messages/light";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { SimulatedMeter } from "./simulated-meter";
import { readCelsius, usePowers } from "./use-light-draft";

interface TakeReferenceProps {
  readonly wavelength: Wavelength;
  /** The one before it: its source and cord are offered again. */
  readonly before: LightReference | null;
  readonly purpose: Purpose;
  readonly onTake: (reference: LightReference) => void;
}

/** Takes a reference: the source through its launch cord, straight into the meter. */
export function TakeReference({ wavelength, before, purpose, onTake }: TakeReferenceProps) {
  const [source, setSource] = useState(before?.source ?? "");
  const [cord, setCord] = useState(before?.cord ?? "");
  const [celsius, setCelsius] = useState("");
  const { text, problem, type, setProblem, powers } = usePowers(wavelength);
  const take = (event: FormEvent) => {
    event.preventDefault();
    if (!powers) return setProblem(t("enter-powers"));
    if (source.trim() === "" || cord.trim() === "") return setProblem(t("enter-source-and-cord"));
    onTake({
      ...{ taken: new Date().toISOString(), wavelength, source: source.trim(), cord: cord.trim() },
      ...{ dBm: powers, celsius: readCelsius(celsius) ?? null },
    });
  };
  return (
    <form onSubmit={take} className="grid gap-3 rounded-md border border-line border-dashed p-3">
      {before?.wavelength !== wavelength && <p>{t("no-reference", { wavelength })}</p>}
      <div className="grid grid-cols-2 gap-3">
        <Field
          title={t("source")}
          value={source}
          onChange={({ target }) => setSource(target.value)}
          maxLength={80}
        />
        <Field
          title={t("launch-cord")}
          value={cord}
          onChange={({ target }) => setCord(target.value)}
          maxLength={80}
        />
      </div>
      <Field
        title={t("celsius")}
        about={t("celsius-if-known")}
        value={celsius}
        inputMode="decimal"
        onChange={({ target }) => setCelsius(target.value)}
      />
      <Field
        title={t("reference-dbm")}
        about={t("several-after-mating-again")}
        value={text}
        problem={problem}
        onChange={({ target }) => type(target.value)}
      />
      <Button type="submit">{t("take-this-reference")}</Button>
      {purpose !== "work" && <SimulatedMeter wavelength={wavelength} isThrough={false} onSend={type} />}
    </form>
  );
}
