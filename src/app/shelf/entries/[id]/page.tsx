import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { library } from "@/service/shelf/library";
import { revisionsOf } from "@/service/shelf/shelf";
import { theStore } from "@/service/the-store";
import { EntryReader } from "@/ui/shelf/entry-reader";

export const metadata: Metadata = { title: t("entry") };
export const dynamic = "force-dynamic";

export default async function EntryOnShelf({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const entry = library(theStore()).entries.find((entry) => entry.id === id);
  if (!entry) notFound();
  return <EntryReader entry={entry} revisions={revisionsOf(theStore(), "entry", id)} />;
}
