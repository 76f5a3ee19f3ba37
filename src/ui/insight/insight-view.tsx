"use client";

import { Download, Printer } from "lucide-react";
import type { Insight } from "@/core";
import { t } from "@/messages/insight";
import { Button } from "../controls/button";
import { FilterMenu } from "../ledger/filter-menu";
import { BladesCard } from "./blades";
import { Card } from "./card";
import { Moved } from "./moved";
import { SharedCauses } from "./shared-causes";
import { WeekCard } from "./week";
import { WhichWay } from "./which-way";
import { WhoNeeds } from "./who-needs";

interface InsightViewProps {
  readonly insight: Insight;
  readonly people: Parameters<typeof WhoNeeds>[0]["people"];
  /** The filter: the ledger's own. */
  readonly query: Readonly<Record<string, string>>;
  readonly styles: Parameters<typeof FilterMenu>[0]["styles"];
  readonly today: string;
}

/** Questions to the record, each answered in a sentence with its picture. */
export function InsightView({ insight, people, query, styles, today }: InsightViewProps) {
  const { ends, runs, ways, weeks, blades } = insight;
  const isFiltered = Object.keys(query).length > 0;
  return (
    <main className="min-w-0 flex-1">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-line border-b px-4 py-3 sm:px-6">
        <h1 className="font-bold text-2xl">{t("insight")}</h1>
        <p className="text-soft">{t("from-ends", { ends })}</p>
        <div className="no-print mr-auto min-w-0 max-w-full">
          <FilterMenu query={query} styles={styles} today={today} path="/insight" />
        </div>
        <Button asChild className="no-print">
          <a href={`/api/v1/insight?${new URLSearchParams({ ...query, format: "csv" })}`}>
            <Download aria-hidden="true" className="size-4" /> {t("csv")}
          </a>
        </Button>
        <Button className="no-print" onClick={() => window.print()}>
          <Printer aria-hidden="true" className="size-4" /> {t("print")}
        </Button>
      </header>
      {ends === 0 ? (
        <p className="px-4 py-5 text-lg sm:px-6">{isFiltered ? t("no-ends-here") : t("no-ends-yet")}</p>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)] xl:grid-cols-[minmax(0,5fr)_minmax(0,4fr)]">
          <div className="min-w-0 divide-y divide-line border-line bg-raised xl:border-r">
            <WhichWay ways={ways} />
            <BladesCard blades={blades} />
            <WeekCard weeks={weeks} />
          </div>
          <div className="min-w-0 divide-y divide-line">
            <SharedCauses {...insight} />
            <Moved runs={runs} />
            <Card question={t("who-question")}>
              <WhoNeeds people={people} />
            </Card>
          </div>
        </div>
      )}
    </main>
  );
}
