"use client";

import { TriangleAlert } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import {
  type EndEvent,
  type EndState,
  type Fault,
  parseLength,
  presentFeatures,
  type RunSheet,
} from "@/core";
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
  const say = (feature: string, what: Fault) => {
    const at = what === "nick" && parsed?.ok ? parsed.value.length : null;
    onAdd({ kind: "fault", leg, feature, what, at, on: true });
    setOpen(false);
    setWhere("");
  };
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          aria-label="Something is wrong with it"
          className="flex min-h-12 items-center gap-1.5 rounded-md border border-line px-2.5 text-sm"
        >
          <TriangleAlert aria-hidden="true" className="size-4" /> Fault
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            onCloseAutoFocus={backToStep}
            align="start"
            aria-label="What is wrong with it"
            className="z-20 grid w-[min(24rem,calc(100vw-1rem))] gap-2 rounded-lg border border-line bg-raised p-3 shadow-xl"
          >
            {sheet.cable.legs.length > 1 && (
              <fieldset className="flex gap-2">
                <legend className="sr-only">Which leg</legend>
                {sheet.cable.legs.map((one) => (
                  <button
                    key={one}
                    type="button"
                    aria-pressed={one === leg}
                    onClick={() => setLeg(one)}
                    className={`min-h-12 flex-1 rounded-md border-2 ${one === leg ? "border-ink font-bold" : "border-line"}`}
                  >
                    Leg {one}
                  </button>
                ))}
              </fieldset>
            )}
            {end &&
              AT_END.map((what) => (
                <button
                  key={what}
                  type="button"
                  onClick={() => say(end.id, what)}
                  className="min-h-12 rounded-md border-2 border-line px-3 text-left"
                >
                  {capital(FAULT_SAID[what])}
                </button>
              ))}
            {end && (
              <label className="text-soft text-sm">
                Nick so far behind the fibre end, if you can tell ({units === "in" ? "in" : "mm"})
                <input
                  value={where}
                  onChange={(event) => setWhere(event.target.value)}
                  inputMode="decimal"
                  maxLength={20}
                  aria-invalid={parsed !== null && !parsed.ok}
                  className="mt-1 block min-h-12 w-full rounded-md border border-line bg-field px-3 text-base text-ink"
                />
              </label>
            )}
            {marks.map(({ id, name }) => (
              <button
                key={id}
                type="button"
                onClick={() => say(id, "lost")}
                className="min-h-12 rounded-md border-2 border-line px-3 text-left"
              >
                The {name} is lost
              </button>
            ))}
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {state.faults.map((fault) => (
        <button
          key={`${fault.leg}/${fault.feature}/${fault.what}`}
          type="button"
          onClick={() => onAdd({ kind: "fault", ...fault, on: false })}
          className="min-h-12 rounded-md border-2 border-out px-3 text-sm"
        >
          {capital(FAULT_SAID[fault.what])}
          {fault.leg && `, leg ${fault.leg}`} <span className="text-soft">· take back</span>
        </button>
      ))}
    </div>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
