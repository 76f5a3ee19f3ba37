import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { getClosures } from "@/service/job/closures";
import { getFeeders } from "@/service/job/feeders";
import { jobLeft } from "@/service/job/job-needs";
import { findJobById } from "@/service/job/jobs";
import { nextOfJob, plannedPlaces } from "@/service/job/places";
import { mismatchesOf, needsOf } from "@/service/job/planning";
import { pulse } from "@/service/pulse";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { JobView } from "@/ui/job/job-view";
import { Fresh } from "@/ui/live/fresh";

export const metadata: Metadata = { title: t("job") };
export const dynamic = "force-dynamic";

type Query = { words?: string; after?: string };

export default async function JobPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<Query>;
}) {
  const store = theStore();
  const { words, after } = await searchParams;
  const job = findJobById(store, (await params).id, {
    ...(typeof words === "string" ? { words } : {}),
    ...(typeof after === "string" ? { after } : {}),
  });
  if (!job) notFound();
  const { cables, entries } = library(store);
  const places = plannedPlaces(store, job.pieces);
  return (
    <>
      <Fresh seen={pulse(store).n} />
      <JobView
        {...job}
        words={typeof words === "string" ? words : ""}
        further={after !== undefined}
        closures={getClosures(store, job.id)}
        feeders={getFeeders(store, job.id)}
        entries={entries.map(({ id, name }) => ({ id, name }))}
        left={jobLeft(store, job.id)}
        onward={nextOfJob(store, job.id)}
        // A piece comes off the drum: what is opened in mid-run is a place of one.
        cables={cables.filter(({ construction }) => construction !== "mid-span")}
        pieces={job.pieces.map((piece) => ({
          ...piece,
          cable: cables.find(({ id }) => id === piece.plan.cable) ?? null,
          places: places.get(piece.id) ?? [],
          mismatches: mismatchesOf(store, piece.plan),
          needs: null,
          problem: null,
          ...needsOf(store, piece.plan),
        }))}
      />
    </>
  );
}
