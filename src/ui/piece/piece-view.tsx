"use client";

import { Undo2 } from "lucide-react";
import { useRouter } from "next/navigation";
import { useCallback, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import {
  type Across,
  type Cable,
  type Need,
  needKey,
  type PieceAnswer,
  type PieceNeeds,
  type PieceParts,
  type PiecePlan,
  SIDES,
  type SideName,
  type SideSheet,
} from "@/core";
import { t } from "@/messages/jobs";
import { Button } from "../controls/button";
import { CannotBe } from "../controls/cannot-be";
import { Link } from "../controls/link";
import { handleOf, stationHandle, withDragged } from "../piece-band/handles";
import { PieceBand } from "../piece-band/piece-band";
import { feetText, figuresText, metresText, unsaidText, unsaidWord } from "../plan/metres";
import { Mismatch } from "../plan/mismatch";
import { KeptTrouble, KeptWord } from "./kept-line";
import { LoopEditor, SideEditor, type SideStyle, StretchEditor } from "./part-editor";
import { PieceEditor, YieldEditor } from "./piece-editor";
import { PlacesPanel } from "./places-panel";
import { RetryCurve } from "./retry-curve";
import { type MidRunStyle, Stations } from "./stations";
import { usePlan } from "./use-plan";

interface Picked {
  readonly procedure: string;
  readonly sheet: SideSheet;
}

interface PieceViewProps {
  readonly job: { readonly id: string; readonly name: string };
  readonly piece: string;
  readonly revision: number;
  readonly plan: PiecePlan;
  readonly cable: Cable;
  readonly places: PieceAnswer["places"];
  /** Each procedure that goes on this cable, with what of its sheet a plan is worked out from. */
  readonly styles: readonly (Omit<SideStyle, "onto"> & {
    readonly sheet: SideSheet;
    readonly onto: readonly (SideStyle["onto"][number] & { readonly sheet: SideSheet })[];
    /** How many elements each end made by it opens onto, in the order of their addresses. */
    readonly opens: readonly number[];
  })[];
  /** Each that opens this cable in the middle of its run. */
  readonly midRun: readonly MidRunStyle[];
  /** What goes on a fibre that is parted in an opening. */
  readonly onParted: SideStyle["onto"];
  /** Each side's sheet as it is picked there. */
  readonly own: Readonly<Record<SideName, (Picked & { readonly onto?: Picked | null | undefined }) | null>>;
  /** What does not go together over its two sides, as the plan is kept. */
  readonly mismatches: readonly Across[];
  /** What this crew's own record says of each side's style. */
  readonly record: Readonly<Record<SideName, { readonly good: number; readonly tried: number } | null>>;
}

const withOpened = (side: PiecePlan["sides"][SideName], retries: number) => ({
  ...side,
  onto: side.onto && { ...side.onto, retries },
});

/** One piece as it is planned: its band, what it needs as a list that adds up, and the cut. */
export function PieceView({
  job,
  piece,
  revision,
  plan: initial,
  cable,
  places,
  styles,
  midRun,
  onParted,
  own,
  mismatches,
  record,
}: PieceViewProps) {
  const router = useRouter();
  const parts = useCallback(
    (plan: PiecePlan): PieceParts => {
      const sheetAt = (side: SideName) => {
        const { procedure } = plan.sides[side];
        if (own[side] && own[side].procedure === procedure) return own[side].sheet;
        return styles.find(({ id }) => id === procedure)?.sheet ?? null;
      };
      const reach = Object.fromEntries(midRun.map((style) => [style.id, style.reach]));
      const openedAt = (side: SideName) => {
        const { procedure, onto, ends } = plan.sides[side];
        const style = styles.find(({ id }) => id === procedure);
        const picked = own[side]?.procedure === procedure ? own[side]?.onto : null;
        const sheet =
          picked && picked.procedure === onto?.procedure
            ? picked.sheet
            : style?.onto.find(({ id }) => id === onto?.procedure)?.sheet;
        return style && sheet
          ? { sheet, ends: style.opens.slice(0, ends).reduce((sum, n) => sum + n, 0) }
          : null;
      };
      return {
        cable,
        reach,
        sheets: { A: sheetAt("A"), B: sheetAt("B") },
        opened: { A: openedAt("A"), B: openedAt("B") },
      };
    },
    [cable, styles, midRun, own],
  );
  const {
    plan,
    shown,
    needs,
    change,
    tryOut,
    undo,
    mayUndo,
    problem,
    kept: saved,
    again,
  } = usePlan({
    piece,
    revision,
    plan: initial,
    parts,
    // Which ends there are follows from the plan as it is kept.
    onKept: router.refresh,
  });
  const [picked, setPicked] = useState("A");
  const [pointed, setPointed] = useState<string | null>(null);
  useHotkeys("z", undo, [undo]);
  const at = needs.items.find((need) => needKey(need) === picked) ?? needs.items[0];
  const addStretch = () => {
    if (
      change((before) => ({
        ...before,
        route: [...before.route, { kind: "duct", name: "", length: null, allowancePct: null, sag: null }],
      }))
    )
      setPicked(`route ${plan.route.length}`);
  };
  const addLoop = () => {
    if (
      change((before) => ({
        ...before,
        loops: [...before.loops, { name: "", after: before.route.length, turns: null, perimeter: null }],
      }))
    )
      setPicked(`loop ${plan.loops.length}`);
  };
  return (
    <main className="min-w-0 flex-1">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2 sm:px-6">
        <h1 className="min-w-0 truncate font-bold text-xl">{plan.name}</h1>
        <p className="mr-auto min-w-0 truncate text-soft">
          {cable.name} ·{" "}
          <Link href={`/jobs/${job.id}`} className="underline">
            {job.name}
          </Link>
        </p>
        <KeptWord kept={saved} />
        <Button look="quiet" disabled={!mayUndo} onClick={undo}>
          <Undo2 aria-hidden="true" className="size-4" /> {t("undo")}
        </Button>
      </header>
      <PieceBand
        cable={cable}
        needs={needs}
        lit={pointed ?? picked}
        onPoint={setPointed}
        drag={{
          handleOf: (need) => handleOf(need, shown),
          stationHandle: (id, follows) =>
            stationHandle(
              shown,
              shown.stations.findIndex((station) => station.id === id),
              { most: needs.exact, follows },
            ),
          onTry: (part, value) =>
            tryOut(value === null ? null : (before) => withDragged(before, part, value)),
          onSet: (part, value) => change((before) => withDragged(before, part, value)),
        }}
      />
      <KeptTrouble kept={saved} again={again} />
      <CannotBe says={problem} />
      {mismatches.length > 0 && (
        <div className="px-4 pt-3 sm:px-6">
          <Mismatch all={mismatches} />
        </div>
      )}
      <div className="grid gap-6 px-4 py-4 sm:px-6 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,0.9fr)]">
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
                asked={needs.unsaid
                  .filter((figure) => needKey(figure) === needKey(need))
                  .map(unsaidWord)
                  .join(", ")}
                onPick={() => setPicked(needKey(need))}
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
            onPoint={setPointed}
            change={change}
          />
          <h2 className="mt-6 mb-2 font-bold text-lg">{t("the-whole-piece")}</h2>
          <PieceEditor plan={plan} cores={cable.cores} change={change} />
        </section>
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
            <UnsaidList unsaid={needs.unsaid} plan={plan} onPick={(key) => setPicked(key)} />
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
        <section aria-labelledby="tries" className="min-w-0">
          <h2 id="tries" className="font-bold text-lg">
            {t("tries-to-spare-2")}
          </h2>
          <RetryCurve
            curve={needs}
            cut={needs.cut}
            plan={plan}
            chosen={leastOf([plan.sides.A.retries, plan.sides.B.retries])}
            of="any end"
            onPick={(retries) =>
              change((before) => ({
                ...before,
                sides: {
                  A: { ...before.sides.A, retries },
                  B: { ...before.sides.B, retries },
                },
              }))
            }
          />
          {needs.opened.curve.length > 0 && (
            <RetryCurve
              curve={needs.opened}
              cut={needs.cut}
              plan={plan}
              chosen={leastOf(SIDES.map((side) => plan.sides[side].onto?.retries ?? null))}
              of="any opened end"
              onPick={(retries) =>
                change((before) => ({
                  ...before,
                  sides: { A: withOpened(before.sides.A, retries), B: withOpened(before.sides.B, retries) },
                }))
              }
            />
          )}
          <YieldEditor plan={plan} record={record.A ?? record.B} change={change} />
        </section>
      </div>
      <section aria-labelledby="ends" className="border-line border-t px-4 py-4 sm:px-6">
        <h2 id="ends" className="mb-1 font-bold text-lg">
          {t("its-ends")}
        </h2>
        <PlacesPanel piece={piece} places={places} plan={plan} />
      </section>
    </main>
  );
}

/** The least of what was said; null where nothing was. */
const leastOf = (counts: readonly (number | null)[]): number | null => {
  const said = counts.filter((count) => count !== null);
  return said.length > 0 ? Math.min(...said) : null;
};

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

interface NeedRowProps {
  readonly need: Need;
  readonly picked: boolean;
  readonly lit: boolean;
  /** Figures of it that nobody has said yet, in words. */
  readonly asked: string;
  readonly onPick: () => void;
}

const NeedRow = ({ need, picked, lit, asked: question, onPick }: NeedRowProps) => (
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
