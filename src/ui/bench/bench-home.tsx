"use client";

import Link from "next/link";
import type { Purpose } from "@/core";
import { coreText } from "../words/length-text";
import { LocalTime } from "../words/local-time";

interface OpenEnd {
  readonly id: string;
  readonly createdAt: string;
  readonly styleName: string;
  readonly cableName: string;
  readonly job: string;
  readonly label: string;
  readonly batchId: string | null;
  readonly purpose: Purpose;
  readonly picked: { readonly core: string };
}

/** Ends by themselves, and those of one batch as one. */
function grouped(ends: readonly OpenEnd[]): { readonly first: OpenEnd; readonly count: number }[] {
  const counts = new Map<string, number>();
  for (const { batchId } of ends) if (batchId) counts.set(batchId, (counts.get(batchId) ?? 0) + 1);
  return ends
    .filter((end, i) => !end.batchId || ends.findIndex(({ batchId }) => batchId === end.batchId) === i)
    .map((first) => ({ first, count: first.batchId ? (counts.get(first.batchId) ?? 1) : 1 }));
}

/** Ends begun and not signed off: each goes on where it was. */
export function BenchHome({ ends }: { ends: readonly OpenEnd[] }) {
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="mr-auto font-bold text-2xl">On the bench</h1>
        <Link href="/" className="flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now">
          Start from a sheet
        </Link>
      </div>
      {ends.length === 0 ? (
        <p className="mt-6 max-w-prose text-lg">
          No end is half done. Pick a cable and a connector on a sheet, then take it to the bench.
        </p>
      ) : (
        <ul className="mt-4 grid gap-2 lg:grid-cols-2">
          {grouped(ends).map(
            ({
              first: { id, batchId, createdAt, styleName, cableName, job, label, picked, purpose },
              count,
            }) => (
              <li key={id} className="min-w-0">
                <Link
                  href={batchId ? `/bench/batch/${batchId}` : `/bench/${id}`}
                  className="block min-h-16 rounded-lg border border-line bg-raised px-4 py-2 hover:border-ink"
                >
                  <span className="block truncate font-bold text-lg">
                    {batchId
                      ? `${[job, `batch, ${count} at the bench`].filter(Boolean).join(" · ")}`
                      : [job, label].filter(Boolean).join(" · ") || "Not named yet"}
                  </span>
                  <span className="block truncate text-soft">
                    {purpose === "practice" && <strong>Practice · </strong>}
                    {styleName} · {cableName} · {coreText(picked.core)} · begun <LocalTime iso={createdAt} />
                  </span>
                </Link>
              </li>
            ),
          )}
        </ul>
      )}
    </main>
  );
}
