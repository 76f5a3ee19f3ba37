"use client";

import { Undo2 } from "lucide-react";
import { type ReactNode, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { toast } from "sonner";
import { type FeederAnswer, jointLights, leastMargin, tapsToBring, withJoint, withTap } from "@/core";
import { t } from "@/messages/feeder";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { FileButton } from "../controls/file-button";
import { saveFile } from "../controls/save-file";
import { FeederDrawing } from "./feeder-drawing";
import { FeederFigures } from "./feeder-figures";
import { JointPanel } from "./joint-panel";
import { useBestTaps } from "./use-best-taps";
import { type FeederHeld, readFeeder } from "./use-feeder";

/** Whole decibels and a tenth, as a meter shows them. */
const db = (value: number): string => decimal(value.toFixed(1));

interface FeederViewProps {
  readonly held: FeederHeld;
  /** Closures of the feeder's job; none where it is of no job. */
  readonly closures: readonly { readonly id: string; readonly name: string }[];
  readonly readings: FeederAnswer["readings"];
  /** Shown below the head. */
  readonly children?: ReactNode;
}

/** A feeder with a tap at each joint: the power and margin at every drop, a tap changed by a key. */
export function FeederView({ held, closures, readings, children }: FeederViewProps) {
  const { plan, change, undo } = held;
  const [picked, setPicked] = useState(0);
  const at = Math.min(picked, plan.joints.length - 1);
  const lights = jointLights(plan);
  const least = leastMargin(lights);
  const lacking = tapsToBring(plan).filter(({ lacking: n }) => n !== null && n > 0);
  const step = (by: number) => {
    const taps = [...plan.stock].sort((a, b) => a.tapPct - b.tapPct);
    const place = taps.findIndex(({ tapPct }) => tapPct === plan.joints[at]?.tapPct);
    const next = taps[Math.max(0, Math.min(taps.length - 1, place + by))];
    if (next) change(withTap(plan, at, next.tapPct));
  };
  useHotkeys("up", () => step(1), { preventDefault: true });
  useHotkeys("down", () => step(-1), { preventDefault: true });
  useHotkeys("left", () => setPicked(Math.max(0, at - 1)), { preventDefault: true });
  useHotkeys("right", () => setPicked(Math.min(plan.joints.length - 1, at + 1)), { preventDefault: true });
  useHotkeys("z", undo);
  return (
    <main className="min-w-0 flex-1 pb-6">
      <FeederHead {...held} />
      {children && <div className="px-4 pb-2 sm:px-6">{children}</div>}
      <FeederDrawing plan={plan} lights={lights} readings={readings} picked={at} onPick={setPicked} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 px-4 pt-4 sm:px-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,2fr)]">
        <section aria-label={t("least-margin")}>
          <p className="text-soft">{t("least-margin")}</p>
          <p className="leading-none">
            <span className={`figures font-bold text-6xl ${least.margin < plan.margin ? "text-out" : ""}`}>
              {db(least.margin)}
            </span>{" "}
            <span className="text-xl">{t("db")}</span>
          </p>
          <p role="status" className="mt-1 font-semibold">
            {least.margin < plan.margin
              ? t("short-by-at", { db: db(plan.margin - least.margin), joint: least.at + 1 })
              : t("in-by-at", { db: db(least.margin - plan.margin), joint: least.at + 1 })}
          </p>
          {lights.some(({ trouble }) => trouble === "too-much") && (
            <p className="mt-1 font-semibold text-out">
              {t("too-much-at", {
                joints: lights
                  .flatMap(({ trouble }, i) => (trouble === "too-much" ? [i + 1] : []))
                  .join(", "),
              })}
            </p>
          )}
          <p className="mt-2 text-soft">
            {t("taps-to-bring", {
              taps: tapsToBring(plan)
                .map(({ tapPct, count }) => `${count} × ${decimal(String(tapPct))} %`)
                .join(", "),
            })}
          </p>
          {lacking.length > 0 && (
            <p className="mt-1 font-semibold text-out">
              {t("the-box-lacks", {
                taps: lacking
                  .map(({ tapPct, lacking: n }) => `${n} × ${decimal(String(tapPct))} %`)
                  .join(", "),
              })}
            </p>
          )}
          <p className="no-print mt-2 text-soft text-sm">{t("keys-of-the-feeder")}</p>
        </section>
        <JointPanel
          key={at}
          {...{ plan, at, closures }}
          readings={readings.filter(({ joint }) => joint === at)}
          onChange={change}
          onPick={setPicked}
        />
      </div>
      <FeederFigures plan={plan} onChange={change} />
    </main>
  );
}

function FeederHead({ plan, change, undo, mayUndo }: FeederHeld) {
  const best = useBestTaps({ plan, change });
  const open = async (file: File) => {
    const feeder = file.size < 400_000 ? readFeeder(await file.text()) : null;
    if (feeder) change(feeder);
    else toast.error(t("no-feeder-in-the-file"));
  };
  const save = () => saveFile("arlent-feeder.json", "application/json", JSON.stringify(plan, null, 2));
  return (
    <header className="flex flex-wrap items-center gap-3 px-4 py-3 sm:px-6">
      <h1 className="font-bold text-xl">{plan.name || t("feeder")}</h1>
      <p className="mr-auto text-soft">
        {t("joints-and-drops", {
          joints: plan.joints.length,
          drops: plan.joints.reduce((sum, { drops }) => sum + drops, 0),
        })}
      </p>
      <div className="no-print flex flex-wrap gap-2">
        <Button disabled={!mayUndo} onClick={undo}>
          <Undo2 aria-hidden="true" className="size-4" /> {t("undo")}
        </Button>
        <Button onClick={save}>{t("save-as-a-file")}</Button>
        <Button onClick={() => globalThis.print()}>{t("print")}</Button>
        <FileButton name={t("open-a-file")} accept=".json" onFile={open} />
        <Button onClick={() => change(withJoint(plan))}>{t("add-a-joint")}</Button>
        <Button look="next" disabled={best.busy} onClick={best.find}>
          {best.busy ? t("finding-best-taps") : t("best-taps")}
        </Button>
      </div>
    </header>
  );
}
