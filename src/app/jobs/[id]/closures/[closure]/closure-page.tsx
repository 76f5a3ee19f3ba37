import { notFound } from "next/navigation";
import type { ComponentType } from "react";
import { type ClosurePage, findClosurePage } from "@/service/job/closure-page";
import { pulse } from "@/service/pulse";
import { theStore } from "@/service/the-store";
import { Fresh } from "@/ui/live/fresh";

interface Context {
  readonly params: Promise<{ id: string; closure: string }>;
}

/** A page of one closure, drawn by the view given; not found where the job has no such closure. */
export const closurePage = (View: ComponentType<ClosurePage & { readonly href: string }>) =>
  async function Page({ params }: Context) {
    const { id, closure } = await params;
    const store = theStore();
    const page = findClosurePage(store, id, closure);
    if (!page) notFound();
    return (
      <>
        <Fresh seen={pulse(store).n} />
        <View {...page} href={`/jobs/${id}/closures/${page.closure.id}`} />
      </>
    );
  };
