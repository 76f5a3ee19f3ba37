import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { t } from "@/messages/app";
import { findPiece } from "@/service/job/jobs";
import { placesOfPiece } from "@/service/job/places";
import { crewYield, mismatchesOf, stylesFor } from "@/service/job/planning";
import { pulse } from "@/service/pulse";
import { theStore } from "@/service/the-store";
import { Fresh } from "@/ui/live/fresh";
import { PieceTrouble } from "@/ui/piece/piece-trouble";
import { PieceView } from "@/ui/piece/piece-view";

export const metadata: Metadata = { title: t("piece") };
export const dynamic = "force-dynamic";

const yieldAt = (store: ReturnType<typeof theStore>, style: string | null) =>
  style === null ? null : crewYield(store, style);

type Context = { params: Promise<{ id: string; piece: string }> };

export default async function PiecePage({ params }: Context) {
  const { id, piece: pieceId } = await params;
  const store = theStore();
  const match = findPiece(store, id, pieceId);
  if (!match) notFound();
  const { job, piece, cable, problem } = match;
  if (!cable || problem !== null)
    return (
      <PieceTrouble job={job} name={piece.plan.name} message={problem ?? t("its-cable-is-not-on-the")} />
    );
  return (
    <>
      <Fresh seen={pulse(store).n} />
      <PieceView
        job={job}
        piece={piece.id}
        revision={piece.revision}
        plan={piece.plan}
        cable={cable}
        places={placesOfPiece(store, piece)}
        {...stylesFor(store, piece.plan, cable)}
        mismatches={mismatchesOf(store, piece.plan)}
        record={{
          A: yieldAt(store, piece.plan.sides.A.procedure),
          B: yieldAt(store, piece.plan.sides.B.procedure),
        }}
      />
    </>
  );
}
