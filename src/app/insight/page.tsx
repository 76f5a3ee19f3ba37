import type { Metadata } from "next";
import { t } from "@/messages/app";
import { insightOf } from "@/service/insight/insight";
import { signers } from "@/service/ledger/ledger";
import { yieldsOf } from "@/service/ledger/yields";
import { theStore } from "@/service/the-store";
import { InsightView } from "@/ui/insight/insight-view";

export const metadata: Metadata = { title: t("insight") };
export const dynamic = "force-dynamic";

export default function Page() {
  const store = theStore();
  const people = signers(store);
  return (
    <InsightView
      insight={insightOf(store)}
      people={yieldsOf(store, "person").map(({ name, first: { good, tried }, beside }) => ({
        ...{ name, good, tried, beside },
        id: people.find((person) => person.name === name)?.id ?? null,
      }))}
    />
  );
}
