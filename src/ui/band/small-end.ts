import {
  type Cable,
  compileRunSheet,
  endDrawing,
  misfits,
  type Procedure,
  type RunSheet,
  type Tool,
} from "@/core";
import type { Tolerance } from "../words/length-text";
import { toleranceAtPlace } from "../words/line-words";

/** An end to be drawn in small to a scale it shares with others: lengths in micrometres from the cable end. */
export interface SmallEnd {
  readonly layers: readonly {
    readonly kind: RunSheet["layers"][number]["kind"];
    readonly hue: RunSheet["layers"][number]["hue"];
    readonly diameter: number;
    readonly from: number;
    readonly beside: number;
  }[];
  readonly yarn: {
    readonly root: number;
    readonly cutAt: number | null;
    readonly folded: boolean;
    readonly jacket: number;
    readonly buffer: number | null;
  } | null;
  /** Places written on it, nearest the fibre end first. */
  readonly marks: readonly {
    readonly at: number;
    readonly tolerance: Tolerance;
    readonly representative: boolean;
  }[];
  /** Cable the end uses, and how closely. */
  readonly uses: number;
  readonly usesTolerance: Tolerance;
}

/** A sheet's end as it stands after a line. */
export function smallEndOf(sheet: RunSheet, line: number): SmallEnd {
  const { layers, yarn, written } = endDrawing(sheet, line);
  const figureOf = new Map(sheet.lines.flatMap(({ figure }) => (figure ? [[figure.feature, figure]] : [])));
  const toleranceOf = (feature: string): Tolerance => {
    const { plus, minus } = figureOf.get(feature)?.own ?? { plus: null, minus: null };
    return { plus, minus };
  };
  return {
    layers: layers.map(({ kind, hue, diameter, from, beside }) => ({ kind, hue, diameter, from, beside })),
    yarn,
    marks: written.map(({ feature, at }) => ({
      at,
      tolerance: toleranceOf(feature),
      representative: figureOf.get(feature)?.representative ?? false,
    })),
    uses: sheet.uses.prepared,
    usesTolerance: toleranceAtPlace(sheet, sheet.uses.prepared),
  };
}

/** The key of a procedure on a cable among drawn ends. */
export const pairKey = (cable: string, style: string): string => `${cable} ${style}`;

const drawn = new WeakMap<Procedure, WeakMap<Cable, SmallEnd | null>>();

/** Every connector's finished end on every cable it goes on, by `pairKey`; worked out once for each pair. */
export function pairEnds(
  procedures: readonly Procedure[],
  cables: readonly Cable[],
  tools: readonly Tool[],
): Readonly<Record<string, SmallEnd>> {
  const ends: Record<string, SmallEnd> = {};
  for (const procedure of procedures) {
    const cache = drawn.get(procedure) ?? new WeakMap<Cable, SmallEnd | null>();
    drawn.set(procedure, cache);
    for (const cable of cables) {
      if (!cache.has(cable)) cache.set(cable, finished(procedure, cable, tools));
      const end = cache.get(cable);
      if (end) ends[pairKey(cable.id, procedure.id)] = end;
    }
  }
  return ends;
}

function finished(procedure: Procedure, cable: Cable, tools: readonly Tool[]): SmallEnd | null {
  const core = cable.cores.find((each) => misfits(procedure, cable, each).length === 0);
  if (core === undefined) return null;
  try {
    const sheet = compileRunSheet({ procedure, cable, core, choices: {}, tools });
    return smallEndOf(sheet, sheet.lines.length);
  } catch {
    // One of the user's own that does not hold together on this cable: it is not offered.
    return null;
  }
}
