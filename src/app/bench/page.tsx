import type { Metadata } from "next";
import { t } from "@/messages/app";
import { benchPage } from "@/service/end/bench-page";
import { theStore } from "@/service/the-store";
import { failedTools } from "@/service/workshop/tool-checks";
import { BenchHome } from "@/ui/bench/bench-home";

export const metadata: Metadata = { title: t("bench") };
export const dynamic = "force-dynamic";

export default async function BenchPage({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  const { before } = await searchParams;
  const store = theStore();
  return (
    <BenchHome
      {...benchPage(store, before ? { before } : {})}
      further={before !== undefined}
      failedTools={failedTools(store)}
    />
  );
}
