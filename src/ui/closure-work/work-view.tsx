"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { z } from "zod";
import {
  CLOSURE_STAGES,
  type ClosureAnswer,
  type ClosureAtWork,
  type ClosureRecorded,
  type ClosureStage,
  openInside,
  personBy,
  slotAt,
  zClosurePlan,
} from "@/core";
import { t } from "@/messages/closure-work";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";
import { usePrefs } from "../prefs/prefs-context";
import { MakeSplice, ReasonForm } from "./make-splice";
import { SpliceList } from "./splice-list";
import { StageItems } from "./stage-items";
import { STAGE_NAMES } from "./stage-names";
import { StageStrip } from "./stage-strip";
import { TrayDrawing } from "./tray-drawing";
import { type ClosureWorkHeld, useClosureWork } from "./use-closure-work";
import { WorkHistory } from "./work-history";

interface WorkViewProps {
  readonly closure: ClosureAnswer;
  readonly at: ClosureAtWork;
  readonly events: readonly ClosureRecorded[];
  readonly href: string;
}

/** A closure at the bench, stage by stage, from permission to the closed cover. */
export function WorkView({ closure, at, events: initial, href }: WorkViewProps) {
  const held = useClosureWork({ closure: closure.id, at, events: initial });
  const { work, events, happen, problem, busy } = held;
  const [chosen, setChosen] = useState<ClosureStage | null>(null);
  const { people } = usePeople();
  const shown = chosen ?? work.stage ?? "closing";
  // What was chosen by hand is left once its stage is done.
  const show = (stage: ClosureStage) => setChosen(stage);
  return (
    <main className="min-w-0 flex-1 px-4 pb-6 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
        <h1 className="font-bold text-xl">{t("work-at", { name: closure.plan.name })}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">{at.entry.name}</p>
        <p role="status" className="text-soft">
          {busy ? t("saving") : t("all-saved")}
        </p>
        <Button asChild className="no-print">
          <Link href={`${href}/splices`}>{t("open-plan")}</Link>
        </Button>
      </header>
      <StageStrip work={work} shown={shown} onShow={show} />
      {problem && (
        <p role="alert" className="mb-2 rounded-md border-2 border-out px-3 py-2">
          {problem}
        </p>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[2fr_1fr]">
        <section
          aria-label={STAGE_NAMES[shown]()}
          className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4"
        >
          {shown === "splices" ? (
            <SpliceStage held={held} closure={closure} at={at} href={href} />
          ) : (
            <StageItems work={work} stage={shown} busy={busy} href={href} happen={happen} />
          )}
        </section>
        <aside className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
          <KeepsOpen work={work} happen={happen} onShow={show} />
          <WorkHistory
            events={events}
            work={work}
            at={at}
            nameOf={(id) => (id && personBy(people, id)?.name) || "–"}
          />
        </aside>
      </div>
    </main>
  );
}

interface KeepsOpenProps extends Pick<ClosureWorkHeld, "work" | "happen"> {
  readonly onShow: (stage: ClosureStage) => void;
}

/** What keeps the cover off, stage by stage; once it is on, the way to open it again. */
function KeepsOpen({ work, happen, onShow }: KeepsOpenProps) {
  const open = CLOSURE_STAGES.filter((stage) => stage !== "closing" && work.open[stage] > 0);
  return (
    <section aria-label={t("still-open")} className="grid gap-2">
      <h2 className="font-bold text-lg">{work.closed ? t("closed-by-all") : t("still-open")}</h2>
      {open.length > 0 ? (
        <ul>
          {open.map((stage) => (
            <li key={stage}>
              <Button look="link" onClick={() => onShow(stage)}>
                {STAGE_NAMES[stage]()}: {t("count-to-do", { count: work.open[stage] })}
              </Button>
            </li>
          ))}
        </ul>
      ) : (
        !work.closed && (
          <Button look="next" className="no-print" onClick={() => onShow("closing")}>
            {t("closing-is-due")}
          </Button>
        )
      )}
      {work.reopened.length > 0 && (
        <p className="text-soft">{t("reopened-at", { count: work.reopened.length })}</p>
      )}
      {work.closing && (
        <ReasonForm label={t("open-again")} onReason={(reason) => happen({ kind: "reopen", reason })} />
      )}
      {openInside(work) === 0 && work.closed && <p className="text-in">{t("all-of-it-done")}</p>}
    </section>
  );
}

interface SpliceStageProps extends Pick<WorkViewProps, "closure" | "at" | "href"> {
  readonly held: ClosureWorkHeld;
}

/** Splices tray by tray: the tray, the list, and the one in hand. */
function SpliceStage({ held: { work, happen }, closure, at, href }: SpliceStageProps) {
  const { trays } = at.entry;
  const [picked, setPicked] = useState<string | null>(null);
  // Once one was made by its form, the next is typed without a touch in between.
  const [goesOn, setGoesOn] = useState(false);
  const next =
    work.splices.find(({ standing }) => standing === "out") ??
    work.splices.find(({ standing }) => standing === "open");
  const inHand = work.splices.find(({ splice }) => splice.id === picked) ?? next ?? null;
  const move = useMoveSplice(closure);
  const tray = (inHand?.splice.slot && trays && slotAt(trays, inHand.splice.slot)?.tray) || 1;
  const openRows = work.splices.filter(({ standing }) => standing === "open" || standing === "out").length;
  const used = trays
    ? [
        ...new Set(
          work.splices.flatMap(({ splice }) => (splice.slot ? (slotAt(trays, splice.slot)?.tray ?? []) : [])),
        ),
      ].sort((a, b) => a - b)
    : [];
  return (
    <>
      {work.open.splices > openRows && (
        <p className="rounded-md border-2 border-unsure px-3 py-2">
          {t("open-plan-first")}{" "}
          <Link href={`${href}/splices`} className="underline">
            {t("open-plan")}
          </Link>
        </p>
      )}
      {trays && used.length > 1 && (
        <p className="no-print flex flex-wrap gap-2">
          {used.map((number) => (
            <Button
              key={number}
              size="small"
              look={number === tray ? "strong" : "quiet"}
              onClick={() =>
                setPicked(
                  work.splices.find(
                    ({ splice }) => splice.slot && slotAt(trays, splice.slot)?.tray === number,
                  )?.splice.id ?? null,
                )
              }
            >
              {t("go-to-tray", { tray: number })}
            </Button>
          ))}
        </p>
      )}
      {trays && work.splices.length > 0 && (
        <TrayDrawing
          trays={trays}
          tray={tray}
          at={at}
          splices={work.splices}
          picked={inHand?.splice.id ?? null}
          onPick={setPicked}
          onSlot={(slot) => inHand && void move(inHand.splice.id, slot)}
        />
      )}
      {inHand && (
        <MakeSplice
          state={inHand}
          number={work.splices.indexOf(inHand) + 1}
          at={at}
          taken={work.splices.flatMap(({ splice }) =>
            splice.id === inHand.splice.id ? [] : (splice.slot ?? []),
          )}
          onSlot={(slot) => void move(inHand.splice.id, slot)}
          goesOn={goesOn}
          happen={async (event) => {
            const refused = await happen(event);
            if (refused === "" && event.kind === "splice") {
              setGoesOn(true);
              if (event.estimateDb <= at.plan.limitDb) setPicked(null);
            }
            return refused;
          }}
        />
      )}
      <SpliceList splices={work.splices} at={at} picked={inHand?.splice.id ?? null} onPick={setPicked} />
    </>
  );
}

/** Puts a splice into another slot: a change of the closure's plan. */
function useMoveSplice(closure: ClosureAnswer) {
  const { prefs } = usePrefs();
  const router = useRouter();
  return async (id: string, slot: string) => {
    const { splicing } = closure.plan;
    const splices = splicing.splices.map((splice) => (splice.id === id ? { ...splice, slot } : splice));
    await call("post /closures/{id}", {
      params: { id: closure.id },
      body: {
        basis: closure.revision,
        plan: z.encode(zClosurePlan, { ...closure.plan, splicing: { ...splicing, splices } }),
        by: prefs.person,
      },
    });
    router.refresh();
  };
}
