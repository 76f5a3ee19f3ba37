"use client";

import { TriangleAlert } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import {
  capital,
  type EndEvent,
  type EndState,
  type Fault,
  isMidRun,
  onLeg as onLegText,
  parseLength,
  presentFeatures,
  type RunSheet,
} from "@/core";
import { t } from "@/messages/advice";
import { ChoiceButton } from "../controls/choice";
import { Input } from "../controls/input";
import { backToStep } from "../keys/to-step";
import type { Units } from "../words/length-text";
import { FAULT_SAID } from "./advice-words";

interface FaultsProps {
  readonly sheet: RunSheet;
  readonly state: EndState;
  readonly units: Units;
  readonly onAdd: (event: EndEvent) => void;
}

const AT_END: readonly Fault[] = ["bad-cleave", "touched", "aged", "nick"];

/** What no calliper tells: a bad cleave, a touched end, a nick, a mark that is gone. Each asks for its own rework. */
export function Faults({ sheet, state, units, onAdd }: FaultsProps) {
  const [open, setOpen] = useState(false);
  const [leg, setLeg] = useState(sheet.cable.legs[0] ?? "");
  const [where, setWhere] = useState("");
  const present = presentFeatures(sheet, state.reached);
  const end = present.filter(({ kind, madeAt }) => kind === "end" && madeAt >= 0).at(-1);
  const marks = present.filter(({ kind }) => kind === "mark");
  if (!end && marks.length === 0) return null;
  const parsed = where.trim() === "" ? null : parseLength(where, { unit: units === "in" ? "in" : "mm" });
  const say = (feature: string, fault: Fault) => {
    const at = fault === "nick" && parsed?.ok ? parsed.value.length : null;
    onAdd({ kind: "fault", leg, feature, what: fault, at, on: true });
    setOpen(false);
    setWhere("");
  };
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          aria-label={t("fault-something-is-wrong-with-it")}
          className="flex min-h-12 items-center gap-1.5 rounded-md border border-line px-2.5 text-sm"
        >
          <TriangleAlert aria-hidden="true" className="size-4" /> {t("fault")}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            onCloseAutoFocus={backToStep}
            align="start"
            aria-label={t("what-is-wrong-with-it")}
            className="z-20 grid w-[min(24rem,calc(100vw-1rem))] gap-2 rounded-lg border border-line bg-raised p-3 shadow-xl"
          >
            <LegPick sheet={sheet} leg={leg} onLeg={setLeg} />
            {end &&
              AT_END.map((fault) => (
                <ChoiceButton key={fault} onClick={() => say(end.id, fault)}>
                  {capital(FAULT_SAID[fault])}
                </ChoiceButton>
              ))}
            {end && (
              <label className="text-soft text-sm">
                {t("nick-so-far-behind-the-fibre", { value: units === "in" ? "in" : "mm" })}
                <Input
                  value={where}
                  onChange={(event) => setWhere(event.target.value)}
                  inputMode="decimal"
                  maxLength={20}
                  aria-invalid={parsed !== null && !parsed.ok}
                  className="mt-1 block w-full text-base text-ink"
                />
              </label>
            )}
            {marks.map(({ id, name }) => (
              <ChoiceButton key={id} onClick={() => say(id, "lost")}>
                {t("the-is-lost", { name })}
              </ChoiceButton>
            ))}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {state.faults.map((fault) => (
        <ChoiceButton
          key={`${fault.leg}/${fault.feature}/${fault.what}`}
          onClick={() => onAdd({ kind: "fault", ...fault, on: false })}
          tone="out"
          className="text-sm"
        >
          {capital(FAULT_SAID[fault.what])}
          {onLegText(fault.leg, isMidRun(sheet))} <span className="text-soft">{t("take-back")}</span>
        </ChoiceButton>
      ))}
    </div>
  );
}

interface LegPickProps extends Pick<FaultsProps, "sheet"> {
  readonly leg: string;
  readonly onLeg: (leg: string) => void;
}

/** Picks the leg of a cord, or the side of an opening, that is meant. */
function LegPick({ sheet, leg, onLeg }: LegPickProps) {
  if (sheet.cable.legs.length < 2) return null;
  return (
    <fieldset className="flex gap-2">
      <legend className="sr-only">{isMidRun(sheet) ? t("which-side") : t("which-leg")}</legend>
      {sheet.cable.legs.map((eachLeg) => (
        <ChoiceButton
          key={eachLeg}
          aria-pressed={eachLeg === leg}
          onClick={() => onLeg(eachLeg)}
          tone={eachLeg === leg ? "picked" : "line"}
          className="flex-1 text-center"
        >
          {t("leg", { leg: eachLeg })}
        </ChoiceButton>
      ))}
    </fieldset>
  );
}
