import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { throughId } from "@/core";
import { t } from "@/messages/app";
import { jobsPage } from "@/service/job/jobs";
import { library } from "@/service/shelf/library";
import { theStore } from "@/service/the-store";
import { EntryView } from "@/ui/entry/entry-view";
import { namedCables, readCables } from "@/ui/entry-drawing/entry-cables";
import { placingAnswer } from "@/ui/entry-drawing/ports-answer";

export const metadata: Metadata = { title: t("entry") };
export const dynamic = "force-dynamic";

type Context = {
  params: Promise<{ id: string }>;
  searchParams: Promise<Record<string, string | string[] | undefined>>;
};

export default async function EntryPage({ params, searchParams }: Context) {
  const { id } = await params;
  const { c = [] } = await searchParams;
  const { entries, procedures, cables, tools, cautions } = library(theStore());
  const entry = entries.find((entry) => entry.id === id);
  const procedure = procedures.find((procedure) => procedure.id === id);
  if (!entry || !procedure) notFound();
  const { constructions } = procedure.appliesTo;
  const shelf = cables.filter(({ construction }) => constructions.includes(construction));
  const named = readCables(typeof c === "string" ? [c] : c);
  return (
    <EntryView
      entry={entry}
      procedure={procedure}
      going={procedures.find((procedure) => procedure.id === throughId(id)) ?? null}
      cables={shelf}
      tools={tools}
      cautions={cautions}
      jobs={jobsPage(theStore(), {}).rows.map(({ id, name }) => ({ id, name }))}
      initial={{
        cables: named,
        answer: placingAnswer({ ports: entry.ports, cables: namedCables(named, shelf) }),
      }}
    />
  );
}
