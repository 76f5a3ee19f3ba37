import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { attempt, check, zLinkQuery } from "@/core";
import { t } from "@/messages/app";
import { findPiece } from "@/service/job/jobs";
import { linkOf } from "@/service/job/link";
import { theStore } from "@/service/the-store";
import { LinkView } from "@/ui/link/link-view";

export const metadata: Metadata = { title: t("link") };
export const dynamic = "force-dynamic";

interface Context {
  readonly params: Promise<{ id: string; piece: string }>;
  readonly searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function LinkPage({ params, searchParams }: Context) {
  const { id, piece: pieceId } = await params;
  const { side, fibre } = await searchParams;
  const store = theStore();
  const match = findPiece(store, id, pieceId);
  if (!match?.cable) notFound();
  const { job, piece, cable } = match;
  const query = attempt(() => check(zLinkQuery, { side, fibre })).value ?? check(zLinkQuery, {});
  const link = attempt(() => linkOf(store, piece.id, query));
  return (
    <LinkView
      job={job}
      piece={{ id: piece.id, name: piece.plan.name, fibres: cable.fibreCount }}
      start={query}
      link={link.value}
      problem={link.problem?.message ?? ""}
    />
  );
}
