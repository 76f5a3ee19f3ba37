"use client";

import { Printer } from "lucide-react";
import { type ItemCount, itemSums, type StyleNeed } from "@/core";
import { t } from "@/messages/insight";
import { count, decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Link } from "../controls/link";

interface NeedsViewProps {
  readonly job: string;
  readonly needs: {
    readonly name: string;
    readonly styles: readonly StyleNeed[];
    readonly metres: number | null;
    readonly blades: readonly { readonly name: string; readonly left: number }[];
    readonly used: readonly ItemCount[];
  };
}

const hours = (value: number): string => decimal(value.toFixed(1));

/** Pick list of a job: parts, consumables, hours and cable it still takes, and what it has used so far. */
export function NeedsView({ job, needs }: NeedsViewProps) {
  const { name, styles, metres, blades, used } = needs;
  const timed = styles.flatMap((style) => style.hours ?? []);
  const total = (of: "least" | "most") => timed.reduce((sum, each) => sum + each[of], 0);
  return (
    <main className="min-w-0 flex-1 px-4 py-4 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="font-bold text-2xl">{t("pick-list")}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">
          <Link href={`/jobs/${job}`} className="underline">
            {name}
          </Link>
        </p>
        <Button className="no-print" onClick={() => window.print()}>
          <Printer aria-hidden="true" className="size-4" /> {t("print")}
        </Button>
      </header>
      {styles.length === 0 ? (
        <p className="mt-4 text-lg">{t("nothing-left-to-make")}</p>
      ) : (
        <p className="mt-2 text-xl">
          {timed.length === styles.length
            ? t("hours-left", { least: hours(total("least")), most: hours(total("most")) })
            : t("hours-left-of-some", { least: hours(total("least")), most: hours(total("most")) })}{" "}
          {metres === null ? t("metres-not-known") : t("metres-left", { metres: decimal(metres.toFixed(1)) })}
        </p>
      )}
      {styles.length > 0 && <StyleTable styles={styles} />}
      <div className="mt-6 grid grid-cols-[minmax(0,1fr)] gap-6 sm:grid-cols-3">
        <Items
          title={t("consumables-to-bring")}
          items={itemSums(styles.flatMap(({ consumables }) => consumables))}
        />
        <Items
          title={t("cleaves-left")}
          items={blades.map(({ name: item, left }) => ({ item, count: left }))}
        />
        <Items title={t("used-so-far")} items={used} />
      </div>
      <p className="mt-4 max-w-prose text-soft text-sm">{t("needs-note")}</p>
    </main>
  );
}

const HEADS = [
  "column-bring",
  "column-connector",
  "column-left",
  "column-yield",
  "column-tries",
  "column-hours",
] as const;
const HEAD_TEXTS: Readonly<Record<(typeof HEADS)[number], () => string>> = {
  "column-bring": () => t("column-bring"),
  "column-connector": () => t("column-connector"),
  "column-left": () => t("column-left"),
  "column-yield": () => t("column-yield"),
  "column-tries": () => t("column-tries"),
  "column-hours": () => t("column-hours"),
};

const StyleTable = ({ styles }: Pick<NeedsViewProps["needs"], "styles">) => (
  // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls must be reached by keys
  <section aria-label={t("parts")} tabIndex={0} className="mt-3 overflow-x-auto">
    <table className="w-full min-w-160 text-left">
      <thead className="text-soft text-sm">
        <tr>
          {HEADS.map((head) => (
            <th key={head} scope="col" className="py-1.5 pr-3 font-semibold">
              {HEAD_TEXTS[head]()}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {styles.map(({ style, name, left, planned, good, tried, parts, tries, hours: time }) => (
          <tr key={style} className="border-line border-t">
            <td className="figures py-3 pr-3 font-bold text-2xl">{parts === null ? "–" : count(parts)}</td>
            <th scope="row" className="pr-3 font-semibold">
              {name}
            </th>
            <td className="figures pr-3">{t("left-of", { left, planned })}</td>
            <td className="figures pr-3">{tried === 0 ? t("no-record") : t("good-of", { good, tried })}</td>
            <td className="figures pr-3">
              {tries === null
                ? "–"
                : t("from-to", { least: Math.floor(tries.least), most: Math.ceil(tries.most) })}
            </td>
            <td className="figures pr-3">
              {time === null ? "–" : t("from-to", { least: hours(time.least), most: hours(time.most) })}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  </section>
);

function Items({ title, items }: { readonly title: string; readonly items: readonly ItemCount[] }) {
  if (items.length === 0) return null;
  return (
    <section>
      <h2 className="font-bold text-lg">{title}</h2>
      <ul className="divide-y divide-line">
        {items.map(({ item, count: each }) => (
          <li key={item} className="flex items-center gap-3 py-1.5">
            <span className="hidden size-4 border-2 border-ink print:inline-block" />
            <span className="min-w-0 flex-1 first-letter:uppercase">{item}</span>
            <strong className="figures">{count(each)}</strong>
          </li>
        ))}
      </ul>
    </section>
  );
}
