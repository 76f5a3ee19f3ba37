"use client";

import { type ReactNode, useCallback, useEffect, useMemo, useState } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import {
  type Cable,
  isMidRun,
  type Length,
  misfits,
  type ResolvedSelection,
  type RunSheet,
  resolveSheet,
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
import { Begin } from "./begin";
import { FirstPick } from "./first-pick";
import { cableWords, styleWords } from "./known-words";
import { MisfitPanel } from "./misfit-panel";
import { Picker } from "./picker";
import { type Hand, NOTHING, readSelection, type Selection, samePlace, writeSelection } from "./selection";
import { SheetLengths } from "./sheet-lengths";
import { SheetLines } from "./sheet-lines";
import { kindOf } from "./style-kinds";
import { optionsNamed } from "./trade-words";
import { TravellerFoot, TravellerHead } from "./traveller";
import { useFetched } from "./use-fetched";
import { VariantPicker } from "./variant-picker";

/** A connector picked on a cable, with what was said of it. */
export interface PickedEnd {
  /** Null where only what goes on it was picked. */
  readonly cable: { readonly id: string } | null;
  readonly style: { readonly id: string };
  readonly choices: Readonly<Record<string, string>>;
}

type Open = "cable" | "style" | "as" | null;

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
  const [selection, setSelection] = useState(initial);
  const { shelf: fetched, failed, again } = useFetched(shipped, selection.style);
  const inHand = hand && samePlace(hand.question, selection.place) ? hand : null;
  const shelf = useMemo(
    () => (inHand ? { ...fetched, cables: withHand(fetched.cables, inHand.cable) } : fetched),
    [fetched, inHand],
  );
  const [open, setOpen] = useState<Open>(null);
  const { prefs, nextUnits } = usePrefs();
  const resolved = useMemo(
    () => resolveSheet(shelf, selection, prefs.schools),
    [shelf, selection, prefs.schools],
  );
  // Coming back by the browser, the address knows what was picked since the page was drawn.
  useEffect(() => {
    const here = readSelection(new URLSearchParams(window.location.search));
    // A place is drawn with what is in hand there: its address alone says less than is drawn.
    setSelection((drawn) =>
      writeSelection(here) === writeSelection(drawn) || (here.place && here.cable === null) ? drawn : here,
    );
  }, []);
  useEffect(() => {
    const query = writeSelection(selection);
    // Once the router listens: an address written behind its back is one it cannot come back to.
    queueMicrotask(() => {
      if (window.location.pathname === "/" && window.location.search.slice(1) !== query)
        window.history.replaceState(null, "", query ? `/?${query}` : "/");
    });
  }, [selection]);

  const toggle = (which: Open) => (isOpen: boolean) => setOpen(isOpen ? which : null);
  const pickCable = useCallback((cable: string) => {
    // Another cable is none of the piece's.
    setSelection((before) => ({
      ...before,
      cable,
      core: null,
      place: before.cable === cable ? before.place : null,
    }));
    setOpen(null);
  }, []);
  const pickCableByName = (cable: string) => {
    pickCable(cable);
    if (selection.style === null) setOpen("style");
  };
  const pickStyle = useCallback(
    (id: string, search: string | Readonly<Record<string, string>> = "") => {
      const style = shelf.styles.find((style) => style.id === id);
      const choices = typeof search !== "string" ? search : style ? optionsNamed(search, style) : {};
      setSelection((before) => ({ ...before, style: id, choices }));
      setOpen(null);
    },
    [shelf.styles],
  );
  const pickEnd = useCallback(({ cable, style, choices }: PickedEnd) => {
    setSelection({ ...NOTHING, cable: cable?.id ?? null, style: style.id, choices });
    window.scrollTo({ top: 0, behavior: "instant" });
  }, []);
  const pickCore = useCallback((core: string) => setSelection((before) => ({ ...before, core })), []);
  const pickChoice = (id: string, option: string) =>
    setSelection((before) => ({ ...before, choices: { ...before.choices, [id]: option } }));

  useHotkeys("c", () => setOpen("cable"), { preventDefault: true });
  useHotkeys("s", () => setOpen("style"), { preventDefault: true });
  useHotkeys("v", () => setOpen("as"), { preventDefault: true, enabled: resolved.kind === "sheet" });
  useHotkeys("u", nextUnits);
  useHotkeys("p", () => window.print(), { enabled: resolved.kind === "sheet" });

  const cable = shelf.cables.find(({ id }) => id === selection.cable);
  const style = shelf.styles.find(({ id }) => id === selection.style);
  const atHome = selection.cable === null && selection.style === null && !selection.place;
  return (
    <main className="min-w-0 flex-1">
      {atHome && first ? first(pickEnd) : <h1 className="sr-only">{t("sheet-every-mark-and-cut-for")}</h1>}
      <div className="no-print flex flex-wrap items-center gap-2 px-4 py-3">
        <Picker
          label={t("cable")}
          hotkey="C"
          prompt={t("pick-a-cable")}
          chosen={cable?.name ?? null}
          open={open === "cable"}
          onOpen={toggle("cable")}
          onPick={pickCableByName}
          options={shelf.cables.map((cable) => ({
            id: cable.id,
            name: cable.name,
            about: cable.about,
            words: cableWords(cable),
          }))}
        />
        <span aria-hidden="true" className="hidden text-soft md:block">
          ›
        </span>
        <Picker
          label={style?.family === "closure-entry" ? t("entry") : t("connector")}
          hotkey="S"
          prompt={t("pick-a-connector")}
          chosen={style?.name ?? null}
          open={open === "style"}
          onOpen={toggle("style")}
          onPick={pickStyle}
          options={shelf.styles
            .filter((style) => kindOf(style) !== "entry" || style.id === selection.style)
            .map((style) => ({
              id: style.id,
              name: style.name,
              about: style.about,
              words: styleWords(style),
              group: kindOf(style) === "kit" ? t("kits-and-preparation") : undefined,
              not: cable ? misfits(style, cable)[0]?.message : undefined,
            }))}
          foot={
            <Link href="/entry" className="flex min-h-12 items-center px-3 underline">
              {t("closures-and-boxes-find-an-entry")}
            </Link>
          }
        />
        {resolved.kind === "sheet" && (
          <>
            <span aria-hidden="true" className="hidden text-soft md:block">
              ›
            </span>
            <VariantPicker
              cable={resolved.cable}
              procedure={resolved.procedure}
              core={resolved.core}
              choices={resolved.choices}
              asked={resolved.ask?.choice ?? null}
              open={open === "as"}
              onOpen={toggle("as")}
              onCore={pickCore}
              onChoice={pickChoice}
            />
            <Begin resolved={resolved} hand={inHand} onChoice={pickChoice} />
          </>
        )}
      </div>
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
        failed={failed}
        onAgain={again}
        onCable={pickCable}
        onStyle={pickStyle}
        onCore={pickCore}
        onClear={() => setSelection(NOTHING)}
      />
    </main>
  );
}

/** The shelf with what is in hand first, whatever else goes by its id. */
const withHand = (cables: readonly Cable[], hand: Cable): readonly Cable[] => [
  hand,
  ...cables.filter(({ id }) => id !== hand.id),
];

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
