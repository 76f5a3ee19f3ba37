"use client";

import { Popover } from "radix-ui";
import { useState } from "react";
import { NAME_PARTS, nameBy, patternProblem } from "@/core";
import { t } from "@/messages/batch";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import type { BatchWork } from "./use-batch";

/** Every end of the batch named at once, by a pattern; what it comes to is shown before it is taken. */
export function NameEnds({ batch }: { batch: BatchWork }) {
  const { members, states } = batch;
  const [open, setOpen] = useState(false);
  const [pattern, setPattern] = useState("fibre {n}, {colour}");
  const [job, setJob] = useState(states[0]?.job ?? "");
  const problem = patternProblem(pattern, members.length);
  const names = members.map((_, place) => nameBy(pattern, place));
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className="min-h-14 rounded-lg border-2 border-ink px-5 font-semibold">
        {t("name-the-ends")}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          aria-label={t("name-the-ends")}
          className="z-20 w-[min(28rem,calc(100vw-1rem))] rounded-lg border border-line bg-raised p-4 shadow-xl"
        >
          <form
            className="grid gap-3"
            onSubmit={async (event) => {
              event.preventDefault();
              if (problem === null && (await batch.nameAll(job.trim(), names))) setOpen(false);
            }}
          >
            <Field title={t("job-optional")} value={job} onChange={setJob} />
            <Field
              title={t("each-end-with", { value: NAME_PARTS.join(", ") })}
              value={pattern}
              onChange={setPattern}
            />
            <p role="status" className={`leading-tight ${problem ? "text-out" : "text-soft"}`}>
              {problem ?? `${names.slice(0, 2).join(" · ")} … ${names.at(-1)}`}
            </p>
            <Button look="strong" type="submit" disabled={problem !== null}>
              {t("name-all", { length: members.length })}
            </Button>
          </form>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Field({
  title,
  value,
  onChange,
}: {
  title: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className="grid gap-1">
      <span className="text-sm text-soft">{title}</span>
      <Input
        value={value}
        onChange={(event) => onChange(event.target.value)}
        maxLength={120}
        autoComplete="off"
      />
    </label>
  );
}
