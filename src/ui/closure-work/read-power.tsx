"use client";

import { useState } from "react";
import { type ClosureEvent, isMeterLine, parseMeterLine, WAVELENGTHS, type WorkItem } from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import { SimulatedMeter } from "../light/simulated-meter";

interface ReadPowerProps {
  readonly item: WorkItem;
  readonly busy: boolean;
  readonly happen: (event: ClosureEvent) => Promise<string>;
}

type PowerRead = { readonly dBm: number; readonly wavelength: (typeof WAVELENGTHS)[number] };

/** Reads a typed power or a meter's line; returns the error text if it cannot be read. */
function powerOf(text: string, wavelength: PowerRead["wavelength"]): PowerRead | string {
  if (isMeterLine(text)) {
    const line = parseMeterLine(text);
    return line.ok ? line.value : line.problem.message;
  }
  const dBm = Number(text.trim().replace("−", "-").replace(",", "."));
  return text.trim() !== "" && Number.isFinite(dBm) ? { dBm, wavelength } : t("enter-a-power");
}

/** Power at an output: typed, or as the line a meter sends. */
export function ReadPower({ item, busy, happen }: ReadPowerProps) {
  const [wavelength, setWavelength] = useState<PowerRead["wavelength"]>(1490);
  const [text, setText] = useState(item.reading === null ? "" : String(item.reading));
  const [simulated, setSimulated] = useState("");
  const { problem, submit, clear } = useSubmit(() => {
    const read = powerOf(text, wavelength);
    return typeof read === "string"
      ? read
      : happen({ kind: "power", item: item.id, ...read, simulated: text !== "" && text === simulated });
  });
  const least = decimal((item.limit ?? 0).toFixed(2));
  return (
    <form onSubmit={submit} className="flex w-full flex-wrap items-end gap-2">
      <Field
        title={t("power-of")}
        about={
          item.most === null
            ? t("power-at-least-line", { least })
            : t("power-or-line", { least, most: decimal(item.most.toFixed(2)) })
        }
        value={text}
        maxLength={120}
        required
        problem={problem}
        onChange={({ target }) => {
          setText(target.value);
          clear();
        }}
        className="min-w-0 flex-1 basis-56"
      />
      <Select
        title={t("wavelength")}
        value={String(wavelength)}
        options={WAVELENGTHS.map((nm) => ({ id: String(nm), name: String(nm) }))}
        onPick={(id) => setWavelength(WAVELENGTHS.find((nm) => String(nm) === id) ?? 1490)}
      />
      <Button type="submit" disabled={busy}>
        {t("do-it")}
      </Button>
      <SimulatedMeter
        wavelength={wavelength}
        isThrough
        onSend={(line) => {
          setText(line);
          setSimulated(line);
          clear();
        }}
      />
    </form>
  );
}
