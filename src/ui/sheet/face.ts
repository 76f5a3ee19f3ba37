import { BESIDE, type Cable, type Layer } from "@/core";

export interface Face {
  readonly rings: readonly Layer[];
  readonly unit: readonly Layer[];
  readonly count: number;
  readonly members: Layer | undefined;
}

/** The layer each unit of a cable begins with, where it holds several: tubes, cords or buffers side by side. */
const UNIT: Partial<Record<Cable["construction"], Layer["kind"]>> = {
  "stranded-loose-tube": "tube",
  "armoured-loose-tube": "tube",
  "tight-buffer-distribution": "buffer",
  breakout: "jacket",
};

/** What is drawn of a cut cable: rings around, units side by side within, rigid members in the sheath. */
export function faceOf({ layers, construction, fibreCount, perUnit, legs }: Cable): Face {
  // Of several legs each is drawn by itself.
  const start = legs.length > 1 ? -1 : layers.findIndex(({ kind }) => kind === UNIT[construction]);
  const count = start < 0 ? 1 : Math.min(12, Math.max(1, Math.round(fibreCount / (perUnit ?? 1))));
  const isRing = ({ kind }: Layer) => !BESIDE.includes(kind);
  return {
    rings: (count > 1 ? layers.slice(0, start) : layers).filter(isRing),
    unit: count > 1 ? layers.slice(start).filter(isRing) : [],
    count,
    members: layers.find(({ kind }) => kind === "rods"),
  };
}
