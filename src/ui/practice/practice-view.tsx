"use client";

import { Printer, Volume2, VolumeX } from "lucide-react";
import { useEffect, useRef } from "react";
import { BUFFER_GRIPS, type CleaveFigures, HIDDEN_FAULTS, PAIR_PLACES, type Tool } from "@/core";
import { t } from "@/messages/practice";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { CleaveDrill } from "./cleave-drill";
import { ColourDrill } from "./colour-drill";
import type { DrillProps } from "./drill-result";
import { EyeDrill } from "./eye-drill";
import { FaultDrill } from "./fault-drill";
import { GripDrill } from "./grip-drill";
import { PolarityDrill } from "./polarity-drill";
import { PracticeProgress } from "./progress";
import { RuleDrill } from "./rule-drill";
import { usePractice } from "./use-practice";
import { useSound } from "./use-sound";
import { type PracticeEnd, WorkDrill } from "./work-drill";

const STRIPES = "repeating-linear-gradient(135deg, var(--inch) 0 10px, transparent 10px 20px)";

/** Parts of the drills: whole ends of the shelf, its tools, and the figures of a cleave. */
interface PracticeKit {
  readonly ends: readonly PracticeEnd[];
  readonly tools: readonly Tool[];
  readonly cleave: CleaveFigures;
}

/** Drills with a look of their own, so that nobody takes them for work: the next is the one that teaches most. */
export function PracticeView({ kit }: { readonly kit: PracticeKit }) {
  const { prefs } = usePrefs();
  const practice = usePractice(prefs.person);
  const sound = useSound();
  const { task, practised, drill } = practice;
  const answer = (isRight: boolean) => {
    sound.play(isRight);
    practice.answer(isRight);
  };
  const atHand = useRef<HTMLDivElement>(null);
  useEffect(() => {
    // A drill that was just begun has the keys, and is in view; its own field keeps them where it has taken them.
    const { current } = atHand;
    if (drill === 1 || !current) return;
    if (!current.contains(document.activeElement)) current.focus({ preventScroll: true });
    current.scrollIntoView({ block: "nearest" });
  }, [drill]);
  const Speaker = sound.isOn ? Volume2 : VolumeX;
  return (
    <main className="min-w-0 flex-1 p-2.5 print:p-0" style={{ background: STRIPES }}>
      <div className="min-h-full bg-ground">
        <header className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-3 sm:px-6">
          <h1 className="font-bold text-inch text-xl">{t("practice")}</h1>
          <p className="mr-auto text-inch">
            {t("drill", { n: drill })} · {t("nothing-on-record")}
          </p>
          <Link href="/practice/crew" className="no-print min-h-11 content-center underline">
            {t("for-the-trainer")}
          </Link>
          <Button look="quiet" className="no-print" aria-pressed={sound.isOn} onClick={sound.toggle}>
            <Speaker aria-hidden="true" className="size-4" /> {t("sound")}
          </Button>
          <Button look="quiet" className="no-print" onClick={() => window.print()}>
            <Printer aria-hidden="true" className="size-4" /> {t("print")}
          </Button>
        </header>
        <div className="grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-6 px-4 pb-6 sm:px-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
          <div ref={atHand} tabIndex={-1} className="no-print min-w-0 scroll-mt-20 self-start outline-none">
            {task !== null && (
              <Drill
                key={`${drill} ${task}`}
                task={task}
                kit={kit}
                onAnswer={answer}
                onNext={practice.goOn}
              />
            )}
          </div>
          <PracticeProgress
            practised={practised}
            onPractise={practice.practise}
            onForget={() => void practice.forget()}
          />
        </div>
      </div>
    </main>
  );
}

interface TaskDrillProps extends DrillProps {
  readonly task: string;
  readonly kit: PracticeKit;
}

function Drill({ task, kit, ...props }: TaskDrillProps) {
  const [kind, item = ""] = task.split("/");
  if (kind === "rule") return <RuleDrill unit={item === "in" ? "in" : "mm"} {...props} />;
  if (kind === "colour") return <ColourDrill fibre={Number(item)} {...props} />;
  if (kind === "mark") return <EyeDrill {...props} />;
  if (kind === "cleave") return <CleaveDrill figures={kit.cleave} {...props} />;
  const grip = BUFFER_GRIPS.find((each) => each === item);
  if (grip) return <GripDrill grip={grip} {...props} />;
  const place = PAIR_PLACES.find((each) => each === item);
  if (place) return <PolarityDrill place={place} {...props} />;
  const end = kit.ends.find(({ procedure: { id } }) => id === item);
  if (end) return <WorkDrill end={end} tools={kit.tools} {...props} />;
  const fault = HIDDEN_FAULTS.find((each) => each === item);
  return fault ? <FaultDrill fault={fault} {...props} /> : null;
}
