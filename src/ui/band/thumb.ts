import { type Cable, compileRunSheet, misfits, type Procedure, type RunSheet, type Tool } from "@/core";
import { bandGeometry } from "./geometry";
import type { DrawnLayer, YarnState } from "./layers";

/** A finished end in small: what the band draws, and nothing that is only read at full size. */
export interface Thumb {
  readonly layers: readonly DrawnLayer[];
  readonly yarn: YarnState | null;
}

export const THUMB_WIDTH = 170;

const short = (value: number): number => Math.round(value * 10) / 10;

/** A run sheet's end as it is when it is done. */
export function thumbOf(sheet: RunSheet): Thumb {
  const { layers, yarn } = bandGeometry(sheet, sheet.lines.length, THUMB_WIDTH);
  return {
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

const drawn = new WeakMap<Procedure, Thumb | null>();

/** Each style's end, on the first cable of a list that it goes on; none for a style that goes on none. */
export function styleThumbs(
  procedures: readonly Procedure[],
  cables: readonly Cable[],
  tools: readonly Tool[],
): Readonly<Record<string, Thumb>> {
  const thumbs = procedures.map((procedure) => {
    if (!drawn.has(procedure)) drawn.set(procedure, draw(procedure, cables, tools));
    return [procedure.id, drawn.get(procedure) ?? null] as const;
  });
  return Object.fromEntries(thumbs.filter((thumb): thumb is readonly [string, Thumb] => thumb[1] !== null));
}

function draw(procedure: Procedure, cables: readonly Cable[], tools: readonly Tool[]): Thumb | null {
  for (const cable of cables)
    for (const core of cable.cores) {
      if (misfits(procedure, cable, core).length > 0) continue;
      try {
        return thumbOf(compileRunSheet({ procedure, cable, core, choices: {}, tools }));
      } catch {
        // One of the user's own that does not close on this cable: the next, or none.
      }
    }
  return null;
}
