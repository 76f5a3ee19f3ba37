import type { Metadata } from "next";
import { endsAtBench } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { BenchHome } from "@/ui/bench/bench-home";

export const metadata: Metadata = { title: "Bench" };
export const dynamic = "force-dynamic";

export default function BenchPage() {
  return <BenchHome ends={endsAtBench(theStore())} />;
}
