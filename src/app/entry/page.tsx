import type { Metadata } from "next";
import { t } from "@/messages/app";
import { listClosures } from "@/service/job/closure-page";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { EntriesHome } from "@/ui/entry/entries-home";

export const metadata: Metadata = { title: t("entry") };
export const dynamic = "force-dynamic";

export default function EntriesPage() {
  const store = theStore();
  return <EntriesHome entries={library(store).entries} closures={listClosures(store)} />;
}
