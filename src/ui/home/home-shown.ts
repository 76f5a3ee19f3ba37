import type { Cable, PieceNeeds, PiecePlan, Progress, RunSheet } from "@/core";
import { type SmallEnd, smallEndOf } from "../band/small-end";
import type { Prefs } from "../prefs/prefs";
import { type FigureWords, figureWords } from "../words/line-words";

/** The end that was worked on last, as the first page shows it: its step, its figure in each unit, its drawing. */
export interface LastShown {
  readonly href: string;
  readonly name: string;
  readonly style: string;
  readonly cable: string;
  /** When something was last done, as a time. */
  readonly at: string;
  readonly step: { readonly number: number; readonly of: number; readonly title: string };
  readonly figure: Readonly<Record<Prefs["units"], FigureWords | null>>;
  readonly drawing: SmallEnd;
  /** Where that figure lies, micrometres from the cable end; null where the step has none. */
  readonly place: number | null;
}

interface Last extends Omit<LastShown, "href" | "figure" | "drawing" | "place"> {
  readonly id: string;
  readonly batch: string | null;
  readonly sheet: RunSheet;
  readonly line: number;
}

/** What of an end in hand is shown, so that its whole sheet need not travel. */
export function lastShown({ id, batch, sheet, line: at, ...last }: Last): LastShown {
  const line = sheet.lines[at];
  const words = (units: Prefs["units"]) => (line ? figureWords(sheet, line, units) : null);
  const { name, style, cable, at: when, step } = last;
  return {
    name,
    style,
    cable,
    at: when,
    step,
    href: batch ? `/bench/batch/${batch}?end=${id}` : `/bench/${id}`,
    figure: { both: words("both"), mm: words("mm"), in: words("in") },
    drawing: smallEndOf(sheet, at - 1),
    place: line?.figure?.fromEnd ?? null,
  };
}

/** What the first page shows beside its field. */
export interface HomeShown {
  readonly last: LastShown | null;
  readonly next: {
    readonly id: string;
    readonly name: string;
    readonly progress: Progress;
    readonly next: { readonly name: string; readonly at: string; readonly style: string };
    readonly piece: { readonly plan: PiecePlan; readonly needs: PieceNeeds | null } | null;
    readonly cable: Cable | null;
  } | null;
  /** Every connector's end on every cable it goes on, drawn, by `pairKey`. */
  readonly ends: Readonly<Record<string, SmallEnd>>;
}
