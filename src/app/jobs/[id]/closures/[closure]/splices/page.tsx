import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findClosurePage } from "@/service/job/closure-page";
import { pulse } from "@/service/pulse";
import { theStore } from "@/service/the-store";
import { Fresh } from "@/ui/live/fresh";
import { SplicePlanView } from "@/ui/splicing/splice-plan-view";

export const metadata: Metadata = { title: t("splice-plan") };
export const dynamic = "force-dynamic";

type Context = { params: Promise<{ id: string; closure: string }> };

export default async function Page({ params }: Context) {
  const { id, closure } = await params;
  const store = theStore();
  const page = findClosurePage(store, id, closure);
  if (!page) notFound();
  return (
    <>
      <Fresh seen={pulse(store).n} />
      <SplicePlanView {...page} href={`/jobs/${id}/closures/${page.closure.id}`} />
    </>
  );
}
