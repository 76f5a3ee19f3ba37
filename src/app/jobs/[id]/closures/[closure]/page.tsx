import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { problemOf, throughId } from "@/core";
import { t } from "@/messages/app";
import { getClosure, joinablePlaces } from "@/service/job/closures";
import { findJobById } from "@/service/job/jobs";
import { pulse } from "@/service/pulse";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { ClosureTrouble } from "@/ui/closure/closure-trouble";
import { ClosureView } from "@/ui/closure/closure-view";
import { namedCables } from "@/ui/entry-drawing/entry-cables";
import { placingAnswer } from "@/ui/entry-drawing/ports-answer";
import { Fresh } from "@/ui/live/fresh";

export const metadata: Metadata = { title: t("closure") };
export const dynamic = "force-dynamic";

type Context = { params: Promise<{ id: string; closure: string }> };

/** The closure, or null where there is none. */
function closureById(id: string) {
  try {
    return getClosure(theStore(), id);
  } catch (error) {
    if (problemOf(error)?.code === "not-found") return null;
    throw error;
  }
}

export default async function ClosurePage({ params }: Context) {
  const { id, closure: closureId } = await params;
  const store = theStore();
  const closure = closureById(closureId);
  const job = closure && closure.job === id ? findJobById(store, id) : null;
  if (!closure || !job) notFound();
  const { entries, procedures, cables, tools, cautions } = library(store);
  const entry = entries.find((entry) => entry.id === closure.plan.entry);
  const procedure = procedures.find((procedure) => procedure.id === closure.plan.entry);
  if (!entry || !procedure) return <ClosureTrouble job={job} name={closure.plan.name} />;
  const { constructions } = procedure.appliesTo;
  const shelf = cables.filter(({ construction }) => constructions.includes(construction));
  return (
    <>
      <Fresh seen={pulse(store).n} />
      <ClosureView
        closure={closure}
        job={{ id: job.id, name: job.name }}
        entry={entry}
        procedure={procedure}
        going={procedures.find((procedure) => procedure.id === throughId(entry.id)) ?? null}
        cables={shelf}
        ported={placingAnswer({ ports: entry.ports, cables: namedCables(closure.plan.cables, shelf) })}
        tools={tools}
        cautions={cautions}
        joinable={joinablePlaces(store, job.id, entry)}
      />
    </>
  );
}
