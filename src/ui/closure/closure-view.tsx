"use client";

import { useRouter } from "next/navigation";
import { type ComponentProps, useCallback, useMemo, useState } from "react";
import { z } from "zod";
import {
  asRole,
  type ClosureAnswer,
  type ClosureCable,
  type ClosurePlan,
  cablesAlike,
  zClosurePlan,
} from "@/core";
import { t } from "@/messages/entry";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { EntryHead } from "../entry/entry-head";
import { type EntryShown, EntryWork } from "../entry/entry-work";
import { broughtIn } from "../entry-drawing/entry-cables";
import type { PlacingAnswer } from "../entry-drawing/ports-answer";
import { useEntryCables } from "../entry-drawing/use-entry-cables";
import { call } from "../http/http";
import { KeptTrouble, KeptWord } from "../piece/kept-line";
import { useKeeper } from "../piece/use-keeper";
import { FiguresFirst } from "../plan/figures-first";
import { usePrefs } from "../prefs/prefs-context";
import { BringPiece } from "./bring-piece";
import { CableStands } from "./cable-stands";
import { type Joinable, standingsOf } from "./joined";
import { useBeginClosure } from "./use-begin-closure";

interface ClosureViewProps extends EntryShown {
  readonly closure: ClosureAnswer;
  readonly job: { readonly id: string; readonly name: string };
  readonly joinable: readonly Joinable[];
  /** Which ports its cables go in, as its plan stands. */
  readonly ported: PlacingAnswer;
}

/** A closure kept in a job: its cables as pieces of the job, each with how it stands and the way to the bench. */
export function ClosureView({ closure, job, joinable, ported, ...shown }: ClosureViewProps) {
  const { entry, cables: shelf } = shown;
  const { name, rename, saved, keepAgain, state } = useClosurePlan({ closure, entry, shelf, ported });
  const { cables, named, change } = state;
  const standings = useMemo(() => standingsOf(closure.cables), [closure.cables]);
  const { begin, busy, problem, asking } = useBeginClosure(closure.id);
  const groups = cablesAlike(cables, standings);
  const mayBegin = saved.now === "kept" && !busy;
  return (
    <EntryWork
      {...shown}
      state={state}
      head={
        <>
          <EntryHead
            entry={entry}
            mayUndo={state.mayUndo}
            mayPrint={named.length > 0}
            onUndo={state.undo}
            of={{
              name,
              job,
              onRename: rename,
            }}
          >
            <ClosureLinks save={saved} href={`/jobs/${job.id}/closures/${closure.id}`} />
          </EntryHead>
          <KeptTrouble save={saved} again={keepAgain} />
        </>
      }
      partedOf={(cable) => standings.get(cable.id)?.parted ?? []}
      beside={(cable) => (
        <CableStands
          cable={cable}
          stands={standings.get(cable.id)}
          job={job.id}
          busy={!mayBegin}
          onBegin={() => begin([cable])}
        />
      )}
      bring={
        <>
          <BringPiece
            joinable={joinable.filter(
              ({ piece, side }) => !cables.some(({ joins }) => joins?.piece === piece && joins.side === side),
            )}
            job={job}
            onBring={({ piece, side, cable }, role) =>
              change([
                ...cables,
                broughtIn({ cable, ...asRole(role), opening: null, joins: { piece, side } }),
              ])
            }
          />
          <Batches
            groups={groups}
            shelf={shelf}
            mayBegin={mayBegin}
            onBegin={(ids) => begin(cables.filter(({ id }) => ids.includes(id)))}
          />
          <FiguresFirst asking={asking} />
          {problem && (
            <p role="alert" className="mt-3 rounded-md border-2 border-out px-3 py-2">
              {problem}
            </p>
          )}
          <p className="mt-4">
            <Link href={`/jobs/${job.id}`} className="underline">
              {t("all-of", { name: job.name })}
            </Link>
          </p>
        </>
      }
    />
  );
}

interface PlannedClosure extends Pick<EntryShown, "entry">, Pick<ClosureViewProps, "closure" | "ported"> {
  readonly shelf: EntryShown["cables"];
}

/** The closure's plan being edited: saved after every change, taken from the server when somebody else saved. */
function useClosurePlan({ closure, entry, shelf, ported }: PlannedClosure) {
  const { prefs } = usePrefs();
  const router = useRouter();
  const [name, setName] = useState(closure.plan.name);
  const ofPlan = { cables: closure.plan.cables, answer: ported };
  const send = useCallback(
    (plan: ClosurePlan, basis: number) =>
      call("post /closures/{id}", {
        params: { id: closure.id },
        body: {
          basis,
          plan: z.encode(zClosurePlan, plan),
          by: prefs.person,
        },
      }),
    [closure.id, prefs.person],
  );
  const { saved, keep } = useKeeper({
    revision: closure.revision,
    send,
    onKept: router.refresh,
    onNewer: () => {
      setName(closure.plan.name);
      state.startFrom(ofPlan);
    },
  });
  const keepAs = (as: string, all: readonly ClosureCable[]) =>
    keep({ name: as, entry: entry.id, cables: all, splicing: closure.plan.splicing });
  const state = useEntryCables(ofPlan, entry.ports, shelf, (all) => keepAs(name, all));
  return {
    name,
    rename: (next: string) => {
      setName(next);
      keepAs(next, state.cables);
    },
    saved,
    keepAgain: () => keepAs(name, state.cables),
    state,
  };
}

/** Whether the plan is saved, and the ways to the splice plan and the work. */
const ClosureLinks = ({
  save: saved,
  href,
}: {
  save: ComponentProps<typeof KeptWord>["save"];
  href: string;
}) => (
  <>
    <KeptWord save={saved} />
    <Button asChild className="no-print">
      <Link href={`${href}/splices`}>{t("splice-plan")}</Link>
    </Button>
    <Button asChild look="next" className="no-print">
      <Link href={`${href}/work`}>{t("work-at-this-closure")}</Link>
    </Button>
  </>
);

interface BatchesProps {
  readonly groups: ReturnType<typeof cablesAlike>;
  readonly shelf: EntryShown["cables"];
  readonly mayBegin: boolean;
  readonly onBegin: (ids: readonly string[]) => void;
}

/** Cables that are prepared alike can be begun together, as a batch. */
function Batches({ groups, shelf, mayBegin, onBegin }: BatchesProps) {
  if (groups.length === 0) return null;
  return (
    <ul className="no-print mt-4 grid gap-2">
      {groups.map(({ cable, through, ids }) => (
        <li key={`${cable} ${through}`}>
          <Button disabled={!mayBegin} onClick={() => onBegin(ids)}>
            {ids.length} × {shelf.find(({ id }) => id === cable)?.name ?? cable}
            {through && t("through")} {t("as-a-batch")}
          </Button>
        </li>
      ))}
    </ul>
  );
}
