import type { Metadata } from "next";
import { t } from "@/messages/app";
import { YIELD_GROUPS, yieldsOf } from "@/service/insight/yields";
import { theStore } from "@/service/the-store";
import { YieldView } from "@/ui/yield/yield-view";

export const metadata: Metadata = { title: t("yield") };
export const dynamic = "force-dynamic";

interface YieldProps {
  readonly searchParams: Promise<{ readonly by?: string | string[] }>;
}

export default async function YieldPage({ searchParams }: YieldProps) {
  const { by: wanted } = await searchParams;
  const by = YIELD_GROUPS.find((group) => group === wanted) ?? "style";
  return <YieldView by={by} rows={yieldsOf(theStore(), by)} />;
}
