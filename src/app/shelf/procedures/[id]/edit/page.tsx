import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { copyOf } from "@/service/shelf/copy-of";
import { library } from "@/service/shelf/library";
import { newestRevision, procedureWritten } from "@/service/shelf/shelf";
import { theStore } from "@/service/the-store";
import { Editor } from "@/ui/editor/editor";

export const metadata: Metadata = { title: t("edit") };
export const dynamic = "force-dynamic";

interface EditProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ copy?: string }>;
}

export default async function EditPage({ params, searchParams }: EditProps) {
  const { id } = await params;
  const { copy } = await searchParams;
  const { procedures, cables, tools, draft: kit } = library(theStore());
  if (!procedures.some((procedure) => procedure.id === id)) notFound();
  const document = procedureWritten(theStore(), id);
  const ids = procedures.map((procedure) => procedure.id);
  return copy ? (
    <Editor initial={copyOf(document, ids)} basis={null} from={id} cables={cables} tools={tools} kit={kit} />
  ) : (
    <Editor
      initial={document}
      basis={newestRevision(theStore(), "procedure", id)}
      cables={cables}
      tools={tools}
      kit={kit}
    />
  );
}
