"use client";

import { Trash2 } from "lucide-react";
import { partsFor, type WayOnRecord } from "@/core";
import { t } from "@/messages/insight";
import { FigureField } from "../controls/figure-field";
import { IconButton } from "../controls/icon-button";
import { Link } from "../controls/link";
import { Select } from "../controls/select";
import { Answer, Card } from "./card";
import { CostChart } from "./cost-chart";
import { readAmount } from "./read-amount";
import { PLAIN_PRICES, type Prices, usePrices, type WayPrices } from "./use-prices";
import { USUAL_MINUTES, type WayLine, wayLines } from "./ways";

/** The most ways compared at once. */
const MOST_WAYS = 5;
/** The risk of running short of parts, and the most spares looked at. */
const [RISK, MOST_SPARES] = [0.05, 5_000];

const money = (amount: number): string => amount.toFixed(2);
const hoursText = (hours: number): string => hours.toFixed(1);

/** Which way so many ends are made at the least cost, by the crew's own record and prices. */
export function WhichWay({ ways }: { readonly ways: readonly WayOnRecord[] }) {
  const { prices, change } = usePrices(ways.slice(0, 3).map(({ style }) => style));
  const lines = wayLines(ways, prices);
  const [best, ...others] = lines;
  const missing = ways.filter(
    ({ style }) => prices.ways[style] && !lines.some(({ way }) => way.style === style),
  );
  return (
    <Card question={t("which-way-question", { ends: prices.ends })}>
      {ways.length === 0 && <p className="mt-1 text-lg">{t("no-way-on-record")}</p>}
      {best && (
        <>
          <Answer
            answer={t("cheapest-is", { name: best.way.name })}
            more={t("costs-and-takes", { total: money(best.total), hours: hoursText(best.hours) })}
          />
          {others.length > 0 && (
            <p className="mt-1">
              {others
                .map(({ way: { name }, total, hours }) =>
                  t("other-way", { name, more: money(total - best.total), hours: hoursText(hours) }),
                )
                .join("; ")}
              .
            </p>
          )}
          <CostChart lines={lines} ends={prices.ends} />
          <p className="mt-2">
            {t("yields-so-far")}{" "}
            {lines.map(({ way: { style, name, good, tried } }) => (
              <Link
                key={style}
                href={`/ledger?${new URLSearchParams({ style })}`}
                className="mr-2 inline-flex min-h-6 items-center underline"
              >
                {t("yield-of", { name, good, tried })}
              </Link>
            ))}
            {t("bands-are")} <Bring line={best} prices={prices} />
          </p>
        </>
      )}
      {missing.map(({ style, name }) => (
        <p key={style}>{t("not-comparable", { name })}</p>
      ))}
      <PriceTable ways={ways} prices={prices} onChange={change} />
    </Card>
  );
}

/** Parts to bring, so that running short stays within the risk. */
function Bring({ line: { way }, prices }: { readonly line: WayLine; readonly prices: Prices }) {
  const stated = prices.ways[way.style]?.yield ?? null;
  const { parts } = partsFor({
    ...{ ends: prices.ends, risk: RISK, most: MOST_SPARES },
    yield: stated === null ? { good: way.good, tried: way.tried } : { p: stated },
  });
  return parts === null ? null : <strong>{t("bring", { parts, name: way.name })}</strong>;
}

interface PriceTableProps {
  readonly ways: readonly WayOnRecord[];
  readonly prices: Prices;
  readonly onChange: (next: Partial<Prices>) => void;
}

function PriceTable({ ways, prices, onChange }: PriceTableProps) {
  const chosen = ways.filter(({ style }) => prices.ways[style]);
  const left = ways.filter(({ style }) => !prices.ways[style]);
  const setWay = (style: string, next: WayPrices) => onChange({ ways: { ...prices.ways, [style]: next } });
  return (
    <details className="mt-3" open={false}>
      <summary className="min-h-11 cursor-pointer content-center font-semibold underline">
        {t("prices")}
      </summary>
      <p className="text-soft text-sm">{t("prices-on-this-device")}</p>
      <div className="mt-2 flex flex-wrap gap-3">
        <FigureField
          title={t("ends-to-make")}
          value={prices.ends}
          text={String}
          read={(text) => {
            const value = Number(text.trim());
            return Number.isInteger(value) && value >= 1 && value <= 100_000 ? value : null;
          }}
          asks={t("whole-ends")}
          onTake={(ends) => {
            onChange({ ends });
            return true;
          }}
          className="w-28"
        />
        {(["wage", "cablePrice"] as const).map((field) => (
          <FigureField
            key={field}
            title={field === "wage" ? t("wage") : t("cable-price")}
            value={prices[field]}
            text={String}
            read={readAmount}
            asks={t("money-entered")}
            onTake={(value) => {
              onChange({ [field]: value });
              return true;
            }}
            className="w-32"
          />
        ))}
      </div>
      {chosen.map((way) => (
        <WayFields
          key={way.style}
          way={way}
          prices={prices.ways[way.style] ?? PLAIN_PRICES}
          onChange={(next) => setWay(way.style, next)}
          onRemove={() => {
            const { [way.style]: _, ...rest } = prices.ways;
            onChange({ ways: rest });
          }}
        />
      ))}
      {left.length > 0 && chosen.length < MOST_WAYS && (
        <Select
          title={t("add-a-way")}
          value=""
          empty={t("choose")}
          options={left.map(({ style, name }) => ({ id: style, name }))}
          onPick={(style) => style !== "" && setWay(style, PLAIN_PRICES)}
          className="mt-3 w-full max-w-sm"
        />
      )}
    </details>
  );
}

interface WayFieldsProps {
  readonly way: WayOnRecord;
  readonly prices: WayPrices;
  readonly onChange: (next: WayPrices) => void;
  readonly onRemove: () => void;
}

const AMOUNTS = [
  ["part", () => t("part-price")],
  ["consumables", () => t("consumables")],
  ["kit", () => t("kit")],
  ["setupMinutes", () => t("setup-minutes")],
  ["cable", () => t("cable-mm")],
] as const;

const readPercent = (text: string): number | null => {
  const value = readAmount(text.replace("%", ""));
  return value !== null && value <= 100 ? value / 100 : null;
};

function WayFields({ way, prices, onChange, onRemove }: WayFieldsProps) {
  const take = (next: Partial<WayPrices>) => {
    onChange({ ...prices, ...next });
    return true;
  };
  const recorded = way.tried === 0 ? 0.9 : way.good / way.tried;
  return (
    <fieldset className="mt-3 border-line border-t pt-2">
      <legend className="float-left mr-3 font-semibold">{way.name}</legend>
      <IconButton name={t("take-off", { name: way.name })} onClick={onRemove} className="float-right">
        <Trash2 aria-hidden="true" className="size-4" />
      </IconButton>
      <div className="clear-both flex flex-wrap gap-3">
        {AMOUNTS.map(([field, title]) => (
          <FigureField
            key={field}
            title={title()}
            value={prices[field]}
            text={String}
            read={readAmount}
            asks={t("money-entered")}
            onTake={(value) => take({ [field]: value })}
            className="w-28"
          />
        ))}
        <FigureField
          title={t("minutes")}
          value={Math.round((prices.minutes ?? way.minutes ?? USUAL_MINUTES) * 10) / 10}
          text={String}
          read={readAmount}
          asks={t("money-entered")}
          onTake={(minutes) => take({ minutes })}
          className="w-28"
        />
        <FigureField
          title={t("part-lost")}
          value={prices.partLost}
          text={(share) => String(Math.round(share * 100))}
          read={readPercent}
          asks={t("percent-entered")}
          onTake={(partLost) => take({ partLost })}
          className="w-28"
        />
        <FigureField
          title={t("yield-percent")}
          value={prices.yield ?? recorded}
          text={(share) => String(Math.round(share * 1_000) / 10)}
          read={(text) => readPercent(text) || null}
          asks={t("yield-entered")}
          onTake={(value) => take({ yield: value })}
          className="w-28"
        />
      </div>
    </fieldset>
  );
}
