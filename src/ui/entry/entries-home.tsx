"use client";

import { useState } from "react";
import type { Entry } from "@/core";
import { t } from "@/messages/entry";
import { Field } from "../controls/field";
import { Link } from "../controls/link";
import { PortFace } from "../entry-drawing/port-face";
import { exactMm } from "../words/length-text";
import { entriesFound } from "./entries-found";

const NONE = new Map();

interface EntriesHomeProps {
  readonly entries: readonly Entry[];
  readonly closures: readonly {
    readonly id: string;
    readonly job: string;
    readonly name: string;
    readonly jobName: string;
    readonly open: number | null;
  }[];
}

/** Closures of jobs, each with what is still to be done at it. */
function ClosuresOfJobs({ closures }: Pick<EntriesHomeProps, "closures">) {
  if (closures.length === 0) return null;
  return (
    <section className="mt-6" aria-labelledby="closures-of-jobs">
      <h2 id="closures-of-jobs" className="font-bold text-lg">
        {t("closures-of-jobs")}
      </h2>
      <ul className="divide-y divide-line border-line border-y">
        {closures.map(({ id, job, name, jobName, open }) => (
          <li key={id}>
            <Link
              href={`/jobs/${job}/closures/${id}/work`}
              className="flex min-h-12 flex-wrap items-center gap-x-3"
            >
              <strong>{name}</strong>
              <span className="text-soft">{jobName}</span>
              <span className="ml-auto">{open !== null && t("open-count", { count: open })}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Every entry there is, by its port face; found by its name, its kind, or a cable it closes round. */
export function EntriesHome({ entries, closures }: EntriesHomeProps) {
  const [wanted, setWanted] = useState("");
  const matching = entriesFound(entries, wanted);
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <h1 className="font-bold text-2xl">{t("entry")}</h1>
      <ClosuresOfJobs closures={closures} />
      <h2 className="mt-6 font-bold text-lg">{t("entries-on-the-shelf")}</h2>
      <p className="max-w-prose text-soft">{t("closures-boxes-and-pedestals-which-cable")}</p>
      <div className="mt-3 max-w-xl">
        <Field
          title={t("find-an-entry")}
          value={wanted}
          placeholder={t("dome-pedestal-through-12-5-mm")}
          onChange={({ target }) => setWanted(target.value)}
        />
      </div>
      {matching.length === 0 && (
        <p role="status" className="mt-4 text-lg">
          {t("no-entry-on-the-shelf-answers", { wanted })}
        </p>
      )}
      <ul className="mt-4 grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
        {matching.map((entry) => (
          <li key={entry.id} className="min-w-0">
            <Link
              href={`/entry/${entry.id}`}
              className="grid h-full grid-cols-[7.5rem_minmax(0,1fr)] items-center gap-3 rounded-lg border border-line bg-raised p-3 hover:border-ink"
            >
              <PortFace entry={entry} inPort={NONE} quiet room={120} />
              <span className="min-w-0">
                <span className="block font-bold text-lg">{entry.name}</span>
                <span className="block text-soft text-sm">{entry.about}</span>
                <span className="mt-1 block text-sm">
                  {t("ports", { length: entry.ports.length })}{" "}
                  <span className="figures">
                    {exactMm(Math.min(...entry.ports.map(({ bushedMin }) => bushedMin)))} –{" "}
                    {exactMm(Math.max(...entry.ports.map(({ max }) => max)))}
                  </span>{" "}
                  {t("mm")}
                </span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </main>
  );
}
