"use client";

import { Crosshair, Download } from "lucide-react";
import { RESULTS, type Result } from "@/core";
import { t } from "@/messages/ledger";
import { EndThumb, ThumbTextures } from "../band/end-thumb";
import type { Thumb } from "../band/thumb";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { PageLink } from "../controls/page-link";
import { Select } from "../controls/select";
import { LocalTime } from "../words/local-time";
import { VerdictSign } from "../words/verdict-sign";
import { RESULT_WORDS } from "../words/verdict-words";
import { PdfButton } from "./pdf-button";

interface Row {
  readonly id: string;
  readonly styleName: string;
  readonly cableName: string;
  readonly job: string;
  readonly label: string;
  readonly result: Result | null;
  readonly signedBy: string | null;
  readonly signedAt: string | null;
  /** What was picked of the style, by name: its interface first. */
  readonly as: readonly string[];
  /** Which of the page's small ends it is. */
  readonly thumb: number;
}

interface LedgerViewProps {
  readonly page: {
    readonly rows: readonly Row[];
    readonly count: number;
    readonly styles: readonly { style: string; styleName: string }[];
    readonly next: string | null;
    readonly thumbs: readonly Thumb[];
  };
  readonly query: Readonly<Record<string, string>>;
  readonly problem: string | null;
}

/** The record: every end signed off, newest first. */
export function LedgerView({ page: { rows, count, styles, next, thumbs }, query, problem }: LedgerViewProps) {
  const { before: _, ...filter } = query;
  const asFile = (format: string) => `/api/v1/ledger?${new URLSearchParams({ ...filter, format })}`;
  const practice = filter.purpose === "practice";
  const filtered = Object.keys(filter).length > 0;
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-bold text-2xl">
          {practice ? t("practice") : t("ledger")}{" "}
          <span className="font-normal text-lg text-soft">{count === 1 ? t("1-end") : `${count} ends`}</span>
        </h1>
        <Filters query={filter} styles={styles} />
        <FileLink href={asFile("csv")} name="CSV" />
        <FileLink href={asFile("json")} name="JSON" />
        <PdfButton href={asFile("pdf")} />
        <Button asChild look="quiet">
          <Link href="/ledger/yield">{t("yield")}</Link>
        </Button>
        <Link
          href="/ledger/aim"
          className="inline-flex min-h-12 items-center gap-2 rounded-lg border border-line px-4 font-semibold"
        >
          <Crosshair aria-hidden="true" className="size-5" /> {t("aim")}
        </Link>
        <Button asChild look="quiet">
          <Link href={practice ? "/ledger" : "/ledger?purpose=practice"}>
            {practice ? t("ledger") : t("practice")}
          </Link>
        </Button>
      </div>
      {practice && <p className="mt-2 max-w-prose text-soft">{t("ends-made-for-practice-kept-apart")}</p>}
      {problem && (
        <p role="alert" className="mt-4 rounded-lg border-2 border-out px-4 py-3 font-semibold">
          {t("all-ends-are-shown", { problem })}
        </p>
      )}
      {rows.length === 0 ? (
        <Empty filtered={filtered} />
      ) : (
        <>
          <ThumbTextures />
          <table className="mt-4 w-full border-collapse text-left">
            <caption className="sr-only">{t("ends-on-record-newest-first")}</caption>
            <thead className="text-soft text-sm">
              <tr>
                <th scope="col" className="py-1.5 pr-2 font-semibold max-sm:w-8">
                  <span className="max-sm:sr-only">{t("result")}</span>
                </th>
                <th scope="col" className="px-2 font-semibold">
                  {t("end")}
                </th>
                <th scope="col" className="hidden px-2 font-semibold md:table-cell">
                  {t("style-and-cable")}
                </th>
                <th scope="col" className="hidden px-2 font-semibold sm:table-cell">
                  {t("signed-off-by")}
                </th>
                <th scope="col" className="hidden px-2 text-right font-semibold sm:table-cell">
                  {t("when")}
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <LedgerRow key={row.id} row={row} thumb={thumbs[row.thumb]} />
              ))}
            </tbody>
          </table>
        </>
      )}
      <nav aria-label={t("pages")} className="mt-4 flex gap-3">
        {query.before && <PageLink href={`/ledger?${new URLSearchParams(filter)}`} name={t("newest")} />}
        {next && (
          <PageLink href={`/ledger?${new URLSearchParams({ ...filter, before: next })}`} name={t("older")} />
        )}
      </nav>
    </main>
  );
}

function LedgerRow({
  row: { id, styleName, cableName, job, label, result, signedBy, signedAt, as },
  thumb,
}: {
  row: Row;
  thumb: Thumb | undefined;
}) {
  const verdict = result ?? "unmeasured";
  return (
    <tr className="border-line border-t hover:bg-raised">
      <td className="whitespace-nowrap py-2 pr-2">
        <span className="inline-flex items-center gap-2">
          <EndThumb thumb={thumb} className="hidden w-28 lg:block" />
          <VerdictSign verdict={verdict} /> <span className="max-sm:sr-only">{RESULT_WORDS[verdict]}</span>
        </span>
      </td>
      <th scope="row" className="max-w-64 px-2 font-semibold">
        <Link
          href={`/ledger/${id}`}
          className="block min-h-6 wrap-anywhere underline decoration-line underline-offset-4 hover:decoration-ink"
        >
          {[job, label].filter(Boolean).join(" · ") || t("not-named")}
        </Link>
        <span className="block font-normal text-soft text-sm md:hidden">
          {[styleName, ...as].join(" · ")} · {cableName}
        </span>
        {signedAt && (
          <span className="block font-normal text-soft text-sm sm:hidden">
            {signedBy}, <LocalTime iso={signedAt} />
          </span>
        )}
      </th>
      <td className="hidden px-2 md:table-cell">
        {[styleName, ...as].join(" · ")} <span className="text-soft">{t("on", { cableName })}</span>
      </td>
      <td className="hidden max-w-48 wrap-anywhere px-2 sm:table-cell">{signedBy}</td>
      <td className="hidden px-2 text-right text-soft sm:table-cell">
        {signedAt && <LocalTime iso={signedAt} />}
      </td>
    </tr>
  );
}

function Filters({
  query,
  styles,
}: {
  query: Readonly<Record<string, string>>;
  styles: readonly { style: string; styleName: string }[];
}) {
  const select = "min-h-12 rounded-lg border border-line bg-raised px-3";
  return (
    <search>
      <form className="flex flex-wrap items-end gap-2" action="/ledger">
        {query.purpose && <input type="hidden" name="purpose" value={query.purpose} />}
        <label className="grid text-sm text-soft">
          {t("find")}
          <input
            type="search"
            name="find"
            defaultValue={query.find ?? ""}
            maxLength={200}
            placeholder={t("job-end-person-style")}
            className={`${select} w-56 text-base text-ink placeholder:text-soft`}
          />
        </label>
        {(["from", "to"] as const).map((name) => (
          <label key={name} className="grid text-sm text-soft">
            {name === "from" ? t("from") : t("to")}
            <input
              type="date"
              name={name}
              defaultValue={query[name] ?? ""}
              className={`${select} text-base text-ink`}
            />
          </label>
        ))}
        <Select
          title={t("result")}
          small
          name={t("result-2")}
          start={query.result ?? ""}
          empty={t("any")}
          options={RESULTS.map((id) => ({ id, name: RESULT_WORDS[id] }))}
          className="min-w-36"
        />
        <Select
          title={t("style")}
          small
          name={t("style-2")}
          start={query.style ?? ""}
          empty={t("any")}
          options={styles.map(({ style, styleName }) => ({ id: style, name: styleName }))}
          className="min-w-36"
        />
        <Button type="submit">{t("show")}</Button>
      </form>
    </search>
  );
}

function FileLink({ href, name }: { href: string; name: string }) {
  return (
    <a
      href={href}
      download={`arlent-ledger.${name.toLowerCase()}`}
      className="flex min-h-12 items-center gap-2 rounded-lg border border-line px-3"
    >
      <Download aria-hidden="true" className="size-4" /> {name}
    </a>
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
