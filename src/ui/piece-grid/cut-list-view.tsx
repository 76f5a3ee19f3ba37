"use client";

import type { CutGroup } from "@/core";
import { t } from "@/messages/cut-list";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { feetText, metresText, unsaidText } from "../plan/metres";

interface CutListViewProps {
  readonly job: { readonly id: string; readonly name: string };
  readonly groups: readonly CutGroup[];
  /** Names of the shelf's cables, by id. */
  readonly cables: Readonly<Record<string, string>>;
  /** The day it is of, as it is printed. */
  readonly day: string;
}

/** What to cut for a job, to be taped to the reel stand: a box to tick, the length, room for the reel and its marks. */
export function CutListView({ job, groups, cables, day }: CutListViewProps) {
  const pieces = groups.reduce((sum, { lines }) => sum + lines.length, 0);
  return (
    <main className="min-w-0 flex-1 px-4 py-5 sm:px-6 print:p-0">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h1 className="min-w-0 font-bold text-2xl">
          {t("cut-list", { name: job.name })} <span className="font-normal text-base text-soft">{day}</span>
        </h1>
        <p className="mr-auto text-soft">
          {pieces} {pieces === 1 ? "piece" : "pieces"}
        </p>
        <span className="no-print flex gap-2">
          <Button asChild>
            <Link href={`/jobs/${job.id}`}>{t("back-to-the-job")}</Link>
          </Button>
          <Button look="strong" onClick={() => window.print()}>
            {t("print")}
          </Button>
        </span>
      </div>
      {groups.length === 0 && <p className="mt-4 text-lg">{t("no-piece-is-planned-yet-nothing")}</p>}
      {groups.map((group) => (
        <GroupTable key={group.cable} group={group} name={cables[group.cable] ?? group.cable} />
      ))}
      {groups.length > 0 && <CutFoot />}
    </main>
  );
}

function GroupTable({ group: { lines, total }, name }: { group: CutGroup; name: string }) {
  return (
    <section className="mt-5 overflow-x-auto print:overflow-visible" aria-label={name}>
      <table className="w-full min-w-[56rem] table-fixed border-collapse text-left print:min-w-0 print:text-[0.85rem]">
        <caption className="pb-1 text-left font-bold text-lg">
          {name}{" "}
          <span className="figures font-normal text-base">
            {t("m-in-all", { metresText: metresText(total) })}
          </span>
        </caption>
        <thead>
          <tr className="border-ink border-b-2 text-sm">
            <th scope="col" className="w-8 py-1">
              <span className="sr-only">{t("cut")}</span>
            </th>
            <th scope="col" className="w-[22%]">
              {t("piece")}
            </th>
            <th scope="col">{t("from")}</th>
            <th scope="col">{t("to")}</th>
            <th scope="col" className="w-[13%] text-right">
              {t("cut-m")}
            </th>
            <th scope="col" className="w-[12%] pl-3 text-right">
              {t("ft-in")}
            </th>
            <th scope="col" className="w-[12%] pl-4">
              {t("reel")}
            </th>
            <th scope="col" className="w-[16%] pl-3">
              {t("sheath-marks")}
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ id, plan, cut, unsaid, problem }) => (
            <tr key={id} className="break-inside-avoid border-line border-b align-middle">
              <td>
                <span className="inline-block size-5 border-2 border-ink" />
              </td>
              <th scope="row" className="py-2 pr-3">
                {plan.name}
                {(unsaid.length > 0 || problem) && (
                  <span className="block font-normal text-out text-sm">
                    {problem ??
                      t("not-whole-yet", { value: unsaid.map((each) => unsaidText(each, plan)).join("; ") })}
                  </span>
                )}
              </th>
              <td className="pr-3">{plan.sides.A.place}</td>
              <td className="pr-3">{plan.sides.B.place}</td>
              <td className="figures whitespace-nowrap text-right font-bold text-xl">
                {cut === null ? "?" : metresText(cut)}
              </td>
              <td className="figures whitespace-nowrap pl-3 text-right text-inch">
                {cut === null ? "" : feetText(cut)}
              </td>
              <td className="pl-4">
                <span className="block h-6 border-ink border-b" />
              </td>
              <td className="pl-3">
                <span className="flex items-end gap-1">
                  <span className="h-6 flex-1 border-ink border-b" />
                  {t("to-2")}
                  <span className="h-6 flex-1 border-ink border-b" />
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Who cut it, on paper: never by itself on a sheet. */
const CutFoot = () => (
  <dl className="hidden break-before-avoid break-inside-avoid grid-cols-[2fr_2fr_1fr] gap-4 pt-6 print:grid">
    {[t("cut-by"), t("checked-by"), t("date")].map((name) => (
      <div key={name} className="border-ink border-b">
        <dt className="text-[0.75rem] text-soft">{name}</dt>
        <dd className="h-5" />
      </div>
    ))}
  </dl>
);
