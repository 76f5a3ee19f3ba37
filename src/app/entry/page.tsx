import type { Metadata } from "next";
import { library } from "@/service/library";
import { theStore } from "@/service/the-store";
import { EntriesHome } from "@/ui/entry/entries-home";

export const metadata: Metadata = { title: "Entry" };
export const dynamic = "force-dynamic";

export default function EntriesPage() {
  return <EntriesHome entries={library(theStore()).entries} />;
}
