"use client";

import type { FeederPlan } from "@/core";
import { t } from "@/messages/feeder";
import { decimal } from "@/messages/numbers";
import { FigureField } from "../controls/figure-field";
import { readFigure } from "./read-figure";
import { boxText, readBox } from "./taps-in-box";

interface FeederFiguresProps {
  readonly plan: FeederPlan;
  readonly onChange: (plan: FeederPlan) => void;
}

type FigureKey =
  | "launchDbm"
  | "sensitivityDbm"
  | "margin"
  | "fibreDbPerKm"
  | "spliceDb"
  | "connectorDb"
  | "splitExcessDb";

const FIGURES: readonly (readonly [FigureKey, string, number, number])[] = [
  ["launchDbm", t("launched-dbm"), -60, 60],
  ["sensitivityDbm", t("receiver-needs-dbm"), -60, 60],
  ["margin", t("margin-wanted-db"), 0, 60],
  ["fibreDbPerKm", t("fibre-db-per-km"), 0, 20],
  ["spliceDb", t("a-splice-db"), 0, 5],
  ["connectorDb", t("a-connector-db"), 0, 5],
  ["splitExcessDb", t("a-splitter-over-ideal-db"), 0, 10],
];

/** What the feeder is fed with, what everything on the way takes, what a receiver needs, and the taps in the box. */
export function FeederFigures({ plan, onChange }: FeederFiguresProps) {
  const put = (changed: Partial<FeederPlan>) => {
    onChange({ ...plan, ...changed });
    return true;
  };
  return (
    <section aria-labelledby="figures" className="no-print px-4 pt-6 sm:px-6">
      <h2 id="figures" className="font-bold text-lg">
        {t("figures")}
      </h2>
      <p className="text-soft">{t("check-these-figures-against-the-parts")}</p>
      <div className="mt-2 grid grid-cols-2 items-end gap-3 sm:grid-cols-4 lg:grid-cols-6">
        <FigureField
          title={t("feeder-name")}
          value={plan.name}
          text={String}
          read={(text) => (text.length <= 60 ? text.trim() : null)}
          asks={t("at-most-60-letters")}
          onTake={(name) => put({ name })}
        />
        <FigureField
          title={t("its-source")}
          value={plan.source}
          text={String}
          read={(text) => (text.length <= 60 ? text.trim() : null)}
          asks={t("at-most-60-letters")}
          onTake={(source) => put({ source })}
        />
        {FIGURES.map(([key, title, least, most]) => (
          <FigureField
            key={key}
            title={title}
            value={plan[key]}
            text={(value) => decimal(String(value))}
            read={(text) => readFigure(text, least, most)}
            asks={t("a-number-from-to", { least, most })}
            onTake={(value) => put({ [key]: value })}
          />
        ))}
        <FigureField
          title={t("receiver-takes-at-most-dbm")}
          value={plan.mostDbm ?? Number.NaN}
          text={(value) => (Number.isNaN(value) ? "" : decimal(String(value)))}
          read={(text) => (text.trim() === "" ? Number.NaN : readFigure(text, -60, 60))}
          asks={t("a-number-or-empty")}
          onTake={(value) => put({ mostDbm: Number.isNaN(value) ? null : value })}
        />
        <FigureField
          title={t("taps-in-the-box")}
          value={boxText(plan.stock)}
          text={String}
          read={(text) => (readBox(text) ? text : null)}
          asks={t("percentages-between-0-and-100")}
          onTake={(text) => {
            const taps = readBox(text);
            const excessDb = plan.stock[0]?.excessDb ?? 0;
            return taps ? put({ stock: taps.map((tap) => ({ ...tap, excessDb })) }) : false;
          }}
        />
        <FigureField
          title={t("a-tap-over-ideal-db")}
          value={plan.stock[0]?.excessDb ?? 0}
          text={(value) => decimal(String(value))}
          read={(text) => readFigure(text, 0, 10)}
          asks={t("a-number-from-to", { least: 0, most: 10 })}
          onTake={(excessDb) => put({ stock: plan.stock.map((tap) => ({ ...tap, excessDb })) })}
        />
      </div>
    </section>
  );
}
