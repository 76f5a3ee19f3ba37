"use client";

import { type ReactNode, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import {
  isMidRun,
  type Length,
  type ResolvedSelection,
  type RunSheet,
  type SheetShelf,
  secondCleave,
} from "@/core";
import { t } from "@/messages/sheet";
import { Band } from "../band/band";
import type { Thumb } from "../band/thumb";
import { Button } from "../controls/button";
import { Link } from "../controls/link";
import { usePrefs } from "../prefs/prefs-context";
import { asShownText } from "../words/figures-stand";
import { lengthText, type Tolerance, type Units } from "../words/length-text";
import { toleranceAtPlace } from "../words/line-words";
import { FirstPick } from "./first-pick";
import { MisfitPanel } from "./misfit-panel";
import { Pickers } from "./pickers";
import type { Hand, Selection } from "./selection";
import { SheetLengths } from "./sheet-lengths";
import { SheetLines } from "./sheet-lines";
import { TravellerFoot, TravellerHead } from "./traveller";
import { type PickedEnd, usePicks } from "./use-picks";
import { YieldNote } from "./yield-note";

/** The five-second lookup: cable, connector, done. What is picked is drawn at once and lives in the address bar. */
export function SheetView({
  shelf: shipped,
  thumbs,
  initial,
  hand = null,
  trouble = null,
  first = null,
}: {
  shelf: SheetShelf;
  /** Each style's finished end in small. */
  thumbs: Readonly<Record<string, Thumb>>;
  initial: Selection;
  /** What is in hand at the place of a piece that was asked for, or why there is nothing. */
  hand?: Hand | null;
  trouble?: string | null;
  /** What stands above the pickers while nothing is picked; null where the page was opened at a sheet. */
  first?: ((onPick: (end: PickedEnd) => void) => ReactNode) | null;
}) {
  const picks = usePicks(shipped, initial, hand);
  const { selection, shelf, inHand, resolved, setOpen } = picks;
  const { nextUnits } = usePrefs();
  useHotkeys("c", () => setOpen("cable"), { preventDefault: true });
  useHotkeys("s", () => setOpen("style"), { preventDefault: true });
  useHotkeys("v", () => setOpen("as"), { preventDefault: true, enabled: resolved.kind === "sheet" });
  useHotkeys("u", nextUnits);
  useHotkeys("p", () => window.print(), { enabled: resolved.kind === "sheet" });

  const atHome = selection.cable === null && selection.style === null && !selection.place;
  return (
    <main className="min-w-0 flex-1">
      {atHome && first ? (
        first(picks.pickEnd)
      ) : (
        <h1 className="sr-only">{t("sheet-every-mark-and-cut-for")}</h1>
      )}
      <Pickers picks={picks} />
      {inHand && (
        <p className="no-print px-4 pb-2">
          <Link href={`/jobs/${inHand.job.id}/${inHand.question.piece}`} className="font-semibold underline">
            {inHand.name}
          </Link>{" "}
          <span className="text-soft">{inHand.job.name}</span>
        </p>
      )}
      {trouble && selection.place && (
        <p role="alert" className="mx-4 mb-2 rounded-lg border-2 border-out px-4 py-3 font-semibold">
          {trouble}
        </p>
      )}
      <Body
        shelf={shelf}
        thumbs={thumbs}
        resolved={resolved}
        failed={picks.failed}
        onAgain={picks.again}
        onCable={picks.pickCable}
        onStyle={picks.pickStyle}
        onCore={picks.pickCore}
        onClear={picks.clear}
      />
    </main>
  );
}

type SheetResolved = Extract<ResolvedSelection, { kind: "sheet" }>;

interface BodyProps {
  readonly shelf: SheetShelf;
  readonly thumbs: Readonly<Record<string, Thumb>>;
  readonly resolved: ResolvedSelection;
  readonly failed: string | null;
  readonly onAgain: () => void;
  readonly onCable: (id: string) => void;
  readonly onStyle: (id: string, choices?: Readonly<Record<string, string>>) => void;
  readonly onCore: (core: string) => void;
  readonly onClear: () => void;
}

function Body({ shelf, thumbs, resolved, failed, onAgain, onCable, onStyle, onCore, onClear }: BodyProps) {
  switch (resolved.kind) {
    case "sheet":
      return <SheetDrawn resolved={resolved} />;
    case "fetching":
      return <Fetching failed={failed} onAgain={onAgain} />;
    case "misfit":
      return <MisfitPanel shelf={shelf} {...resolved} onCable={onCable} onStyle={onStyle} onCore={onCore} />;
    case "open":
      return (
        <FirstPick
          shelf={shelf}
          thumbs={thumbs}
          cable={resolved.cable}
          procedure={resolved.procedure}
          onCable={onCable}
          onStyle={onStyle}
        />
      );
    case "unknown":
      return (
        <>
          <p role="alert" className="mx-4 mt-4 rounded-lg border-2 border-out px-4 py-3 font-semibold">
            {resolved.message}
          </p>
          <FirstPick
            shelf={shelf}
            thumbs={thumbs}
            cable={null}
            procedure={null}
            onCable={onCable}
            onStyle={onStyle}
          />
        </>
      );
    case "refused":
      return (
        <div className="mx-auto max-w-3xl px-4 py-8">
          <p role="alert" className="rounded-lg border-2 border-out px-4 py-3 text-lg">
            {resolved.message}
          </p>
          <Button look="strong" onClick={onClear} className="mt-4">
            {t("start-over")}
          </Button>
        </div>
      );
  }
}

/** A procedure on its way: nothing is said before it takes long. */
function Fetching({ failed, onAgain }: { failed: string | null; onAgain: () => void }) {
  return (
    <div role="status" className="px-4 py-8 text-lg">
      {failed ? (
        <>
          <p>{failed}</p>
          <Button look="strong" onClick={onAgain} className="mt-3">
            {t("try-again")}
          </Button>
        </>
      ) : (
        <p className="late text-soft">{t("fetching-the-sheet")}</p>
      )}
    </div>
  );
}

/** A sheet without the interface that was only drawn because none was said. */
const withoutUnsaid = (sheet: RunSheet, ask: SheetResolved["ask"]): RunSheet =>
  ask
    ? { ...sheet, as: sheet.as.filter((name) => !ask.options.some((option) => option.name === name)) }
    : sheet;

function SheetDrawn({ resolved: { sheet: drawn, ask } }: { resolved: SheetResolved }) {
  const sheet = useMemo(() => withoutUnsaid(drawn, ask), [drawn, ask]);
  const { prefs } = usePrefs();
  const [pointed, setPointed] = useState<string | null>(null);
  const { uses } = sheet;
  const again = useMemo(() => secondCleave(sheet), [sheet]);
  const asShown = asShownText(sheet);
  return (
    <>
      <TravellerHead sheet={sheet} said={ask === null} />
      <Band sheet={sheet} line={sheet.lines.length} lit={pointed ? [pointed] : []} onPoint={setPointed} />
      {sheet.disagreements.map(({ dimension, printed, differBy }) => (
        <p key={dimension} role="alert" className="border-line border-b bg-note px-4 py-2">
          {t("two-units-are-printed-for-one", {
            value: printed[0],
            value2: printed[1],
            lengthText: lengthText(differBy, "mm"),
          })}
        </p>
      ))}
      <div className="border-line border-b bg-note px-4 py-2">
        {sheet.procedure.representative && (
          <>
            <strong className="representative">{t("representative-figures-2")}</strong>{" "}
            {t("check-them-against-the-sheet-that")}{" "}
          </>
        )}
        {asShown && <>{asShown} </>}
        {isMidRun(sheet) ? (
          t("opened-in-the-middle-of-its")
        ) : (
          <CableUsed
            uses={uses}
            prepared={toleranceAtPlace(sheet, uses.prepared)}
            again={again}
            units={prefs.units}
          />
        )}
      </div>
      <YieldNote style={sheet.procedure.id} />
      <SheetLines sheet={sheet} units={prefs.units} pointed={pointed} onPoint={setPointed} />
      <SheetLengths sheet={sheet} units={prefs.units} />
      <TravellerFoot />
    </>
  );
}

interface CableUsedProps {
  readonly uses: RunSheet["uses"];
  /** How closely what is prepared is made. */
  readonly prepared: Tolerance;
  /** What a second cleave takes, where one is made. */
  readonly again: { readonly cable: Length } | null;
  readonly units: Units;
}

const CableUsed = ({ uses, prepared, again, units }: CableUsedProps) => (
  <>
    {t("this-end-uses")}{" "}
    <strong className="whitespace-nowrap">{lengthText(uses.prepared, units, prepared)}</strong>{" "}
    {t("of-cable")}{" "}
    {again && (
      <>
        {t("a-second-cleave-takes")}{" "}
        <strong className="whitespace-nowrap">{lengthText(again.cable, units)}</strong>,{" "}
      </>
    )}
    {t("starting-over")} <strong className="whitespace-nowrap">{lengthText(uses.retry, units)}</strong>.
  </>
);
