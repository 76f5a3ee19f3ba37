"use client";

import { type Need, needKey, type PieceNeeds, type PiecePlan } from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { feetText, metresText, unsaidText, unsaidWord } from "../plan/metres";
import { SideEditor, type SideStyle } from "./part-editor";
import type { ColumnProps } from "./piece-props";
import { LoopEditor, StretchEditor } from "./route-editor";

/** What the piece is cut to, what is not said yet, and the part that is picked. */
export function CutColumn({ view, planning, picked, onPick }: ColumnProps) {
  const { plan, needs, change } = planning;
  const { styles } = view;
  const at = needs.items.find((need) => needKey(need) === picked) ?? needs.items[0];
  return (
    <section aria-labelledby="cut" className="min-w-0">
      <h2 id="cut" className="font-bold text-lg">
        {t("cut")}
      </h2>
      <p aria-live="polite" className="leading-none">
        <span className="figures font-bold text-6xl">{metresText(needs.cut)}</span>
        <span className="ml-2 text-2xl">{needs.unsaid.length > 0 ? t("m-so-far") : "m"}</span>
      </p>
      <p className="figures mt-1 text-inch">{feetText(needs.cut)}</p>
      {needs.unsaid.length > 0 && (
        <UnsaidList unsaid={needs.unsaid} plan={plan} onPick={(key) => onPick(key)} />
      )}
      <p className="mt-1 text-soft text-sm">
        {t("rests-at-no-less-than-m", {
          metresText: metresText(needs.bend.atRest),
          metresText2: metresText(needs.bend.underLoad),
          value: needs.bend.of === "own" ? t("its-own-sheet") : t("by-its-diameter-its-own-sheet"),
        })}
      </p>
      <h2 className="mt-4 mb-2 font-bold text-lg">{at?.name}</h2>
      {at && (
        <PartEditor
          need={at}
          plan={plan}
          styles={styles}
          leastRound={2 * Math.PI * needs.bend.atRest}
          change={change}
        />
      )}
    </section>
  );
}

interface UnsaidListProps {
  readonly unsaid: PieceNeeds["unsaid"];
  readonly plan: PiecePlan;
  readonly onPick: (key: string) => void;
}

/** What is asked before the cut is whole: each goes to the part it is of. */
function UnsaidList({ unsaid, plan, onPick }: UnsaidListProps) {
  const parts = [...new Map(unsaid.map((figure) => [needKey(figure), figure])).keys()];
  return (
    <div role="status" className="mt-2 rounded-lg bg-note px-3 py-2">
      <p className="font-semibold">{t("not-said-yet-and-not-in")}</p>
      <ul>
        {parts.map((key) => (
          <li key={key}>
            <Button look="text" onClick={() => onPick(key)} className="text-left text-ink">
              {unsaid
                .filter((figure) => needKey(figure) === key)
                .map((figure, i) => (i === 0 ? unsaidText(figure, plan) : unsaidWord(figure)))
                .join(", ")}
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}

interface PartEditorProps {
  readonly need: Need;
  readonly plan: PiecePlan;
  readonly styles: readonly SideStyle[];
  readonly leastRound: number;
  readonly change: (make: (before: PiecePlan) => PiecePlan) => boolean;
}

function PartEditor({ need: { part }, plan, styles, leastRound, change }: PartEditorProps) {
  if (part.of === "side")
    return <SideEditor key={part.side} plan={plan} side={part.side} styles={styles} change={change} />;
  const [stretch, loop] = [plan.route[part.at], plan.loops[part.at]];
  if (part.of === "route" && stretch)
    return <StretchEditor key={`route ${part.at}`} stretch={stretch} at={part.at} change={change} />;
  return part.of === "loop" && loop ? (
    <LoopEditor
      key={`loop ${part.at}`}
      leastRound={leastRound}
      plan={plan}
      loop={loop}
      at={part.at}
      change={change}
    />
  ) : null;
}
