import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { copyOf } from "@/service/shelf/copy-of";
import { library } from "@/service/shelf/library";
import { documentText, newestRevision } from "@/service/shelf/shelf";
import { theStore } from "@/service/the-store";
import { CableEditor } from "@/ui/editor/cable-editor";

export const metadata: Metadata = { title: t("edit") };
export const dynamic = "force-dynamic";

interface EditProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ copy?: string }>;
}

export default async function EditPage({ params, searchParams }: EditProps) {
  const { id } = await params;
  const { copy } = await searchParams;
  const { cables } = library(theStore());
  if (!cables.some((cable) => cable.id === id)) notFound();
  const document = JSON.parse(documentText(theStore(), "cable", id));
  return copy ? (
    <CableEditor
      initial={copyOf(
        document,
        cables.map((cable) => cable.id),
      )}
      basis={null}
    />
  ) : (
    <CableEditor initial={document} basis={newestRevision(theStore(), "cable", id)} />
  );
}
