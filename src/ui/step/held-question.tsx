"use client";

import { useEffect } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { t } from "@/messages/bench";
import { onControl } from "../aids/on-control";
import { ChoiceButton } from "../controls/choice";
import type { BenchWork } from "../work/use-work";

interface HeldQuestionProps {
  readonly held: NonNullable<BenchWork["held"]>;
  readonly onLet: () => void;
}

const USUAL = { read: t("read-it"), answer: t("answer-it"), wait: t("wait-for-it") } as const;

/** What the step still asks for, asked once: the usual way by Enter, past it by Space again. */
export function HeldQuestion({ held: { message, usual }, onLet }: HeldQuestionProps) {
  const take = () => {
    onLet();
    const first =
      usual === "read"
        ? document.getElementById("reading")
        : document.querySelector<HTMLElement>("main fieldset[data-look] button");
    if (usual === "read" || usual === "answer") first?.focus();
  };
  // The question takes room from the step: the field to read into stays in view above it.
  useEffect(() => {
    document.getElementById("reading")?.scrollIntoView({ block: "nearest" });
  }, []);
  useHotkeys("enter", take, { enabled: usual !== null, ignoreEventWhen: onControl, preventDefault: true });
  return (
    <div role="alert" className="flex flex-wrap items-center gap-2 leading-tight">
      <p className="min-w-48 flex-1">
        <strong className="text-unsure">{message}</strong> {t("again-passes-it-by-it-stays")}
      </p>
      {usual && (
        <ChoiceButton onClick={take} aria-keyshortcuts="Enter" tone="now" className="font-bold">
          {USUAL[usual]} <span className="hidden font-normal lg:inline">{t("enter")}</span>
        </ChoiceButton>
      )}
    </div>
  );
}
