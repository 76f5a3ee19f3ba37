"use client";

import { CircleDashed, Cylinder } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { dueParts, type Forgotten, type ProcedurePart, type RunSheet } from "@/core";
import { t } from "@/messages/bench";
import { costWords } from "../advice/advice-words";
import { onControl } from "../aids/on-control";
import { Button } from "../controls/button";
import { ChoiceButton } from "../controls/choice";
import { backToStep } from "../keys/to-step";
import type { Units } from "../words/length-text";
import type { BenchWork } from "../work/use-work";

const listed = (parts: readonly ProcedurePart[]): string => parts.map(({ name }) => name).join(", ");

/** The parts on the cable, at every step: what was said to be on can be said not to be, or to be the wrong way round. */
export function PartsOn({ sheet, work }: { sheet: RunSheet; work: BenchWork }) {
  const [open, setOpen] = useState(false);
  const { state, add, line } = work;
  const due = dueParts(sheet, state);
  if (due.length === 0 || line.step.kind === "thread" || state.signed) return null;
  const on = due.filter(({ id }) => state.threaded.includes(id));
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className={`flex min-h-12 shrink-0 items-center gap-1.5 rounded-md px-2 text-sm ${on.length < due.length ? "font-bold text-out" : "text-soft"}`}
      >
        <Cylinder aria-hidden="true" className="size-5 rotate-90" />
        <span className="sr-only xl:not-sr-only">{on.length < due.length ? t("not-on") : t("parts-on")}</span>{" "}
        <span className="figures">
          {on.length}/{due.length}
        </span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          onCloseAutoFocus={backToStep}
          align="end"
          aria-label={t("parts-on-the-cable")}
          className="z-20 grid max-h-[var(--radix-popover-content-available-height)] w-[min(26rem,calc(100vw-1rem))] gap-2 overflow-y-auto rounded-lg border border-line bg-raised p-3 shadow-xl"
        >
          <p className="text-soft text-sm leading-tight">{t("look-now-in-this-order-from")}</p>
          <ul className="grid gap-2">
            {due
              .map((part) => (
                <li key={part.id} className="flex items-center gap-3">
                  <span className="min-w-0 flex-1 leading-tight">
                    <strong className="block">{part.name}</strong>
                    <span className="text-soft text-sm">{part.way}</span>
                  </span>
                  {state.threaded.includes(part.id) ? (
                    <ChoiceButton
                      aria-label={t("it-is-not-on-or-wrong", { name: part.name })}
                      onClick={() => {
                        add({ kind: "thread", part: part.id, on: false });
                        setOpen(false);
                      }}
                      className="shrink-0 text-sm"
                    >
                      {t("not-on-or-wrong")}
                    </ChoiceButton>
                  ) : (
                    <strong className="text-out text-sm">{t("not-on-2")}</strong>
                  )}
                </li>
              ))
              .reverse()}
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** What a step needs on the cable, and whether the gate says that it is there. */
export function PartsNeeded({ parts }: { parts: readonly { part: ProcedurePart; on: boolean }[] }) {
  if (parts.length === 0) return null;
  return (
    <p className="text-lg">
      {t("needs")}{" "}
      {parts.map(({ part, on }, i) => (
        <span key={part.id}>
          {i > 0 && ", "}
          {part.name}{" "}
          <strong className={on ? "text-in" : "text-out"}>{on ? t("threaded-on") : t("not-on-3")}</strong>
        </span>
      ))}
    </p>
  );
}

/** A part that should be on and is not: how it still goes on, or what it takes to begin again. Enter does it. */
export function ForgottenPart({ sheet, work, units }: { sheet: RunSheet; work: BenchWork; units: Units }) {
  const [missing] = work.forgotten;
  const put = (forgotten: Forgotten) =>
    forgotten.overFace === null ? work.reworkPart(forgotten) : work.threadOver(forgotten);
  useHotkeys("enter", () => missing && put(missing), {
    enabled: missing !== undefined,
    ignoreEventWhen: onControl,
  });
  if (!missing) return null;
  const { part, behind, shutOutBy, overFace } = missing;
  return (
    <section
      role="alert"
      aria-label={t("a-part-is-not-on")}
      className="mb-3 grid gap-2 rounded-lg border-2 border-out bg-raised p-3"
    >
      <h3 className="flex items-center gap-2 font-bold text-xl leading-tight">
        <CircleDashed aria-hidden="true" className="size-6 shrink-0 text-out" strokeWidth={3} />
        {shutOutBy === null || overFace !== null
          ? t("thread-it-on-now", { name: part.name })
          : t("it-no-longer-goes-on", { name: part.name })}
      </h3>
      {shutOutBy === null ? (
        <p className="leading-snug">
          {part.way && `${part.way}. `}
          {behind.length > 0 && (
            <strong>{t("first-take-off-and-put-back", { listed: listed(behind) })} </strong>
          )}
          {bared(sheet, work) && t("mind-the-bare-glass-wipe-it")}
        </p>
      ) : overFace !== null ? (
        <p className="leading-snug">
          {t("it-passes-over-the-cleaved-end")}{" "}
          {behind.length > 0 && (
            <strong>{t("first-take-off-and-put-back", { listed: listed(behind) })}</strong>
          )}
        </p>
      ) : (
        <p className="leading-snug">
          “{sheet.lines[shutOutBy]?.step.title}
          {t("has-shut-it-out", { ifForgotten: part.ifForgotten })}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <ChoiceButton
          tone="go"
          onClick={() => put(missing)}
          aria-keyshortcuts="Enter"
          className="min-h-14 flex-1 py-1"
        >
          {shutOutBy === null
            ? t("it-is-on-now")
            : overFace !== null
              ? t("it-is-on-now-cleave-afresh")
              : t("cut-off-and-begin-again")}
          <span className="block font-normal text-sm">
            {shutOutBy === null
              ? t("no-cable-lost")
              : overFace !== null
                ? t("what-it-costs-is-said-next")
                : costWords(work.restartCost, units)}
            <span className="hidden lg:inline"> {t("enter")}</span>
          </span>
        </ChoiceButton>
        <ChoiceButton
          onClick={() => work.add({ kind: "thread", part: part.id, on: true })}
          className="min-h-14"
        >
          {t("it-is-on-after-all")}
        </ChoiceButton>
      </div>
    </section>
  );
}

/** Whether glass is bare by now: what is threaded over it may touch it. */
const bared = ({ lines }: RunSheet, { state }: BenchWork): boolean =>
  lines.some(({ index, bares }) => index < state.reached && bares.some(({ layer }) => layer === "coating"));

/** Parts that were threaded on in another order than they lie in: said at the gate, and put right by one touch. */
export function OutOfOrder({ work }: { work: BenchWork }) {
  const { misordered } = work;
  const [wrong] = misordered;
  if (!wrong) return null;
  const again = misordered.map(({ part }) => part);
  return (
    <div role="alert" className="mt-2 grid gap-2 rounded-lg border-2 border-unsure p-3">
      <p className="leading-snug">
        <strong>{t("went-on-before", { listed: listed(again), listed2: listed(wrong.after) })}</strong>{" "}
        {t("take-off-what-lies-nearer-the")}
      </p>
      <Button onClick={() => work.putAgain(again.map(({ id }) => id))}>
        {t("done-on-again-in-this-order", { listed: listed(again) })}
      </Button>
    </div>
  );
}
