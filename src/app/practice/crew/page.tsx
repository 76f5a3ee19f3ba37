import type { Metadata } from "next";
import { t } from "@/messages/app";
import { theStore } from "@/service/the-store";
import { traineesOf } from "@/service/workshop/drills";
import { TraineesView } from "@/ui/practice/trainees-view";

export const metadata: Metadata = { title: t("practice-of-the-crew") };
export const dynamic = "force-dynamic";

export default function Page() {
  return <TraineesView trainees={traineesOf(theStore())} />;
}
