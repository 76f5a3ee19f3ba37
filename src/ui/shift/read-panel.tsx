"use client";

import { type FormEvent, useState } from "react";
import { biasAllowed, type Instrument, judgeToolCheck, parseLength, type ToolStanding } from "@/core";
import { t } from "@/messages/shift";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { usePrefs } from "../prefs/prefs-context";
import { exactMm, signedMm } from "../words/length-text";
import { ToolHead } from "./tool-head";
import type { Shift } from "./use-shift";

interface PanelProps {
  readonly tool: ToolStanding;
  readonly shift: Shift;
}

const GAUGE_KEY = "arlent:gauge";

const storedGauge = (): string => {
  try {
    return localStorage.getItem(GAUGE_KEY) ?? "";
  } catch {
    return "";
  }
};

/** An instrument read against a gauge: its bias, and whether that is within what it may be. */
export function GaugePanel({ tool, shift, instrument }: PanelProps & { readonly instrument: Instrument }) {
  const { prefs } = usePrefs();
  const unit = prefs.units === "in" ? "in" : "mm";
  const [gauge, setGauge] = useState(storedGauge);
  const [reading, setReading] = useState("");
  const [problems, setProblems] = useState<{ gauge?: string; reading?: string }>({});
  const read = { gauge: parseLength(gauge, { unit }), reading: parseLength(reading, { unit }) };
  const sights =
    read.gauge.ok && read.reading.ok
      ? {
          answers: {},
          torque: null,
          gauge: { gauge: read.gauge.value.length, readings: [read.reading.value.length] },
        }
      : null;
  const judged = sights && judgeToolCheck("length", sights, instrument);
  const store = (event: FormEvent) => {
    event.preventDefault();
    setProblems({
      ...(!read.gauge.ok && { gauge: t("gauge-entered") }),
      ...(!read.reading.ok && { reading: t("reading-entered") }),
    });
    if (!sights) return;
    try {
      localStorage.setItem(GAUGE_KEY, gauge);
    } catch {
      // A device that stores nothing asks for the gauge each time.
    }
    shift.read(tool, { gauge: sights.gauge });
  };
  return (
    <>
      <ToolHead tool={tool} shift={shift} />
      <h2 className="mt-2 font-bold text-2xl">{t("read-the-gauge")}</h2>
      <p className="mt-1 text-lg">{t("bias-allowed", { allowed: exactMm(biasAllowed(instrument)) })}</p>
      <form onSubmit={store} className="mt-4 flex flex-wrap items-end gap-3">
        <Field
          title={t("gauge", { unit })}
          value={gauge}
          problem={problems.gauge ?? ""}
          autoFocus={gauge === ""}
          inputMode="decimal"
          onChange={({ target }) => setGauge(target.value)}
          className="w-40"
        />
        <Field
          title={t("reading", { unit })}
          value={reading}
          problem={problems.reading ?? ""}
          autoFocus={gauge !== ""}
          inputMode="decimal"
          large
          onChange={({ target }) => setReading(target.value)}
          className="w-44"
        />
        <Button type="submit" look="next" size="large" disabled={shift.isSending}>
          {t("store")}
        </Button>
      </form>
      <p aria-live="polite" className="mt-2 min-h-8 text-xl">
        {judged && judged.bias !== null && (
          <strong className={judged.good ? "text-in" : "text-out"}>
            {judged.good
              ? t("bias-in", { bias: signedMm(judged.bias) })
              : t("bias-out", { bias: signedMm(judged.bias) })}
          </strong>
        )}
      </p>
    </>
  );
}

const readTorque = (text: string): number | null => {
  const value = Number(text.trim().replace(",", "."));
  return text.trim() !== "" && Number.isFinite(value) && value > 0 && value <= 100 ? value : null;
};

/** A torque driver on its tester: what it was set to, and where it clicked. */
export function TorquePanel({ tool, shift }: PanelProps) {
  const [set, setSet] = useState("");
  const [shown, setShown] = useState("");
  const [tried, setTried] = useState(false);
  const torque = { set: readTorque(set), shown: readTorque(shown) };
  const store = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (torque.set !== null && torque.shown !== null)
      shift.read(tool, { torque: { set: torque.set, shown: torque.shown } });
  };
  return (
    <>
      <ToolHead tool={tool} shift={shift} />
      <h2 className="mt-2 font-bold text-2xl">{t("read-the-torque")}</h2>
      <p className="mt-1 text-lg">{t("torque-allowed")}</p>
      <form onSubmit={store} className="mt-4 flex flex-wrap items-end gap-3">
        <Field
          title={t("torque-set")}
          value={set}
          problem={tried && torque.set === null ? t("torque-entered") : ""}
          autoFocus
          inputMode="decimal"
          onChange={({ target }) => setSet(target.value)}
          className="w-40"
        />
        <Field
          title={t("torque-shown")}
          value={shown}
          problem={tried && torque.shown === null ? t("torque-entered") : ""}
          inputMode="decimal"
          onChange={({ target }) => setShown(target.value)}
          className="w-44"
        />
        <Button type="submit" look="next" size="large" disabled={shift.isSending}>
          {t("store")}
        </Button>
      </form>
    </>
  );
}
