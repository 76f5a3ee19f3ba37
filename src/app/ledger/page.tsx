import type { Metadata } from "next";
import { InputError } from "@/core";
import { ledgerPage } from "@/service/ledger";
import { theStore } from "@/service/the-store";
import { LedgerView } from "@/ui/ledger/ledger-view";

export const metadata: Metadata = { title: "Ledger" };
export const dynamic = "force-dynamic";

type Params = Record<string, string | string[] | undefined>;

export default async function LedgerPage({ searchParams }: { searchParams: Promise<Params> }) {
  const query = Object.fromEntries(
    Object.entries(await searchParams).filter(([, value]) => value !== "" && value !== undefined),
  );
  try {
    return (
      <LedgerView
        page={ledgerPage(theStore(), query)}
        query={query as Record<string, string>}
        problem={null}
      />
    );
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return <LedgerView page={ledgerPage(theStore(), {})} query={{}} problem={error.problem.message} />;
  }
}
