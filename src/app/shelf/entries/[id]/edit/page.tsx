import type { Metadata } from "next";
import { notFound } from "next/navigation";
import type { EntryDocument } from "@/core";
import { t } from "@/messages/app";
import { copyOf } from "@/service/shelf/copy-of";
import { entrySheets, library } from "@/service/shelf/library";
import { documentText, newestRevision } from "@/service/shelf/shelf";
import { theStore } from "@/service/the-store";
import { EntryEditor } from "@/ui/entry-editor/entry-editor";

export const metadata: Metadata = { title: t("edit") };
export const dynamic = "force-dynamic";

interface EditProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ copy?: string }>;
}

export default async function EditEntry({ params, searchParams }: EditProps) {
  const { id } = await params;
  const { copy } = await searchParams;
  const store = theStore();
  const { entries, cables, procedures, tools } = library(store);
  if (!entries.some((entry) => entry.id === id)) notFound();
  const document: EntryDocument = JSON.parse(documentText(store, "entry", id));
  // An entry comes to procedures by its id: a copy keeps clear of those too.
  const taken = [...entries, ...procedures].map((entry) => entry.id);
  return (
    <EntryEditor
      initial={copy ? copyOf(document, taken) : document}
      basis={copy ? null : newestRevision(store, "entry", id)}
      cables={cables}
      tools={tools}
      sheets={entrySheets()}
    />
  );
}
