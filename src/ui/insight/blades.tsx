"use client";

import { useState } from "react";
import { type BladeOnRecord, turnCosts } from "@/core";
import { t } from "@/messages/insight";
import { FigureField } from "../controls/figure-field";
import { Select } from "../controls/select";
import { Answer, Card } from "./card";
import { EndLinks } from "./end-links";
import { readAmount } from "./read-amount";
import { usePrices } from "./use-prices";

const money = (amount: number): string => amount.toFixed(2);

/** Cost of blades an end, and the cheapest age to turn them at, by the ends that failed at each. */
export function BladesCard({ blades }: { readonly blades: readonly BladeOnRecord[] }) {
  const { prices, change } = usePrices([]);
  const [at, setAt] = useState("0");
  const blade = blades[Number(at)] ?? blades[0];
  if (!blade) return null;
  const { bladePrice, failedEnd } = prices;
  const costs = turnCosts(blade.ages, { ...blade, bladePrice, failedCost: failedEnd });
  // One age alone is compared with nothing.
  const [first] = costs.length > 1 ? costs : [];
  const best = first && costs.reduce((least, each) => (least.total <= each.total ? least : each), first);
  const endTotal = blade.ages.reduce((sum, { ends }) => sum + ends, 0);
  return (
    <Card question={t("blades-question")} about={blade.name}>
      <Answer
        answer={
          best
            ? t("turn-every", { every: Math.round(best.every) })
            : t("blade-an-end", {
                cost: money((bladePrice * blade.perEnd) / (blade.positions * blade.each)),
              })
        }
        more={
          best
            ? t("turn-costs", {
                total: money(best.total),
                blade: money(best.blade),
                failed: money(best.failed),
              })
            : t("too-few-for-blades", { ends: endTotal })
        }
      />
      <Ages ages={blade.ages} />
      <div className="no-print mt-2 flex flex-wrap gap-3">
        {(["bladePrice", "failedEnd"] as const).map((field) => (
          <FigureField
            key={field}
            title={field === "bladePrice" ? t("blade-price") : t("failed-end")}
            value={prices[field]}
            text={String}
            read={readAmount}
            asks={t("money-entered")}
            onTake={(value) => {
              change({ [field]: value });
              return true;
            }}
            className="w-36"
          />
        ))}
        {blades.length > 1 && (
          <Select
            title={t("which-cleaver")}
            small
            value={at}
            options={blades.map(({ name }, i) => ({ id: String(i), name }))}
            onPick={setAt}
            className="w-64"
          />
        )}
      </div>
    </Card>
  );
}

/** Ends made at each age of a blade's place, and those that failed. */
const Ages = ({ ages }: Pick<BladeOnRecord, "ages">) => (
  <table className="mt-2 w-full text-left">
    <thead>
      <tr className="text-soft text-sm">
        <th scope="col">{t("cleaves-on-the-place")}</th>
        <th scope="col" className="text-right">
          {t("ends-made")}
        </th>
        <th scope="col" className="text-right">
          {t("ends-failed")}
        </th>
      </tr>
    </thead>
    <tbody>
      {ages
        .filter(({ ends }) => ends > 0)
        .map(({ upTo, ends, failed, failedEnds }) => (
          <tr key={upTo} className="border-line border-t">
            <th scope="row" className="figures font-normal">
              {t("up-to", { upTo: Math.round(upTo) })}
            </th>
            <td className="figures text-right">{ends}</td>
            <td className="figures text-right">
              {failed} <EndLinks ids={failedEnds} />
            </td>
          </tr>
        ))}
    </tbody>
  </table>
);
