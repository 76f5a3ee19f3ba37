import type { Metadata } from "next";
import { t } from "@/messages/app";
import { jobsPage } from "@/service/job/jobs";
import { theStore } from "@/service/the-store";
import { JobsHome } from "@/ui/job/jobs-home";

export const metadata: Metadata = { title: t("jobs") };
export const dynamic = "force-dynamic";

export default async function JobsPage({
  searchParams,
}: {
  searchParams: Promise<{ before?: string; words?: string }>;
}) {
  const { before, words } = await searchParams;
  const query = { ...(before ? { before } : {}), ...(words ? { words } : {}) };
  return <JobsHome {...jobsPage(theStore(), query)} words={words ?? ""} further={before !== undefined} />;
}
