import type { Metadata } from "next";
import { t } from "@/messages/app";
import { recordNow } from "@/service/clock";
import { benchPage } from "@/service/end/bench-page";
import { toolStandings } from "@/service/end/tool-standings";
import { theStore } from "@/service/the-store";
import { BenchHome } from "@/ui/bench/bench-home";

export const metadata: Metadata = { title: t("bench") };
export const dynamic = "force-dynamic";

export default async function BenchPage({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  const { before } = await searchParams;
  const store = theStore();
  const tools = toolStandings(store, recordNow(store));
  return (
    <BenchHome
      {...benchPage(store, before ? { before } : {})}
      further={before !== undefined}
      failedTools={tools.filter(({ last }) => last?.good === false).map(({ name }) => name)}
    />
  );
}
