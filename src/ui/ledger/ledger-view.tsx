"use client";

import { ChevronLeft, ChevronRight, Crosshair } from "lucide-react";
import type { Result } from "@/core";
import { t } from "@/messages/ledger";
import { longDay } from "@/messages/numbers";
import { ThumbTextures } from "../band/end-thumb";
import type { Thumb } from "../band/thumb";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { PageLink } from "../controls/page-link";
import { DayPicture } from "./day-picture";
import { ExportMenu } from "./export-menu";
import { FilterMenu, hrefOf } from "./filter-menu";
import { type LedgerLine, LedgerRow } from "./ledger-row";
import { LedgerSum } from "./ledger-sum";

interface LedgerViewProps {
  readonly page: {
    readonly rows: readonly LedgerLine[];
    readonly count: number;
    readonly styles: readonly { style: string; styleName: string }[];
    readonly next: string | null;
    readonly thumbs: readonly Thumb[];
    readonly sum: {
      readonly ends: number;
      readonly results: Readonly<Partial<Record<Result, number>>>;
      readonly inAgain: number;
      readonly inFirst: number;
      readonly cableLost: number;
    };
    readonly day:
      | (Parameters<typeof DayPicture>[0] & {
          readonly day: string;
          readonly before: string | null;
          readonly after: string | null;
        })
      | null;
  };
  readonly query: Readonly<Record<string, string>>;
  readonly problem: string | null;
  /** Today in UTC, `2026-11-30`. */
  readonly today: string;
}

/** The record: every end signed off, newest first, with the day it was made drawn along its hours. */
export function LedgerView({ page, query, problem, today }: LedgerViewProps) {
  const { rows, count, styles, next, thumbs, sum, day } = page;
  const { before: _, ...filter } = query;
  const practice = filter.purpose === "practice";
  const oneDay = dayOf(filter);
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <LedgerHeader filter={filter} styles={styles} day={day} today={today} />
      {practice && <p className="mt-2 max-w-prose text-soft">{t("ends-made-for-practice-kept-apart")}</p>}
      {problem && (
        <p role="alert" className="mt-4 rounded-lg border-2 border-out px-4 py-3 font-semibold">
          {t("all-ends-are-shown", { problem })}
        </p>
      )}
      {rows.length === 0 ? (
        <Empty filtered={Object.keys(filter).length > 0} />
      ) : (
        <>
          <LedgerSum sum={{ ...sum, ends: count }} />
          {day && (
            <section aria-label={longDay(day.day)} className="-mx-4 mt-3 sm:-mx-6">
              {!oneDay && (
                <h2 className="px-4 pb-1 sm:px-6">
                  <Link
                    href={onDay(filter, day.day)}
                    className="underline decoration-line underline-offset-4"
                  >
                    {longDay(day.day)}
                  </Link>
                </h2>
              )}
              <DayPicture people={day.people} more={day.more} />
            </section>
          )}
          <ThumbTextures />
          <table className="mt-3 w-full border-collapse text-left">
            <caption className="sr-only">{t("ends-on-record-newest-first")}</caption>
            <LedgerHead />
            <tbody>
              {rows.map((row) => (
                <LedgerRow key={row.id} row={row} thumb={thumbs[row.thumb]} oneDay={oneDay !== null} />
              ))}
            </tbody>
          </table>
        </>
      )}
      <nav aria-label={t("pages")} className="mt-4 flex gap-3">
        {query.before && <PageLink href={hrefOf(filter)} name={t("newest")} />}
        {next && <PageLink href={hrefOf({ ...filter, before: next })} name={t("older")} />}
      </nav>
    </main>
  );
}

type Filter = LedgerViewProps["query"];

/** The day a filter is of; null where it is of more, or of all. */
const dayOf = ({ from, to }: Filter): string | null => (from !== undefined && from === to ? from : null);

const onDay = (filter: Filter, day: string): string => hrefOf({ ...filter, from: day, to: day });

interface LedgerHeaderProps {
  readonly filter: Filter;
  readonly styles: LedgerViewProps["page"]["styles"];
  readonly day: LedgerViewProps["page"]["day"];
  readonly today: string;
}

function LedgerHeader({ filter, styles, day, today }: LedgerHeaderProps) {
  const oneDay = dayOf(filter);
  const { from: _, to: __, ...rest } = filter;
  const practice = filter.purpose === "practice";
  const href = (at: string) => onDay(filter, at);
  return (
    <header className="flex flex-wrap items-center gap-x-3 gap-y-2">
      {day && <DayStep to={oneDay ? day.before : day.day} href={href} back />}
      <h1 className="font-bold text-2xl">
        {oneDay ? longDay(oneDay) : practice ? t("practice") : t("ledger")}
      </h1>
      {day && oneDay && <DayStep to={day.after} href={href} />}
      <div className="mr-auto min-w-0 max-w-full">
        <FilterMenu query={filter} styles={styles} today={today} />
      </div>
      <nav aria-label={t("of-the-record")} className="flex flex-wrap items-center gap-2">
        {oneDay && (
          <Button asChild look="link">
            <Link href={hrefOf(rest)}>{t("all-days")}</Link>
          </Button>
        )}
        <Button asChild look="link">
          <Link href="/ledger/yield">{t("yield")}</Link>
        </Button>
        <Button asChild look="link">
          <Link href="/ledger/aim">
            <Crosshair aria-hidden="true" className="size-5" /> {t("aim")}
          </Link>
        </Button>
        <Button asChild look="link">
          <Link href={practice ? "/ledger" : "/ledger?purpose=practice"}>
            {practice ? t("ledger") : t("practice")}
          </Link>
        </Button>
        <ExportMenu filter={filter} />
      </nav>
    </header>
  );
}

const HEADS = [
  ["hidden lg:table-cell", () => ""],
  ["px-2 sm:pl-0", () => t("end")],
  ["px-2 max-sm:w-8", () => t("result")],
  ["hidden px-2 lg:table-cell", () => t("closest-to-its-limits")],
  ["hidden px-2 md:table-cell", () => t("loss-db")],
  ["hidden px-2 sm:table-cell", () => t("column-by")],
  ["hidden px-2 pr-0 text-right sm:table-cell", () => t("when")],
] as const;

const LedgerHead = () => (
  <thead className="text-soft text-sm">
    <tr>
      {HEADS.map(([look, head], i) =>
        i === 0 ? (
          <td key={look} className={look} />
        ) : (
          <th key={look} scope="col" className={`py-1.5 font-semibold ${look}`}>
            {i === 2 ? <span className="max-sm:sr-only">{head()}</span> : head()}
          </th>
        ),
      )}
    </tr>
  </thead>
);

interface DayStepProps {
  /** The day it goes to; null where there is none. */
  readonly to: string | null;
  readonly href: (day: string) => string;
  readonly back?: boolean;
}

/** Goes to the day before or after with an end on record. */
function DayStep({ to, href, back = false }: DayStepProps) {
  const Icon = back ? ChevronLeft : ChevronRight;
  const look = "inline-flex size-11 items-center justify-center rounded-md";
  if (to === null) return <Icon aria-hidden="true" className={`${look} p-2.5 opacity-30`} />;
  return (
    <Link
      href={href(to)}
      aria-label={t("to-the-day", { day: longDay(to) })}
      className={`${look} hover:bg-raised`}
    >
      <Icon aria-hidden="true" className="size-6" />
    </Link>
  );
}

function Empty({ filtered }: { filtered: boolean }) {
  return (
    <div className="mt-6 text-lg">
      <p>{filtered ? t("no-end-on-record-is-like") : t("no-end-is-on-record-yet")}</p>
      <Link
        href={filtered ? "/ledger" : "/"}
        className="mt-3 inline-flex min-h-12 items-center rounded-lg bg-now px-5 font-bold text-on-now"
      >
        {filtered ? t("show-all") : t("pick-a-cable")}
      </Link>
    </div>
  );
}
