"use client";

import { useState } from "react";
import {
  CLOSURE_STAGES,
  type ClosureAnswer,
  type ClosureAtWork,
  type ClosureRecorded,
  type ClosureStage,
  type FailedClosureTool,
  openInside,
  personBy,
  type Splicing,
} from "@/core";
import { t } from "@/messages/closure-work";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { usePeople } from "../people/people-context";
import { ClosureDrawing } from "./closure-drawing";
import { ClosureToolsFailed } from "./closure-tools-failed";
import { ReasonForm } from "./make-splice";
import { SpliceStage } from "./splice-stage";
import { StageItems } from "./stage-items";
import { STAGE_NAMES } from "./stage-names";
import { StageStrip } from "./stage-strip";
import { type ClosureWorkHeld, useClosureWork } from "./use-closure-work";
import { WorkHistory } from "./work-history";

interface WorkViewProps {
  readonly closure: ClosureAnswer;
  readonly at: ClosureAtWork;
  readonly events: readonly ClosureRecorded[];
  readonly splicing: readonly Splicing[];
  readonly failedTools: readonly FailedClosureTool[];
  readonly href: string;
}

/** A closure at the bench, stage by stage, from permission to the closed cover. */
export function WorkView({ closure, at, events: initial, splicing, failedTools, href }: WorkViewProps) {
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
        <Button asChild className="no-print">
          <a href={`/api/v1/closures/${closure.id}/file`} target="_blank" rel="noreferrer">
            {t("record-pdf")}
          </a>
        </Button>
        <Button asChild look="link" className="no-print">
          <a href={`/api/v1/closures/${closure.id}/file?format=csv`} download>
            {t("record-csv")}
          </a>
        </Button>
      </header>
      <ClosureToolsFailed tools={failedTools} />
      <StageStrip work={work} shown={shown} onShow={show} />
      <ClosureDrawing at={at} work={work} shown={shown} onShow={show} />
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
            <SpliceStage {...{ held, closure, at, splicing, href }} />
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
