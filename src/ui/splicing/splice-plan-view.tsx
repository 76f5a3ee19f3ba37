"use client";

import { Undo2 } from "lucide-react";
import { useMemo } from "react";
import { type ClosureAnswer, type ClosureAtWork, reviewSplices, splicedIn } from "@/core";
import { t } from "@/messages/splicing";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Link } from "../controls/link";
import { KeptTrouble, KeptWord } from "../piece/kept-line";
import { AddSplices } from "./add-splices";
import { LeftOverList } from "./left-over";
import { LightDevices } from "./light-devices";
import { SpliceLines } from "./splice-lines";
import { SpliceRows } from "./splice-rows";
import { TrayPages } from "./tray-pages";
import { useSplicePlan } from "./use-splice-plan";

interface SplicePlanViewProps {
  readonly closure: ClosureAnswer;
  readonly at: ClosureAtWork;
  readonly href: string;
}

/** A closure's splice plan: lines between the fibres of its cables, and the same as a table. */
export function SplicePlanView({ closure, at, href }: SplicePlanViewProps) {
  const held = useSplicePlan(closure, at);
  const { plan } = held;
  const { entry } = at;
  const { problems, leftOver } = useMemo(() => reviewSplices(plan, at.cables), [plan, at.cables]);
  const cables = useMemo(() => splicedIn({ cables: at.cables, plan }), [at.cables, plan]);
  const lookAt = new Set(problems.map(({ splice }) => splice));
  return (
    <main className="min-w-0 flex-1 px-4 pb-6 sm:px-6">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
        <h1 className="font-bold text-xl">{t("splice-plan")}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">
          <Link href={href} className="underline">
            {closure.plan.name}
          </Link>{" "}
          · {entry.name}
        </p>
        <KeptWord save={held.saved} />
        <Button look="quiet" disabled={!held.mayUndo} onClick={held.undo} className="no-print">
          <Undo2 aria-hidden="true" className="size-4" /> {t("undo")}
        </Button>
        <Button className="no-print" disabled={plan.splices.length === 0} onClick={() => globalThis.print()}>
          {t("print")}
        </Button>
        <Button asChild className="no-print">
          <Link href={`${href}/work`}>{t("already-at-work")}</Link>
        </Button>
      </header>
      <KeptTrouble save={held.saved} again={held.again} />
      {cables.length === 0 && <p className="py-4">{t("no-cables-in-closure")}</p>}
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[3fr_2fr]">
        <section className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
          {plan.splices.length === 0 ? (
            <p className="text-soft">{t("nothing-is-spliced-yet")}</p>
          ) : (
            <SpliceLines plan={plan} cables={cables} wrong={lookAt} />
          )}
          <AddSplices cables={cables} held={held} />
          <LightDevices at={at} held={held} />
        </section>
        <section className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
          <h2 className="font-bold text-lg">
            <span role="status">
              {plan.splices.length > 0 &&
                t("of-need-a-look", { count: lookAt.size, all: plan.splices.length })}
            </span>
          </h2>
          <SpliceRows held={held} cables={cables} problems={problems} trays={entry.trays} />
          <LeftOverList leftOver={leftOver} cables={cables} held={held} />
          <LimitField plan={plan} onTake={held.limit} />
          {entry.trays ? (
            plan.splices.some(({ slot }) => slot === null) && (
              <Button onClick={held.giveSlots} className="no-print justify-self-start">
                {t("lay-on-trays")}
              </Button>
            )
          ) : (
            <p className="text-soft">{t("no-trays")}</p>
          )}
        </section>
      </div>
      <TrayPages name={closure.plan.name} plan={plan} at={at} />
    </main>
  );
}

interface LimitFieldProps {
  readonly plan: ClosureAtWork["plan"];
  readonly onTake: (limitDb: number) => void;
}

function LimitField({ plan, onTake }: LimitFieldProps) {
  return (
    <Field
      key={plan.limitDb}
      title={t("limit-of-an-estimate")}
      inputMode="decimal"
      defaultValue={String(plan.limitDb)}
      className="no-print max-w-xs"
      onBlur={({ target }) => {
        const value = Number(target.value.replace(",", "."));
        if (Number.isFinite(value) && value >= 0 && value <= 10 && value !== plan.limitDb) onTake(value);
        else target.value = String(plan.limitDb);
      }}
    />
  );
}
