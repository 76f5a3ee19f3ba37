import { type Cable, compileRunSheet, misfits, type Procedure, type RunSheet, type Tool } from "@/core";
import { bandGeometry } from "./geometry";
import type { DrawnLayer, YarnState } from "./layers";

/** A finished end in small: what the band draws, and nothing that is only read at full size. */
export interface Thumb {
  readonly width: number;
  readonly layers: readonly DrawnLayer[];
  readonly yarn: YarnState | null;
}

const THUMB_WIDTH = 170;

const short = (value: number): number => Math.round(value * 10) / 10;

/** A run sheet's end as it is when it is done. */
export function thumbOf(sheet: RunSheet, width = THUMB_WIDTH): Thumb {
  const { layers, yarn } = bandGeometry(sheet, sheet.lines.length, width);
  return {
    width,
    layers: layers.map(({ layer: { kind, hue }, x0, x1, edge, thick, beside }) => ({
      ...(edge ? { edge } : {}),
      layer: { kind, hue },
      x0: short(x0),
      x1: short(x1),
      thick: short(thick),
      beside: short(beside),
    })),
    yarn,
  };
}

/** A sheet compiled for each procedure, on the first cable of a list that it goes on; null for one that goes on none. */
const examples = new WeakMap<Procedure, RunSheet | null>();
const thumbs = new WeakMap<RunSheet, Thumb>();

interface ExampleShelf {
  readonly procedures: readonly Procedure[];
  readonly cables: readonly Cable[];
  readonly tools: readonly Tool[];
}

/** An example sheet of each procedure that goes on a cable of the shelf, by the procedure's id. */
export const exampleSheets = ({ procedures, cables, tools }: ExampleShelf): ReadonlyMap<string, RunSheet> =>
  new Map(
    procedures.flatMap((procedure) => {
      if (!examples.has(procedure)) examples.set(procedure, compileExample(procedure, cables, tools));
      const sheet = examples.get(procedure);
      return sheet ? [[procedure.id, sheet] as const] : [];
    }),
  );

/** Each procedure's finished end in small. */
export const styleThumbs = (
  procedures: readonly Procedure[],
  cables: readonly Cable[],
  tools: readonly Tool[],
): Readonly<Record<string, Thumb>> =>
  Object.fromEntries(
    [...exampleSheets({ procedures, cables, tools })].map(([id, sheet]) => {
      const thumb = thumbs.get(sheet) ?? thumbOf(sheet);
      thumbs.set(sheet, thumb);
      return [id, thumb];
    }),
  );

function compileExample(
  procedure: Procedure,
  cables: readonly Cable[],
  tools: readonly Tool[],
): RunSheet | null {
  for (const cable of cables)
    for (const core of cable.cores) {
      if (misfits(procedure, cable, core).length > 0) continue;
      try {
        return compileRunSheet({ procedure, cable, core, choices: {}, tools });
      } catch {
        // One of the user's own that does not close on this cable: the next, or none.
      }
    }
  return null;
}
