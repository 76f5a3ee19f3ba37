"use client";

import { Usb, X } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import type { EndId } from "@/core";
import { type Check, drawsFor, type EndState, hiddenLength, type RunSheet, SIMULATED, shownBy } from "@/core";
import { t } from "@/messages/calliper";
import { Button } from "../controls/button";
import { IconButton } from "../controls/icon-button";
import { Select } from "../controls/select";
import { figureText, lengthText, type Units } from "../words/length-text";

interface CalliperProps {
  readonly end: EndId;
  readonly sheet: RunSheet;
  readonly state: EndState;
  /** Lengths its jaws can be put on here; the first is the one asked for. */
  readonly checks: readonly Check[];
  readonly active: string;
  readonly units: Units;
  readonly onClose: () => void;
}

const EVERY_MS = 220;

/**
 * An instrument for demo, practice and tests: its jaws on a length of a made-up end, its reading never quite still. It
 * types its reading and Enter into the field, as a calliper with a cable does.
 */
export function Calliper({ end, sheet, state, checks, active, units, onClose }: CalliperProps) {
  const [on, setOn] = useState<string | null>(null);
  const check = checks.find(({ id }) => id === (on ?? active)) ?? checks[0];
  const draw = useMemo(() => drawsFor(`${end}/${Date.now()}`), [end]);
  const [shown, setShown] = useState<ReturnType<typeof shownBy> | null>(null);
  useEffect(() => {
    if (!check) return;
    const read = () => setShown(shownBy(SIMULATED, hiddenLength(end, sheet, state, check), draw));
    read();
    const timer = setInterval(read, EVERY_MS);
    return () => clearInterval(timer);
  }, [end, sheet, state, check, draw]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the jaws follow what is asked for until moved by hand
  useEffect(() => setOn(null), [active]);
  if (!check || shown === null) return null;
  return (
    <section
      aria-label={t("simulated-calliper")}
      className="fixed right-3 bottom-20 z-20 w-72 rounded-lg border-2 border-ink bg-raised p-3 shadow-xl sm:bottom-24 lg:top-14 lg:bottom-auto"
    >
      <div className="flex items-center gap-2">
        <h2 className="mr-auto font-semibold">{t("simulated-calliper")}</h2>
        <IconButton onClick={onClose} name={t("put-the-calliper-away")}>
          <X aria-hidden="true" className="size-5" />
        </IconButton>
      </div>
      <Select
        title={t("jaws-on")}
        small
        value={check.id}
        onPick={setOn}
        options={checks.map(({ id, name, leg }) => ({ id, name: leg ? t("leg", { name, leg }) : name }))}
      />
      <p aria-live="off" className="figures my-1 text-right font-bold text-4xl">
        {units === "in" ? figureText(shown, "in") : (shown / 1000).toFixed(2)}{" "}
        <span className="font-normal text-lg">{units === "in" ? "in" : "mm"}</span>
      </p>
      <Button
        look="strong"
        onClick={() => typeReading(units === "in" ? lengthText(shown, "in") : (shown / 1000).toFixed(2))}
        className="w-full gap-2"
      >
        <Usb aria-hidden="true" className="size-5" /> {t("send-the-reading")}
      </Button>
      <p className="mt-1 text-soft text-xs">{t("a-made-up-end-its-readings")}</p>
    </section>
  );
}

/** Types a reading into the field and presses Enter, as an instrument does that is plugged in as a keyboard. */
function typeReading(text: string): void {
  const field = document.querySelector<HTMLInputElement>("#reading");
  if (!field) return;
  field.focus();
  Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set?.call(field, text);
  field.dispatchEvent(new Event("input", { bubbles: true }));
  // A frame later, as a real one: the field has taken the figures by then.
  requestAnimationFrame(() =>
    field.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true, cancelable: true })),
  );
}
