"use client";

import { useState } from "react";
import { CHECK_BAR, DOWN_BAR_ON_ROLL, readBars, UNPROVEN } from "@/core";
import { t } from "@/messages/card";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { useSubmit } from "../controls/use-submit";
import { usePrefs } from "../prefs/prefs-context";

/** Proof of scale: which printer, and what its two bars measured on the last card. */
export function ProofPanel() {
  const { prefs, change } = usePrefs();
  const printer = prefs.printers.find((each) => each.name === prefs.printer) ?? null;
  return (
    <section aria-labelledby="proof" className="grid gap-3 rounded-lg border border-line bg-raised p-3">
      <h2 id="proof" className="font-bold text-lg">
        {t("proof-of-scale")}
      </h2>
      <p className={printer ? "" : "font-semibold text-unsure"}>
        {printer
          ? t("drawn-with-correction", {
              x: (printer.x * 100).toFixed(2),
              y: (printer.y * 100).toFixed(2),
            })
          : t("not-proven-measure-the-bars")}
      </p>
      {prefs.printers.length > 0 && (
        <Select
          title={t("printer")}
          value={prefs.printer}
          empty={t("no-correction")}
          options={prefs.printers.map(({ name }) => ({ id: name, name }))}
          onPick={(name) => change({ printer: name })}
        />
      )}
      <BarsForm key={prefs.printer} />
      {printer && (
        <Button
          look="link"
          onClick={() =>
            change({ printer: "", printers: prefs.printers.filter(({ name }) => name !== printer.name) })
          }
        >
          {t("forget-this-printer")}
        </Button>
      )}
    </section>
  );
}

const measured = (form: FormData, name: string): number =>
  Number(
    String(form.get(name) ?? "")
      .trim()
      .replace(",", "."),
  );

/** Takes both bars as they were measured on a printed card. */
function BarsForm() {
  const { prefs, change } = usePrefs();
  const [answer, setAnswer] = useState("");
  const downBar = prefs.cardPaper.startsWith("roll") ? DOWN_BAR_ON_ROLL : CHECK_BAR;
  const { problem, submit, clear } = useSubmit(async (sent) => {
    const form = new FormData(sent);
    const name = String(form.get("name") ?? "").trim();
    if (name === "") return t("name-the-printer");
    const before = prefs.printers.find((each) => each.name === prefs.printer) ?? UNPROVEN;
    const reading = readBars(measured(form, "across"), measured(form, "down"), before, downBar);
    setAnswer("");
    if (reading.kind === "fitted") return t("bars-are-far-off");
    const { x, y } = reading.correction;
    const others = prefs.printers.filter((each) => each.name !== name);
    change({ printers: [...others, { name, x, y }].slice(-6), printer: name });
    setAnswer(reading.kind === "true" ? t("true-as-it-is") : t("print-again-and-measure"));
    return "";
  });
  return (
    <form onSubmit={submit} onChange={clear} className="grid gap-2">
      <Field
        name="name"
        title={t("printer-name")}
        defaultValue={prefs.printer}
        maxLength={40}
        placeholder={t("printer-example")}
        required
      />
      <div className="grid grid-cols-2 gap-2">
        <Field
          name="across"
          title={t("bar-across", { length: CHECK_BAR })}
          inputMode="decimal"
          placeholder="100.0"
          required
        />
        <Field
          name="down"
          title={t("bar-down", { length: downBar })}
          inputMode="decimal"
          placeholder="100.0"
          required
          problem={problem}
        />
      </div>
      <Button type="submit">{t("save-the-bars")}</Button>
      <p role="status" className="text-in empty:hidden">
        {answer}
      </p>
    </form>
  );
}
