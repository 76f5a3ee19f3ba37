"use client";

import { useEffect, useState } from "react";
import type { YieldHere } from "@/core";
import { t } from "@/messages/sheet";
import { Link } from "../controls/link";
import { call } from "../http/http";
import { usePrefs } from "../prefs/prefs-context";
import { LocalTime } from "../words/local-time";

/** Yield of a connector on record, of whoever works at this device or else of the crew; nothing where it has no end. */
export function YieldNote({ style }: { readonly style: string }) {
  const { prefs } = usePrefs();
  const [shown, setShown] = useState<YieldHere | null>(null);
  const person = prefs.person;
  useEffect(() => {
    let left = false;
    void call("get /yields", { query: { style, ...(person === null ? {} : { person }) } }).then((answer) => {
      if (!left) setShown(answer.ok ? answer.value : null);
    });
    return () => {
      left = true;
    };
  }, [style, person]);
  if (!shown || shown.tried === 0) return null;
  const { good, tried, least, most, minutes, last } = shown;
  const percent = (share: number) => Math.round(share * 100);
  return (
    <p className="no-print border-line border-b px-4 py-2">
      <strong>
        {person === null
          ? t("crew-yield-here", { yield: percent(good / tried) })
          : t("your-yield-here", { yield: percent(good / tried) })}
      </strong>{" "}
      {t("yield-range", { least: percent(least), most: percent(most), tried })}
      {minutes !== null && `, ${t("yield-minutes", { minutes: Math.round(minutes * 10) / 10 })}`}.{" "}
      {last && (
        <>
          {last.length === null ? t("last-not-good") : t("last-not-good-by", { length: last.length })}{" "}
          <Link href={`/ledger/${last.end}`} className="underline">
            <LocalTime iso={last.signed} />
          </Link>
        </>
      )}
    </p>
  );
}
