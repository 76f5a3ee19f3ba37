import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findJobNeeds } from "@/service/job/job-needs";
import { theStore } from "@/service/the-store";
import { NeedsView } from "@/ui/insight/needs-view";

export const metadata: Metadata = { title: t("pick-list") };
export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  const needs = findJobNeeds(theStore(), id);
  if (!needs) notFound();
  return <NeedsView job={id} needs={needs} />;
}
