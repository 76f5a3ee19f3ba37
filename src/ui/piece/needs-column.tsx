"use client";
import { type Need, needKey } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { figuresText, metresText, unsaidWord } from "../plan/metres";
import { PieceEditor } from "./piece-editor";
import type { ColumnProps } from "./piece-props";
import { Stations } from "./stations";

/** What the piece needs as a list that adds up, its openings, and what is said of it whole. */
export function NeedsColumn({ view, planning, picked, onPick, pointed, onPoint }: ColumnProps) {
  const { cable, midRun, onParted } = view;
  const { plan, needs, change } = planning;
  const at = needs.items.find((need) => needKey(need) === picked) ?? needs.items[0];
  const addStretch = () => {
    if (
      change((before) => ({
        ...before,
        route: [...before.route, { kind: "duct", name: "", length: null, allowancePct: null, sag: null }],
      }))
    )
      onPick(`route ${plan.route.length}`);
  };
  const addLoop = () => {
    if (
      change((before) => ({
        ...before,
        loops: [...before.loops, { name: "", after: before.route.length, turns: null, perimeter: null }],
      }))
    )
      onPick(`loop ${plan.loops.length}`);
  };
  return (
    <section aria-labelledby="needs" className="min-w-0">
      <h2 id="needs" className="text-soft">
        {t("what-it-needs-metres")}
      </h2>
      <ul>
        {needs.items.map((need) => (
          <NeedRow
            key={needKey(need)}
            need={need}
            picked={needKey(need) === (at && needKey(at))}
            lit={pointed === needKey(need)}
            question={needs.unsaid
              .filter((figure) => needKey(figure) === needKey(need))
              .map(unsaidWord)
              .join(", ")}
            onPick={() => onPick(needKey(need))}
          />
        ))}
        <li className="flex gap-3 px-2 py-2 font-bold">
          <span className="flex-1">{t("exactly")}</span>
          <span className="figures">{metresText(needs.exact)}</span>
        </li>
      </ul>
      <div className="mt-1 flex flex-wrap gap-2">
        <Button size="small" onClick={addStretch}>
          {t("add-a-stretch")}
        </Button>
        <Button size="small" onClick={addLoop}>
          {t("add-a-loop")}
        </Button>
      </div>
      <Stations
        plan={plan}
        openings={needs.openings}
        exact={needs.exact}
        styles={midRun}
        onParted={onParted}
        fibres={cable.fibreCount}
        onPoint={onPoint}
        change={change}
      />
      <h2 className="mt-6 mb-2 font-bold text-lg">{t("the-whole-piece")}</h2>
      <PieceEditor plan={plan} cores={cable.cores} change={change} />
    </section>
  );
}

interface NeedRowProps {
  readonly need: Need;
  readonly picked: boolean;
  readonly lit: boolean;
  /** Figures of it that nobody has said yet, in words. */
  readonly question: string;
  readonly onPick: () => void;
}

const NeedRow = ({ need, picked, lit, question, onPick }: NeedRowProps) => (
  <li className="border-line border-b">
    <button
      type="button"
      aria-pressed={picked}
      onClick={onPick}
      className={`flex min-h-12 w-full flex-wrap items-baseline gap-x-3 px-2 py-1 text-left ${picked || lit ? "bg-now-wash" : ""}`}
    >
      <span className="min-w-0 flex-1 truncate font-semibold">{need.name}</span>
      <span className="figures font-bold">{metresText(need.length)}</span>
      <span className="w-full text-soft text-sm">
        {figuresText(need)}
        {question !== "" && (
          <span className="font-semibold text-now">
            {need.figures.length > 0 && " · "}
            {t("not-said", { asked: question })}
          </span>
        )}
        {need.figures.some(({ representative }) => representative) && (
          <span className="ml-1 underline decoration-dotted">{t("check-the-sheet")}</span>
        )}
      </span>
    </button>
  </li>
);
