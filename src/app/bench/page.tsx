import type { Metadata } from "next";
import { t } from "@/messages/app";
import { benchPage } from "@/service/end/bench-page";
import { theStore } from "@/service/the-store";
import { BenchHome } from "@/ui/bench/bench-home";

export const metadata: Metadata = { title: t("bench") };
export const dynamic = "force-dynamic";

export default async function BenchPage({ searchParams }: { searchParams: Promise<{ before?: string }> }) {
  const { before } = await searchParams;
  return <BenchHome {...benchPage(theStore(), before ? { before } : {})} further={before !== undefined} />;
}
