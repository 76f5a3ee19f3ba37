import type { Metadata } from "next";
import { t } from "@/messages/app";
import { PracticeView } from "@/ui/practice/practice-view";

export const metadata: Metadata = { title: t("practice") };

export default function Page() {
  return <PracticeView />;
}
