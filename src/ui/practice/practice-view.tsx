"use client";

import { Printer } from "lucide-react";
import { HIDDEN_FAULTS } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { usePrefs } from "../prefs/prefs-context";
import { ColourDrill } from "./colour-drill";
import type { DrillProps } from "./drill-result";
import { FaultDrill } from "./fault-drill";
import { PracticeProgress } from "./progress";
import { RuleDrill } from "./rule-drill";
import { usePractice } from "./use-practice";

const STRIPES = "repeating-linear-gradient(135deg, var(--inch) 0 10px, transparent 10px 20px)";

/** Drills with a look of their own, so that nobody takes them for work: the next is the one that teaches most. */
export function PracticeView() {
  const { prefs } = usePrefs();
  const practice = usePractice(prefs.person);
  const { task, practised, drill } = practice;
  return (
    <main className="min-w-0 flex-1 p-2.5 print:p-0" style={{ background: STRIPES }}>
      <div className="min-h-full bg-ground">
        <header className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-3 sm:px-6">
          <h1 className="font-bold text-inch text-xl">{t("practice")}</h1>
          <p className="mr-auto text-inch">
            {t("drill", { n: drill })} · {t("nothing-on-record")}
          </p>
          <Button look="quiet" className="no-print" onClick={() => window.print()}>
            <Printer aria-hidden="true" className="size-4" /> {t("print")}
          </Button>
        </header>
        <div className="grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 px-4 pb-6 sm:px-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
          <div className="no-print min-w-0">
            {task !== null && (
              <Drill key={`${drill} ${task}`} task={task} onAnswer={practice.answer} onNext={practice.goOn} />
            )}
          </div>
          <PracticeProgress practised={practised} onForget={practice.forget} />
        </div>
      </div>
    </main>
  );
}

function Drill({ task, ...props }: { readonly task: string } & DrillProps) {
  const [kind, item = ""] = task.split("/");
  if (kind === "rule") return <RuleDrill unit={item === "in" ? "in" : "mm"} {...props} />;
  if (kind === "colour") return <ColourDrill fibre={Number(item)} {...props} />;
  const fault = HIDDEN_FAULTS.find((each) => each === item);
  return fault ? <FaultDrill fault={fault} {...props} /> : null;
}
