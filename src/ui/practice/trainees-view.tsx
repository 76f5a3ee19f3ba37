"use client";

import { Printer } from "lucide-react";
import type { DrillResultRow } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { LocalTime } from "../words/local-time";
import { ProgressLines } from "./progress";
import { practisedFrom } from "./schedule";

interface TraineesViewProps {
  readonly trainees: readonly {
    readonly id: string;
    readonly name: string;
    readonly results: readonly DrillResultRow[];
  }[];
}

const minutesOf = (results: readonly DrillResultRow[]): number =>
  Math.round(results.reduce((sum, { seconds }) => sum + seconds, 0) / 60);

/** A sheet for the trainer of each of the crew: drills done, and the certainty left of them; on screen and paper. */
export function TraineesView({ trainees }: TraineesViewProps) {
  return (
    <main className="min-w-0 flex-1 px-4 py-3 sm:px-6">
      <div className="flex flex-wrap items-center gap-x-4">
        <h1 className="mr-auto font-bold text-2xl">{t("practice-of-the-crew")}</h1>
        <Link href="/practice" className="no-print min-h-11 content-center underline">
          {t("to-the-drills")}
        </Link>
        <Button look="quiet" className="no-print" onClick={() => window.print()}>
          <Printer aria-hidden="true" className="size-4" /> {t("print")}
        </Button>
      </div>
      {trainees.length === 0 && <p className="mt-4 text-lg">{t("nobody-practised")}</p>}
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 xl:grid-cols-2">
        {trainees.map(({ id, name, results }) => (
          <section key={id} aria-label={name} className="min-w-0 break-inside-avoid">
            <h2 className="font-bold text-xl">{name}</h2>
            <p className="text-soft">
              {t("drills-and-minutes", { drills: results.length, minutes: minutesOf(results) })}{" "}
              {results.at(-1) && (
                <>
                  {t("last-drill")} <LocalTime iso={results.at(-1)?.at ?? ""} />
                </>
              )}
            </p>
            <ProgressLines practised={practisedFrom(results)} />
          </section>
        ))}
      </div>
    </main>
  );
}
