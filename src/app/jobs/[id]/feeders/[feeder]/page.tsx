import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { getClosures } from "@/service/job/closures";
import { findFeeder } from "@/service/job/feeders";
import { jobName } from "@/service/job/places";
import { pulse } from "@/service/pulse";
import { theStore } from "@/service/the-store";
import { JobFeeder } from "@/ui/feeder/job-feeder";
import { Fresh } from "@/ui/live/fresh";

export const metadata: Metadata = { title: t("feeder") };
export const dynamic = "force-dynamic";

export default async function Page({ params }: { params: Promise<{ id: string; feeder: string }> }) {
  const store = theStore();
  const { id, feeder: feederId } = await params;
  const feeder = findFeeder(store, id, feederId);
  if (!feeder) notFound();
  const closures = getClosures(store, id).map(({ id: closure, plan }) => ({ id: closure, name: plan.name }));
  return (
    <>
      <Fresh seen={pulse(store).n} />
      <JobFeeder feeder={feeder} jobName={jobName(store, id)} closures={closures} />
    </>
  );
}
