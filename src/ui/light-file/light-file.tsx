"use client";

import Papa from "papaparse";
import { useState } from "react";
import { v4 as uuid } from "uuid";
import { type LightRow, readLightTable, WAVELENGTHS, type Wavelength } from "@/core";
import { t } from "@/messages/light-file";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { call } from "../http/http";
import { TakeReference } from "../light/take-reference";
import { useReferences } from "../light/use-references";
import { usePrefs } from "../prefs/prefs-context";
import { type MatchedRow, matchRows } from "./match-rows";

type Ends = Parameters<typeof matchRows>[1]["ends"];

/** Light readings from a file: each row held against an end at the bench and today's reference, then stored. */
export function LightFile({ ends }: { readonly ends: Ends }) {
  const [rows, setRows] = useState<readonly LightRow[] | null>(null);
  const [problem, setProblem] = useState("");
  const [wavelength, setWavelength] = useState<Wavelength>(1310);
  const [now, setNow] = useState("");
  const references = useReferences();
  const read = (text: string) => {
    const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: "greedy" });
    const table = readLightTable(data);
    setNow(new Date().toISOString());
    setRows(table.ok ? table.value.rows : null);
    setProblem(table.ok ? "" : table.problem.message);
  };
  const matched = rows && matchRows(rows, { ends, of: references.of, wavelength, now });
  const missing = WAVELENGTHS.find(
    (nm) => !references.of(nm) && rows?.some((row) => (row.wavelength ?? wavelength) === nm),
  );
  return (
    <main className="min-w-0 flex-1 px-4 pb-6 sm:px-6">
      <header className="flex flex-wrap items-center gap-4 py-3">
        <h1 className="mr-auto font-bold text-xl">{t("readings-from-a-file")}</h1>
        <Link href="/bench" className="underline">
          {t("back-to-the-bench")}
        </Link>
      </header>
      <div className="grid max-w-5xl grid-cols-[minmax(0,1fr)] gap-4">
        <p>{t("columns-are-found")}</p>
        <FilePick onText={read} />
        <p role="alert" className="text-out empty:hidden">
          {problem}
        </p>
        {rows?.some((row) => row.wavelength === null) && (
          <Select
            title={t("rows-without-a-wavelength")}
            value={String(wavelength)}
            options={WAVELENGTHS.map((nm) => ({ id: String(nm), name: String(nm) }))}
            onPick={(id) => setWavelength(WAVELENGTHS.find((nm) => String(nm) === id) ?? 1310)}
            className="w-40"
          />
        )}
        {missing && (
          <TakeReference
            key={missing}
            wavelength={missing}
            before={references.newest?.reference ?? null}
            purpose="work"
            onTake={references.take}
          />
        )}
        {matched && (
          <MatchedTable
            matched={matched}
            onSaved={(saved) => {
              for (const nm of WAVELENGTHS) {
                const count = saved.reduce(
                  (sum, { event }) => sum + (event?.reference.wavelength === nm ? event.dBm.length : 0),
                  0,
                );
                if (count > 0) references.use(nm, count);
              }
            }}
          />
        )}
      </div>
    </main>
  );
}

/** A file picked, or its text pasted. */
function FilePick({ onText }: { readonly onText: (text: string) => void }) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      <label className="flex min-h-12 cursor-pointer items-center rounded-lg border-2 border-ink px-4 font-semibold focus-within:outline-3 focus-within:outline-now">
        {t("choose-a-csv-file")}
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv"
          className="sr-only"
          onChange={async ({ target }) => {
            const [file] = target.files ?? [];
            if (file && file.size < 2_000_000) onText(await file.text());
            target.value = "";
          }}
        />
      </label>
      <label className="grid min-w-0 flex-1 basis-72 gap-1">
        <span className="font-semibold">{t("or-paste-it")}</span>
        <textarea
          rows={3}
          maxLength={400_000}
          placeholder={t("example-of-a-file")}
          onChange={({ target }) => target.value.trim() !== "" && onText(target.value)}
          className="rounded-md border border-line bg-raised p-2 font-figure"
        />
      </label>
    </div>
  );
}

interface MatchedTableProps {
  readonly matched: readonly MatchedRow[];
  readonly onSaved: (rows: readonly MatchedRow[]) => void;
}

/** Readings are added whatever came before them. */
const ALL_SEEN = 5_000;

/** Each row with the end it goes to and its loss, and the way to store those that can be. */
function MatchedTable({ matched, onSaved }: MatchedTableProps) {
  const { prefs } = usePrefs();
  const good = matched.filter(({ event }) => event !== null);
  const [saved, setSaved] = useState<ReadonlySet<number>>(new Set());
  const [busy, setBusy] = useState(false);
  const [refused, setRefused] = useState<ReadonlyMap<number, string>>(new Map());
  const save = async () => {
    setBusy(true);
    const done: MatchedRow[] = [];
    for (const each of good) {
      const { row, end, event } = each;
      if (!end || !event || saved.has(row.line)) continue;
      const answer = await call("post /ends/{id}/events", {
        params: { id: end.id },
        body: { client: uuid(), after: ALL_SEEN, events: [{ id: uuid(), event }], by: prefs.person },
      });
      if (answer.ok) {
        done.push(each);
        setSaved((before) => new Set([...before, row.line]));
      } else setRefused((before) => new Map([...before, [row.line, answer.problem.message]]));
    }
    onSaved(done);
    setBusy(false);
  };
  return (
    <>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls must be reached by keys */}
      <section aria-label={t("rows-of-the-file")} tabIndex={0} className="min-w-0 overflow-x-auto">
        <table className="w-full text-left">
          <thead>
            <tr className="text-soft text-sm">
              <th>{t("column-row")}</th>
              <th>{t("column-end")}</th>
              <th>{t("column-wavelength")}</th>
              <th>{t("column-loss")}</th>
              <th>{t("column-result")}</th>
            </tr>
          </thead>
          <tbody>
            {matched.map(({ row, end, event, loss, problem }) => (
              <tr key={row.line} className="border-line border-t">
                <td className="figures py-2 pr-3">{row.line}</td>
                <td className="pr-3">
                  {end ? (
                    <Link href={`/bench/${end.id}`} className="underline">
                      {[end.job, end.label].filter(Boolean).join(" · ") || row.end}
                    </Link>
                  ) : (
                    row.end
                  )}
                </td>
                <td className="figures pr-3">{event?.reference.wavelength ?? row.wavelength ?? ""}</td>
                <td className="figures pr-3 font-bold">
                  {loss &&
                    t("loss-and-u", { loss: decimal(loss.loss.toFixed(2)), u: decimal(loss.u.toFixed(2)) })}
                </td>
                <td className={problem || refused.has(row.line) ? "text-out" : ""}>
                  {refused.get(row.line) || problem || (loss && t("row-verdict", { verdict: loss.verdict }))}
                  {saved.has(row.line) && ` ${t("row-saved")}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <p role="status">{t("so-many-saved", { saved: saved.size, all: good.length })}</p>
      <Button
        look="next"
        disabled={busy || good.length === 0 || saved.size === good.length}
        onClick={save}
        className="justify-self-start"
      >
        {t("save-readings", { count: good.length - saved.size })}
      </Button>
    </>
  );
}
