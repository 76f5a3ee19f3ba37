"use client";

import { useState } from "react";
import { z } from "zod";
import { type Closure, type ClosureCable, zClosurePlan } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";
import { PlanItem } from "./plan-item";
import { useNewClosure } from "./use-new-closure";
import { useTakeOff } from "./use-take-off";

interface ClosuresProps {
  readonly job: string;
  readonly closures: readonly Pick<Closure, "id" | "revision" | "plan">[];
  readonly entries: readonly { readonly id: string; readonly name: string }[];
}

/** The closures of a job: where its pieces are joined. */
export function Closures({ job, closures, entries }: ClosuresProps) {
  return (
    <section aria-labelledby="closures" className="mt-8">
      <h2 id="closures" className="font-bold text-lg">
        {t("closures")}
      </h2>
      {closures.length === 0 && <p className="text-soft">{t("none-yet-a-closure-is-where")}</p>}
      <ul className="divide-y divide-line border-line border-y empty:hidden">
        {closures.map((closure) => (
          <ClosureRow key={closure.id} job={job} closure={closure} entries={entries} />
        ))}
      </ul>
      <AddClosure job={job} entries={entries} />
    </section>
  );
}

const cablesText = (count: number, joined: number): string =>
  count === 0
    ? t("no-cable-yet")
    : `${count} ${count === 1 ? "cable" : "cables"}${joined > 0 ? t("of-this-job-s-pieces", { joined }) : ""}`;

interface ClosureRowProps extends Pick<ClosuresProps, "job" | "entries"> {
  readonly closure: ClosuresProps["closures"][number];
}

function ClosureRow({ job, closure: { id, revision, plan }, entries }: ClosureRowProps) {
  const { prefs } = usePrefs();
  const takeOff = useTakeOff<typeof plan>((basis, next) =>
    call("post /closures/{id}", {
      params: { id },
      body: { basis, plan: next && z.encode(zClosurePlan, next), by: prefs.person },
    }),
  );
  return (
    <PlanItem href={`/jobs/${job}/closures/${id}`} name={plan.name} onTakeOff={() => takeOff(revision, plan)}>
      {entries.find((entry) => entry.id === plan.entry)?.name ?? plan.entry} ·{" "}
      {cablesText(plan.cables.length, plan.cables.filter(({ joins }) => joins !== null).length)}
    </PlanItem>
  );
}

const NO_CABLES: readonly ClosureCable[] = [];

/** Adds a closure with no cable in it yet, and goes to it. */
function AddClosure({ job, entries }: Pick<ClosuresProps, "job" | "entries">) {
  const [name, setName] = useState("");
  const [entry, setEntry] = useState(entries[0]?.id ?? "");
  const { problem, submit, clear } = useNewClosure({ job, name, entry, cables: NO_CABLES });
  return (
    <form onSubmit={submit} className="no-print mt-3 flex max-w-3xl flex-wrap items-end gap-2">
      <Field
        title={t("new-closure")}
        value={name}
        maxLength={200}
        placeholder={t("pad-4")}
        problem={problem}
        onChange={({ target }) => {
          setName(target.value);
          clear();
        }}
        className="min-w-0 flex-1 basis-56"
      />
      <Select
        title={t("entry")}
        value={entry}
        options={entries}
        onPick={setEntry}
        className="min-w-0 flex-1 basis-56"
      />
      <Button type="submit">{t("add")}</Button>
    </form>
  );
}
