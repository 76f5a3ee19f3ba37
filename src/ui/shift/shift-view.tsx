"use client";

import { Check, Circle, X } from "lucide-react";
import { useHotkeys } from "react-hotkeys-hook";
import { type Instrument, markedName, type ToolStanding } from "@/core";
import { t } from "@/messages/shift";
import { Link } from "../controls/link";
import { LocalClock } from "../words/local-time";
import { CheckedPanel } from "./checked-panel";
import { Lots } from "./lots";
import { QuestionPanel } from "./question-panel";
import { GaugePanel, TorquePanel } from "./read-panel";
import { isSameTool, type OneTool, type Shift, useShift } from "./use-shift";

interface ShiftViewProps {
  readonly tools: readonly ToolStanding[];
  readonly instruments: readonly Instrument[];
  readonly lots: Parameters<typeof Lots>[0]["lots"];
  readonly styles: Parameters<typeof Lots>[0]["styles"];
}

/** The tools checked before the first strip of a shift, one after the other, by keyboard or touch. */
export function ShiftView({ tools: first, instruments, lots, styles }: ShiftViewProps) {
  const shift = useShift(first);
  const { tools, at, left, pick } = shift;
  const step = (by: number) => {
    const place = tools.findIndex((tool) => at && isSameTool(tool, at)) + by;
    const wanted = tools[place];
    if (wanted) pick(wanted);
  };
  useHotkeys("down", () => step(1), { preventDefault: true });
  useHotkeys("up", () => step(-1), { preventDefault: true });
  const inUse = tools.filter((tool) => tool.inUse);
  const others = tools.filter((tool) => !tool.inUse);
  return (
    <main className="min-w-0 flex-1 px-4 pt-3 pb-8 sm:px-6">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="font-bold text-2xl">{t("check-the-tools")}</h1>
        <p role="status" className="mr-auto text-lg">
          {left > 0 ? t("tools-left", { left }) : inUse.length > 0 ? t("all-checked") : t("none-in-use")}
        </p>
        <Link href="/bench" className="min-h-11 content-center underline">
          {t("to-the-bench")}
        </Link>
      </div>
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,20rem)_minmax(0,1fr)]">
        <section aria-label={t("at-hand")} className="min-w-0 lg:order-2">
          {at && <AtHand key={keyOf(at)} tool={at} shift={shift} instruments={instruments} />}
          <Lots lots={shift.lots ?? lots} styles={styles} onOpened={shift.refresh} />
        </section>
        <nav aria-label={t("tools")} className="min-w-0 lg:order-1">
          <ToolGroup name={t("in-use")} tools={inUse} shift={shift} />
          <ToolGroup name={inUse.length > 0 ? t("others") : t("all-tools")} tools={others} shift={shift} />
        </nav>
      </div>
    </main>
  );
}

interface AtHandProps {
  readonly tool: ToolStanding;
  readonly shift: Shift;
  readonly instruments: readonly Instrument[];
}

function AtHand({ tool, shift, instruments }: AtHandProps) {
  if (shift.isChecked) return <CheckedPanel tool={tool} shift={shift} />;
  const instrument = instruments.find(({ id }) => id === tool.id);
  if (tool.kind === "length" && instrument)
    return <GaugePanel tool={tool} shift={shift} instrument={instrument} />;
  if (tool.kind === "torque") return <TorquePanel tool={tool} shift={shift} />;
  return <QuestionPanel tool={tool} shift={shift} />;
}

const keyOf = ({ id, mark }: OneTool): string => `${id} ${mark}`;

const STANDS = {
  due: { Icon: Circle, className: "text-soft" },
  good: { Icon: Check, className: "text-in" },
  failed: { Icon: X, className: "text-out" },
} as const;

interface ToolGroupProps {
  readonly name: string;
  readonly tools: readonly ToolStanding[];
  readonly shift: Shift;
}

function ToolGroup({ name, tools, shift }: ToolGroupProps) {
  if (tools.length === 0) return null;
  return (
    <>
      <h2 className="mt-2 font-semibold text-soft">{name}</h2>
      <ul className="mt-1 grid gap-1 sm:grid-cols-2 lg:grid-cols-1">
        {tools.map((tool) => {
          const stands = shift.stands(tool);
          const { Icon, className } = STANDS[stands];
          const isAt = shift.at !== undefined && isSameTool(tool, shift.at);
          return (
            <li key={keyOf(tool)}>
              <button
                type="button"
                aria-current={isAt ? "true" : undefined}
                onClick={() => shift.pick(tool)}
                className={`flex min-h-12 w-full items-center gap-3 rounded-lg border-2 px-3 text-left ${isAt ? "border-now bg-raised font-bold" : "border-line"}`}
              >
                <Icon aria-hidden="true" className={`size-5 shrink-0 ${className}`} />
                <span className="min-w-0 flex-1 first-letter:uppercase">
                  {markedName(tool.name, tool.mark)}
                </span>
                <span className={`shrink-0 text-sm ${className}`}>
                  {stands === "due" ? t("not-checked") : stands === "failed" ? t("failed") : t("good")}{" "}
                  {tool.last && stands !== "due" && <LocalClock iso={tool.last.at} />}
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
}
