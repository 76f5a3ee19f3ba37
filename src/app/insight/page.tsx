import type { Metadata } from "next";
import { Suspense } from "react";
import { attempt, check, zLedgerQuery } from "@/core";
import { t } from "@/messages/app";
import { signers, stylesOnRecord } from "@/service/ledger/ledger";
import { theStore } from "@/service/the-store";
import { InsightLoading } from "@/ui/insight/insight-loading";
import { InsightView } from "@/ui/insight/insight-view";
import { insightBeside } from "@/worker/insight-beside";

export const metadata: Metadata = { title: t("insight") };
export const dynamic = "force-dynamic";

type Query = Readonly<Record<string, string>>;

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const query = Object.fromEntries(
    Object.entries(await searchParams).flatMap(([name, value]) => (value ? [[name, String(value)]] : [])),
  );
  return (
    <Suspense key={JSON.stringify(query)} fallback={<InsightLoading />}>
      <Answers query={query} />
    </Suspense>
  );
}

/** The answers, once they are worked out. */
async function Answers({ query }: { readonly query: Query }) {
  // A filter that cannot be read is none: its page shows every end.
  const filter = attempt(() => check(zLedgerQuery, query)).value;
  const store = theStore();
  const people = signers(store);
  const insight = await insightBeside(store, filter ?? {});
  return (
    <InsightView
      insight={insight}
      people={insight.people.map(({ name, first: { good, tried }, beside }) => ({
        ...{ name, good, tried, beside },
        id: people.find((person) => person.name === name)?.id ?? null,
      }))}
      query={filter ? query : {}}
      styles={stylesOnRecord(store)}
      today={new Date().toISOString().slice(0, 10)}
    />
  );
}
