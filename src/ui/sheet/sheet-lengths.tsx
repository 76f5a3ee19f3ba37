import type { Prediction, RunSheet, SheetLength } from "@/core";
import { t } from "@/messages/sheet";
import { figureText, limitsText, toleranceOf, type Units } from "../words/length-text";

/** Lengths as they will measure, before and after the cleave, with what the tools can be expected to hold. */
export function SheetLengths({ sheet, units }: { sheet: RunSheet; units: Units }) {
  const before = sheet.lengths.filter(({ stage }) => stage === "before-cleave");
  const prepared = sheet.lengths.filter(({ stage }) => stage === "prepared");
  return (
    <section aria-labelledby="lengths" className="break-inside-avoid px-4 pt-6 pb-4">
      <h2 id="lengths" className="font-bold text-lg">
        {t("what-it-will-measure")}
      </h2>
      <p className="mb-2 max-w-prose text-soft text-sm">{t("limits-marked-follow-from-the-stated")}</p>
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-2">
        {before.length > 0 && <Lengths title={t("before-the-cleave")} lengths={before} units={units} />}
        <Lengths
          title={before.length > 0 ? t("after-the-cleave") : t("prepared")}
          lengths={prepared}
          units={units}
        />
      </div>
    </section>
  );
}

function Lengths({
  title,
  lengths,
  units,
}: {
  title: string;
  lengths: readonly SheetLength[];
  units: Units;
}) {
  return (
    <table className="w-full border-collapse text-left text-sm">
      <caption className="pb-1 text-left font-semibold">{title}</caption>
      <thead className="text-soft">
        <tr>
          <th scope="col" className="font-normal">
            {t("length")}
          </th>
          <th scope="col" className="px-2 text-right font-normal">
            {units === "in" ? "in" : "mm"}
          </th>
          <th scope="col" className="px-2 text-right font-normal">
            {t("limits")}
          </th>
          <th scope="col" className="hidden text-right font-normal sm:table-cell">
            {t("stack-up")}
          </th>
        </tr>
      </thead>
      <tbody>
        {lengths.map(({ id, name, nominal, min, max, stated, predicted }) => (
          <tr key={id} className="border-line border-t align-baseline">
            <th scope="row" className="py-1 font-normal">
              {name}
            </th>
            <td className="figures whitespace-nowrap px-2 text-right font-bold text-base">
              {figureText(nominal, units, toleranceOf({ nominal, min, max }))}
            </td>
            <td className="whitespace-nowrap px-2 text-right">
              {limitsText(min, max, units)}
              {stated === null && (min !== null || max !== null) ? " *" : ""}
              {predicted && <Holds holds={predicted.holds} className="block sm:hidden" />}
            </td>
            <td className="hidden whitespace-nowrap text-right sm:table-cell">
              {predicted ? <StackUp predicted={predicted} units={units} /> : ""}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const HOLDS = { worst: t("always-fits"), rss: t("fits-as-a-rule"), neither: t("may-not-fit") } as const;
const SIGN = { worst: "●", rss: "◐", neither: "○" } as const;

function StackUp({ predicted: { worst, rss, holds }, units }: { predicted: Prediction; units: Units }) {
  const write = (value: number) => (units === "in" ? (value / 25_400).toFixed(3) : (value / 1000).toFixed(1));
  return (
    <span title={t("at-worst-as-a-rule", { worst: write(worst), rss: write(rss) })}>
      ±{write(worst)} / ±{write(rss)} <Holds holds={holds} className="" />
    </span>
  );
}

function Holds({ holds, className }: { holds: Prediction["holds"]; className: string }) {
  const tone = holds === "worst" ? "text-in" : holds === "rss" ? "text-unsure" : "text-out";
  return (
    <span className={`${tone} font-semibold ${className}`}>
      <span aria-hidden="true">{SIGN[holds]}</span> {HOLDS[holds]}
    </span>
  );
}
