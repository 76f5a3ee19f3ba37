"use client";

import { CircleCheck, Square, TriangleAlert } from "lucide-react";
import type { ClosureEvent, ClosureStage, ClosureWork, WorkItem } from "@/core";
import { um } from "@/core";
import { t } from "@/messages/closure-work";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { Link } from "../controls/link";
import { useSubmit } from "../controls/use-submit";
import { ReadPower } from "./read-power";

interface StageItemsProps {
  readonly work: ClosureWork;
  readonly stage: ClosureStage;
  readonly busy: boolean;
  /** Where a cable is prepared. */
  readonly href: string;
  readonly happen: (event: ClosureEvent) => Promise<string>;
}

/** What is to be done, looked at or read in a stage. */
export function StageItems({ work, stage, busy, href, happen }: StageItemsProps) {
  return (
    <ul className="grid gap-2">
      {work.items
        .filter((item) => item.stage === stage)
        .map((item) => (
          <li key={item.id} className="rounded-lg border border-line bg-raised px-3 py-2">
            <p className="flex items-start gap-2">
              {item.done ? (
                <CircleCheck aria-hidden="true" className="mt-1 size-5 shrink-0 text-in" />
              ) : (
                <Square aria-hidden="true" className="mt-1 size-5 shrink-0" />
              )}
              <span className="min-w-0 flex-1">
                {item.text.text}
                {item.how && <span className="block text-soft">{item.how.text}</span>}
                {item.caution && !item.done && (
                  <span className="mt-1 flex items-center gap-2 font-semibold text-out">
                    <TriangleAlert aria-hidden="true" className="size-5 shrink-0" />
                    {item.caution.text}
                  </span>
                )}
              </span>
            </p>
            <ItemActs item={item} busy={busy} href={href} happen={happen} />
          </li>
        ))}
    </ul>
  );
}

interface ItemActsProps extends Pick<StageItemsProps, "busy" | "href" | "happen"> {
  readonly item: WorkItem;
}

function ItemActs({ item, busy, href, happen }: ItemActsProps) {
  if (item.asks === "nothing")
    return item.done ? null : (
      <p className="no-print mt-1">
        <Link href={item.stage === "cables" ? href : `${href}/splices`} className="underline">
          {item.stage === "cables" ? t("open-cable") : t("open-plan")}
        </Link>
      </p>
    );
  return (
    <div className="no-print mt-1 flex flex-wrap items-end gap-2">
      {item.asks === "done" && !item.done && (
        <Button disabled={busy} onClick={() => void happen({ kind: "done", item: item.id })}>
          {t("do-it")}
        </Button>
      )}
      {item.asks === "power" && item.done && item.reading !== null && (
        <p className="figures font-bold">
          {t("power-was-read", { power: decimal(item.reading.toFixed(2)) })}
        </p>
      )}
      {item.asks === "power" && !item.done && (
        <ReadPower key={String(item.reading)} item={item} busy={busy} happen={happen} />
      )}
      {item.asks !== "done" && item.asks !== "power" && (
        <ReadingForm key={String(item.done)} item={item} busy={busy} happen={happen} />
      )}
      {item.done && (
        <Button look="link" disabled={busy} onClick={() => void happen({ kind: "undone", item: item.id })}>
          {t("take-back")}
        </Button>
      )}
    </div>
  );
}

/** A radius, a gap or a torque to be entered, with its limits. */
function ReadingForm({ item, busy, happen }: Omit<ItemActsProps, "href">) {
  const inMm = item.asks !== "torque";
  const { problem, submit } = useSubmit((form) => {
    const text = String(new FormData(form).get("value") ?? "");
    return happen(readingEvent(item, Number(text.trim().replace(",", "."))));
  });
  const shown = (value: number | null) => (value === null ? "" : String(inMm ? value / 1_000 : value));
  return (
    <form onSubmit={submit} className="flex flex-wrap items-center gap-2">
      <label className="flex items-center gap-2">
        {READING_TITLES[item.asks]?.()}
        <Input
          name="value"
          inputMode="decimal"
          required
          pattern="[0-9]+([.,][0-9]+)?"
          defaultValue={shown(item.reading)}
          className="w-28 font-figure"
        />
      </label>
      {inMm && (
        <span className="text-soft text-sm">
          {item.most === null
            ? t("at-least", { limit: shown(item.limit) })
            : t("from-to-mm", { least: shown(item.limit), most: shown(item.most) })}
        </span>
      )}
      <Button type="submit" disabled={busy}>
        {t("do-it")}
      </Button>
      <p role="alert" className="w-full text-out empty:hidden">
        {problem}
      </p>
    </form>
  );
}

const READING_TITLES: Partial<Record<WorkItem["asks"], () => string>> = {
  radius: () => t("radius-of"),
  gap: () => t("gap-of"),
  torque: () => t("torque-of"),
};

/** A value as the event it is kept by. */
function readingEvent({ id: item, asks }: WorkItem, value: number): ClosureEvent {
  if (asks === "torque") return { kind: "torque", item, newtonMetres: value };
  const length = um(Math.round(value * 1_000));
  return asks === "gap" ? { kind: "gap", item, gap: length } : { kind: "radius", item, radius: length };
}
