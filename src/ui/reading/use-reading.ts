"use client";

import { startTransition, useEffect, useMemo, useRef, useState } from "react";
import { belongsTo, type Check, canBeNegative, judgeCheck, LONGEST_READING, parseLength, um } from "@/core";
import { usePaused } from "../controls/use-paused";
import { textKept, useKept } from "../words/use-kept";
import type { ReadingPanelProps } from "./reading-props";

type Reads = Pick<
  ReadingPanelProps,
  "standing" | "others" | "draft" | "rule" | "units" | "instrument" | "onKeep" | "onTyped" | "onEmptyEnter"
>;

/** What is typed as a reading: which length it is of, and how it would be judged. */
function useTypedReading(
  text: string,
  {
    standing: requested,
    others,
    rule,
    units,
    instrument,
  }: Pick<Reads, "standing" | "others" | "rule" | "units" | "instrument">,
) {
  const either = [requested, ...others].some((checkStanding) => canBeNegative(checkStanding.check));
  const parsed = useMemo(
    () =>
      text.trim() === ""
        ? null
        : parseLength(text, {
            unit: units === "in" ? "in" : "mm",
            max: LONGEST_READING,
            ...(either && { min: um(-LONGEST_READING) }),
          }),
    [text, units, either],
  );
  const written = parsed?.ok ? parsed.value : null;
  const belongs = useMemo(
    () =>
      written
        ? belongsTo(
            [requested, ...others]
              .map((checkStanding) => checkStanding.check)
              .filter((check) => written.length >= 0 || canBeNegative(check)),
            written.length,
          )
        : null,
    [written, requested, others],
  );
  const standing =
    belongs?.kind === "one"
      ? (others.find((checkStanding) => checkStanding.check === belongs.check) ?? requested)
      : requested;
  const doubt = belongs?.kind === "ask" ? belongs.checks : null;
  const { check, readings, other } = standing;
  const typed = useMemo(
    () =>
      written ? judgeCheck(check, [...readings, { value: written.length, instrument }], rule, other) : null,
    [written, check, readings, instrument, rule, other],
  );
  return { parsed, written, standing, doubt, typed };
}

/** A reading being typed: its text, its verdict, and storing it. */
export function useReading({ onKeep, onTyped, onEmptyEnter, ...reads }: Reads) {
  const { standing: requested, others, draft, rule, instrument } = reads;
  const [text, setText] = useKept<string>(`reading/${draft}/${requested.check.id}`, "", textKept);
  const [refusal, setRefusal] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const choices = useRef<HTMLFieldSetElement>(null);
  const { parsed, written, standing, doubt, typed } = useTypedReading(text, reads);
  const { check } = standing;
  const [ahead] = usePaused(
    useMemo(
      () => (written && typed ? { check, value: written.length, judged: typed } : null),
      [written, typed, check],
    ),
    written !== null,
  );
  // The band follows once keys pause: no verdict waits for it.
  useEffect(() => startTransition(() => onTyped(ahead)), [ahead, onTyped]);
  useEffect(() => {
    if (window.matchMedia("(min-width: 640px)").matches) input.current?.focus({ preventScroll: true });
    // Whatever is said above it on a small screen, the field itself is in view.
    input.current?.scrollIntoView({ block: "nearest" });
  }, []);

  const keep = (as?: Check) => {
    if (!parsed) {
      onEmptyEnter?.();
      return;
    }
    if (doubt && !as) {
      choices.current?.querySelector("button")?.focus();
      return;
    }
    if (!parsed.ok || !typed) {
      setRefusal(parsed.ok ? null : parsed.problem.message);
      return;
    }
    const { id, name, resolution, repeatability, bias } = instrument;
    const unit = parsed.value.unit === "in" || parsed.value.unit === "ft" ? "in" : "mm";
    const of = [requested, ...others].find((checkStanding) => checkStanding.check === as) ?? standing;
    const judged = judgeCheck(
      of.check,
      [...of.readings, { value: parsed.value.length, instrument }],
      rule,
      of.other,
    );
    if (!judged) return;
    onKeep(
      {
        kind: "reading",
        check: of.check.id,
        value: parsed.value.length,
        typed: text.trim(),
        unit,
        instrument: { id, name, resolution, repeatability, ...(bias !== undefined && { bias }) },
      },
      judged,
      as !== undefined,
    );
    setText("");
    input.current?.focus();
    setRefusal(null);
  };

  const problem = refusal ?? (parsed && !parsed.ok && text.length > 2 ? parsed.problem.message : null);
  const type = (typing: string) => {
    setText(typing);
    setRefusal(null);
  };
  return { text, type, written, standing, doubt, typed, problem, keep, input, choices };
}
