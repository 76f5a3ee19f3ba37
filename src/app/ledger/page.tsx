import type { Metadata } from "next";
import { check, InputError, mustHoldAt, type RunSheet, zLedgerQuery } from "@/core";
import { t } from "@/messages/app";
import { ledgerShown } from "@/service/ledger/ledger";
import { theStore } from "@/service/the-store";
import { type Thumb, thumbOf } from "@/ui/band/thumb";
import { LedgerView } from "@/ui/ledger/ledger-view";

export const metadata: Metadata = { title: t("ledger") };
export const dynamic = "force-dynamic";

const drawn = new WeakMap<RunSheet, Thumb>();

/** A page of the ledger with every end drawn in small: each sheet once, however many ends were made by it. */
function shown({ rows, details, ...page }: ReturnType<typeof ledgerShown>) {
  const sheets = [...new Set(rows.map(({ sheet }) => sheet))];
  return {
    ...page,
    thumbs: sheets.map((sheet) => {
      const thumb = drawn.get(sheet) ?? thumbOf(sheet);
      drawn.set(sheet, thumb);
      return thumb;
    }),
    rows: rows.map(({ sheet, ...row }, i) => ({
      ...row,
      ...mustHoldAt(details, i),
      ...{ as: sheet.as, thumb: sheets.indexOf(sheet) },
    })),
  };
}

type Params = Record<string, string | string[] | undefined>;

export default async function LedgerPage({ searchParams }: { searchParams: Promise<Params> }) {
  const query = Object.fromEntries(
    Object.entries(await searchParams).flatMap(([name, value]) => (value ? [[name, String(value)]] : [])),
  );
  const today = new Date().toISOString().slice(0, 10);
  try {
    return (
      <LedgerView
        page={shown(ledgerShown(theStore(), check(zLedgerQuery, query)))}
        query={query}
        today={today}
        problem={null}
      />
    );
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return (
      <LedgerView
        page={shown(ledgerShown(theStore(), check(zLedgerQuery, {})))}
        query={{}}
        today={today}
        problem={error.problem.message}
      />
    );
  }
}
