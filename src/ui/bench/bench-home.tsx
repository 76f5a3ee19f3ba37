"use client";

import type { z } from "zod";
import type { zBenchAnswer } from "@/core";
import { Link } from "../controls/link";
import { PageLink } from "../controls/page-link";
import { coreText } from "../words/length-text";
import { LocalTime } from "../words/local-time";

interface BenchHomeProps extends z.output<typeof zBenchAnswer> {
  /** Whether it is not the newest page. */
  readonly further: boolean;
}

/** Ends begun and not signed off: each goes on where it was. */
export function BenchHome({ rows, count: all, next, further }: BenchHomeProps) {
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto font-bold text-2xl">On the bench</h1>
        <Link href="/" className="flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now">
          Start from a sheet
        </Link>
      </div>
      {rows.length === 0 ? (
        <p className="mt-6 max-w-prose text-lg">
          No end is half done. Pick a cable and a connector on a sheet, then take it to the bench.
        </p>
      ) : (
        <ul className="mt-4 grid gap-2 lg:grid-cols-2">
          {rows.map(({ id, batch, createdAt, styleName, cableName, job, label, core, purpose, count }) => (
            <li key={id} className="min-w-0">
              <Link
                href={batch ? `/bench/batch/${batch}` : `/bench/${id}`}
                className="block min-h-16 rounded-lg border border-line bg-raised px-4 py-2 hover:border-ink"
              >
                <span className="block truncate font-bold text-lg">
                  {batch
                    ? `${[job, `batch, ${count} at the bench`].filter(Boolean).join(" · ")}`
                    : [job, label].filter(Boolean).join(" · ") || "Not named yet"}
                </span>
                <span className="block truncate text-soft">
                  {purpose === "practice" && <strong>Practice · </strong>}
                  {styleName} · {cableName} · {coreText(core)} · begun <LocalTime iso={createdAt} />
                </span>
              </Link>
            </li>
          ))}
        </ul>
      )}
      {(further || next) && (
        <nav aria-label="Pages" className="mt-4 flex items-center gap-3">
          {further && <PageLink href="/bench" name="Newest" />}
          {next && <PageLink href={`/bench?${new URLSearchParams({ before: next })}`} name="Older" />}
          <span className="text-soft">{all} ends at the bench</span>
        </nav>
      )}
    </main>
  );
}
