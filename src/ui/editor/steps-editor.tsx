"use client";

import { useState } from "react";
import type { ProcedureDocument } from "@/core";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";
import { TextField } from "./field";
import { RowButtons } from "./row-buttons";

type Step = ProcedureDocument["steps"][number];

interface StepsEditorProps {
  readonly document: ProcedureDocument;
  readonly onChange: (field: string, steps: Step[]) => void;
}

/** Steps that need nothing but words: those that can be put in here. */
const PLAIN = [
  "clean",
  "load",
  "insert",
  "actuate",
  "crimp",
  "cure",
  "heat",
  "cool",
  "dress",
  "cap",
] as const;

/** The order of work: what each step is called, what to do, how long. */
export function StepsEditor({ document: { steps }, onChange }: StepsEditorProps) {
  const put = (i: number, field: string, changes: Partial<Step>) =>
    onChange(
      `${steps[i]?.id}/${field}`,
      steps.map((step, n) => (n === i ? Object.assign({}, step, changes) : step)),
    );
  const add = (kind: (typeof PLAIN)[number]) => {
    let n = 1;
    while (steps.some(({ id }) => id === `${kind}-${n}`)) n += 1;
    const fresh: Step = {
      id: `${kind}-${n}`,
      kind,
      title: kind.charAt(0).toUpperCase() + kind.slice(1),
      how: "",
    };
    const last = steps.findLastIndex((step) => step.kind !== "dispose");
    onChange("add", [...steps.slice(0, last + 1), fresh, ...steps.slice(last + 1)]);
  };
  const setSeconds = (i: number, side: "min" | "max", value: number) => {
    const now = steps[i]?.seconds ?? { min: 0, max: 0 };
    const next =
      side === "min"
        ? { min: value, max: Math.max(value, now.max) }
        : { min: Math.min(now.min, value), max: value };
    put(i, "seconds", { seconds: next.max === 0 ? undefined : next });
  };
  return (
    <>
      <ol className="divide-y divide-line border-line border-y">
        {steps.map((step, i) => (
          <li key={step.id} className="grid items-end gap-2 py-2 md:grid-cols-[2rem_2fr_4fr_5rem_5rem_auto]">
            <span className="figures self-center text-soft">{i + 1}</span>
            <TextField
              label={step.kind.replaceAll("-", " ")}
              value={step.title}
              most={200}
              onChange={(title) => put(i, "title", { title })}
            />
            <TextField
              label={t("what-to-do")}
              value={step.how ?? ""}
              most={600}
              lines={2}
              onChange={(how) => put(i, "how", { how })}
            />
            {(["min", "max"] as const).map((side) => (
              <span key={side} className="grid gap-0.5">
                <span className="text-soft text-sm">{side === "min" ? t("s-from") : t("s-to")}</span>
                <SecondsField
                  label={t("seconds", {
                    title: step.title,
                    value: side === "min" ? t("at-least") : t("at-most"),
                  })}
                  value={step.seconds?.[side] ?? null}
                  onChange={(seconds) => setSeconds(i, side, seconds)}
                />
              </span>
            ))}
            <RowButtons name={step.title} list={steps} at={i} onChange={(next) => onChange("order", next)} />
          </li>
        ))}
      </ol>
      <p className="mt-3 flex flex-wrap items-center gap-2">
        <span className="text-soft">{t("put-in")}</span>
        {PLAIN.map((kind) => (
          <Button look="quiet" key={kind} onClick={() => add(kind)} className="font-semibold">
            {kind}
          </Button>
        ))}
      </p>
      <p className="mt-2 max-w-prose text-soft">{t("a-length-more-is-added-under")}</p>
    </>
  );
}

/** A time in whole seconds, none where it is empty; what cannot be read is shown beside it and changes nothing. */
function SecondsField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | null;
  onChange: (seconds: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? (value === null ? "" : String(value));
  const type = (next: string) => {
    const seconds = next.trim() === "" ? 0 : Number(next);
    const reads = Number.isInteger(seconds) && seconds >= 0 && seconds <= A_DAY;
    setTyped(reads ? null : next);
    if (reads) onChange(seconds);
  };
  return (
    <>
      <input
        inputMode="numeric"
        aria-label={label}
        value={text}
        maxLength={12}
        aria-invalid={typed !== null}
        onChange={(event) => type(event.target.value)}
        className={`figures min-h-12 w-full rounded-md border bg-field px-2 ${typed === null ? "border-line" : "border-2 border-out"}`}
      />
      {typed !== null && <span className="text-out text-sm">{t("whole-seconds-at-most-a-day")}</span>}
    </>
  );
}

const A_DAY = 86_400;
