import type { Metadata } from "next";
import { t } from "@/messages/app";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { NewSheet } from "@/ui/shelf/new-sheet";

export const metadata: Metadata = { title: t("a-sheet-of-your-own") };
export const dynamic = "force-dynamic";

export default function NewSheetPage() {
  const { cables, procedures, tools, draft } = library(theStore());
  return <NewSheet cables={cables} tools={tools} taken={procedures.map(({ id }) => id)} kit={draft} />;
}
