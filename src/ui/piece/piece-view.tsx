"use client";

import { Undo2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useCallback, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { type PiecePlan, planParts, withDragged } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { CannotBe } from "../controls/cannot-be";
import { Link } from "../controls/link";
import { handleOf, stationHandle } from "../piece-band/handles";
import { PieceBand } from "../piece-band/piece-band";
import { Mismatch } from "../plan/mismatch";
import { CutColumn } from "./cut-column";
import { KeptTrouble, KeptWord } from "./kept-line";
import { NeedsColumn } from "./needs-column";
import type { ColumnProps, PieceViewProps } from "./piece-props";
import { PlacesPanel } from "./places-panel";
import { TriesColumn } from "./tries-column";
import { usePlan } from "./use-plan";

/** One piece as it is planned: its band, what it needs as a list that adds up, and the cut. */
export function PieceView(view: PieceViewProps) {
  const { job, piece, cable, styles, midRun, own, mismatches } = view;
  const router = useRouter();
  const parts = useCallback(
    (plan: PiecePlan) => planParts(plan, { cable, styles, midRun, own }),
    [cable, styles, midRun, own],
  );
  // Which ends there are follows from the plan as it is kept.
  const planning = usePlan({
    piece,
    revision: view.revision,
    plan: view.plan,
    parts,
    onKept: router.refresh,
  });
  const { plan, shown, needs, change, tryOut, undo, problem, saved, again } = planning;
  const [picked, setPicked] = useState("A");
  const [pointed, setPointed] = useState<string | null>(null);
  useHotkeys("z", undo, [undo]);
  const column: ColumnProps = {
    view,
    planning,
    picked,
    onPick: setPicked,
    pointed,
    onPoint: setPointed,
  };
  return (
    <main className="min-w-0 flex-1">
      <PieceHead name={plan.name} piece={piece} cable={cable} job={job} planning={planning} />
      <PieceBand
        cable={cable}
        needs={needs}
        lit={pointed ?? picked}
        onPoint={setPointed}
        drag={{
          handleOf: (need) => handleOf(need, shown),
          stationHandle: (id, follows) =>
            stationHandle(
              shown,
              shown.stations.findIndex((station) => station.id === id),
              { most: needs.exact, follows },
            ),
          onTry: (part, value) =>
            tryOut(value === null ? null : (before) => withDragged(before, part, value)),
          onSet: (part, value) => change((before) => withDragged(before, part, value)),
        }}
      />
      <KeptTrouble save={saved} again={again} />
      <CannotBe message={problem} />
      {mismatches.length > 0 && (
        <div className="px-4 pt-3 sm:px-6">
          <Mismatch all={mismatches} />
        </div>
      )}
      <div className="grid gap-6 px-4 py-4 sm:px-6 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,0.9fr)]">
        <NeedsColumn {...column} />
        <CutColumn {...column} />
        <TriesColumn {...column} />
      </div>
      <section aria-labelledby="ends" className="border-line border-t px-4 py-4 sm:px-6">
        <h2 id="ends" className="mb-1 font-bold text-lg">
          {t("its-ends")}
        </h2>
        <PlacesPanel piece={piece} places={view.places} plan={plan} />
      </section>
    </main>
  );
}

interface PieceHeadProps extends Pick<PieceViewProps, "cable" | "job" | "piece"> {
  readonly name: string;
  readonly planning: ColumnProps["planning"];
}

function PieceHead({ name, piece, cable, job, planning: { saved, mayUndo, undo } }: PieceHeadProps) {
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2 sm:px-6">
      <h1 className="min-w-0 truncate font-bold text-xl">{name}</h1>
      <p className="mr-auto min-w-0 truncate text-soft">
        {cable.name} ·{" "}
        <Link href={`/jobs/${job.id}`} className="underline">
          {job.name}
        </Link>
      </p>
      <KeptWord save={saved} />
      <Button asChild look="quiet">
        <Link href={`/jobs/${job.id}/${piece}/link`}>{t("its-link")}</Link>
      </Button>
      <Button look="quiet" disabled={!mayUndo} onClick={undo}>
        <Undo2 aria-hidden="true" className="size-4" /> {t("undo")}
      </Button>
    </header>
  );
}
