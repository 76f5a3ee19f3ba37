"use client";

import { Printer } from "lucide-react";
import { useRouter } from "next/navigation";
import type { YieldRow } from "@/core";
import { t } from "@/messages/yield";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";

interface YieldViewProps {
  readonly by: string;
  readonly rows: readonly YieldRow[];
}

const GROUPS = [
  { id: "style", name: t("by-style") },
  { id: "person", name: t("by-person") },
  { id: "interface", name: t("by-interface") },
  { id: "cleaver", name: t("by-cleaver") },
  { id: "cleaver-place", name: t("by-cleaver-place") },
  { id: "lot", name: t("by-lot") },
  { id: "adhesive", name: t("by-adhesive") },
  { id: "week", name: t("by-week") },
  { id: "day", name: t("by-day") },
];

const BESIDE: Readonly<Record<YieldRow["beside"], () => string>> = {
  worse: () => t("worse"),
  better: () => t("better"),
  alike: () => t("alike"),
};

/** Yield on record by groups: shares with their intervals, told apart only where they do not overlap. */
export function YieldView({ by, rows }: YieldViewProps) {
  const router = useRouter();
  return (
    <main className="min-w-0 flex-1 px-4 py-4 sm:px-6">
      <p className="text-soft">
        <Link href="/ledger" className="underline">
          {t("back")}
        </Link>
      </p>
      <header className="flex flex-wrap items-end gap-4">
        <h1 className="mr-auto font-bold text-2xl">{t("yield")}</h1>
        <Select
          title={t("by")}
          value={by}
          options={GROUPS}
          onPick={(id) => router.push(`/ledger/yield?${new URLSearchParams({ by: id })}`)}
          className="no-print w-48"
        />
        <Button className="no-print" onClick={() => window.print()}>
          <Printer aria-hidden="true" className="size-4" /> {t("print")}
        </Button>
      </header>
      <p className="mt-2 max-w-3xl text-soft">{t("about")}</p>
      {rows.length === 0 ? (
        <p className="mt-4 text-lg">{t("none")}</p>
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls must be reached by keys
        <section aria-label={t("yield")} tabIndex={0} className="mt-4 overflow-x-auto">
          <table className="w-full min-w-160 text-left">
            <thead>
              <tr className="text-soft text-sm">
                <th className="pr-3">{t("group")}</th>
                <th colSpan={2}>{t("first")}</th>
                <th className="pl-3">{t("last")}</th>
                <th className="pl-3">{t("beside")}</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row key={row.name} row={row} />
              ))}
            </tbody>
          </table>
        </section>
      )}
    </main>
  );
}

const percent = (share: number): number => Math.round(share * 100);

function Row({ row: { name, first, last, pooled, beside } }: { row: YieldRow }) {
  const between = t("share-between", { least: percent(first.least), most: percent(first.most) });
  return (
    <tr className="border-line border-t">
      <th scope="row" className="py-3 pr-3 font-semibold">
        {name === "" ? t("not-said") : name}
      </th>
      <td className="figures whitespace-nowrap pr-3 text-right font-bold">
        {t("of", { good: first.good, tried: first.tried })}
      </td>
      <td className="w-2/5">
        <svg
          viewBox="0 0 100 8"
          preserveAspectRatio="none"
          className="h-6 w-full"
          role="img"
          aria-label={between}
        >
          <title>{between}</title>
          <rect width="100" height="8" fill="var(--raised)" />
          <rect
            x={first.least * 100}
            width={(first.most - first.least) * 100}
            y="2"
            height="4"
            fill="var(--glass, #8fd0dc)"
          />
          <rect x={pooled * 100 - 0.3} y="0.5" width="0.6" height="7" fill="var(--soft)" />
          {first.tried > 0 && (
            <rect x={(first.good / first.tried) * 100 - 0.5} y="1" width="1" height="6" fill="var(--ink)" />
          )}
        </svg>
        <span className="figures text-soft text-sm">{between}</span>
      </td>
      <td className="figures whitespace-nowrap pl-3">{t("of", { good: last.good, tried: last.tried })}</td>
      <td
        className={`pl-3 ${beside === "worse" ? "font-semibold text-out" : beside === "better" ? "font-semibold text-in" : "text-soft"}`}
      >
        {BESIDE[beside]()}
      </td>
    </tr>
  );
}
