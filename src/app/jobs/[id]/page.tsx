import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { findJobById, needsOf } from "@/service/jobs";
import { library } from "@/service/library";
import { theStore } from "@/service/the-store";
import { JobView } from "@/ui/jobs/job-view";

export const metadata: Metadata = { title: "Job" };
export const dynamic = "force-dynamic";

export default async function JobPage({ params }: { params: Promise<{ id: string }> }) {
  const store = theStore();
  const job = findJobById(store, (await params).id);
  if (!job) notFound();
  const { cables } = library(store);
  return (
    <JobView
      id={job.id}
      name={job.name}
      cables={cables}
      pieces={job.pieces.map((piece) => ({
        ...piece,
        cable: cables.find(({ id }) => id === piece.plan.cable) ?? null,
        needs: null,
        problem: null,
        ...needsOf(store, piece.plan),
      }))}
    />
  );
}
