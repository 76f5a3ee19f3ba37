"use client";
import { useState } from "react";
import type { ClosureCable, Entry } from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { useNewClosure } from "../job/use-new-closure";

interface KeepInJobProps {
  readonly entry: Pick<Entry, "id">;
  readonly cables: readonly ClosureCable[];
  readonly jobs: readonly { readonly id: string; readonly name: string }[];
}

/** Keeps what is planned of an entry as a closure of a job. */
export function KeepInJob({ entry, cables, jobs }: KeepInJobProps) {
  const [job, setJob] = useState(jobs[0]?.id ?? "");
  const [name, setName] = useState("");
  const { problem, submit, clear } = useNewClosure({ job, name, entry: entry.id, cables });
  if (jobs.length === 0)
    return (
      <p className="no-print mt-4 text-soft">
        {t("to-keep-it-and-to-join")}{" "}
        <Link href="/jobs" className="underline">
          {t("begin-a-job")}
        </Link>
        .
      </p>
    );
  return (
    <form
      onSubmit={submit}
      className="no-print mt-6 grid grid-cols-2 items-end gap-3 border-line border-t pt-3"
    >
      <Select title={t("keep-it-in")} value={job} options={jobs} onPick={setJob} className="min-w-0" />
      <Field
        title={t("as")}
        value={name}
        maxLength={200}
        placeholder={t("pad-4")}
        problem={problem}
        onChange={({ target }) => {
          setName(target.value);
          clear();
        }}
      />
      <Button type="submit" className="col-span-2">
        {t("keep-in-the-job")}
      </Button>
    </form>
  );
}
