import type { Metadata } from "next";
import { t } from "@/messages/app";
import { practiceKit } from "@/service/workshop/practice-kit";
import { PracticeView } from "@/ui/practice/practice-view";

export const metadata: Metadata = { title: t("practice") };
export const dynamic = "force-dynamic";

export default function Page() {
  return <PracticeView kit={practiceKit()} />;
}
