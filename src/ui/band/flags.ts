/** What a flag on the band says, and where its pole stands. */
export interface FlagText {
  readonly id: string;
  readonly x: number;
  readonly main: string;
  readonly note: string;
  /** Placed first, so that it always has room. */
  readonly first: boolean;
}

export interface PlacedFlag extends FlagText {
  readonly row: number;
  /** The text hangs on this side of its pole. */
  readonly side: "left" | "right";
  /** False when there was no room for the note, then none for the flag's text at all. */
  readonly showNote: boolean;
  readonly showMain: boolean;
}

const MAIN_PX = 10;
const NOTE_PX = 6.6;
const GAP = 14;

/**
 * Hangs flags on as few rows as they need without touching one another or the sides. What has no room loses
 * its note, then its text; its pole and its name for readers stay.
 */
export function placeFlags(flags: readonly FlagText[], width: number, rows: number): PlacedFlag[] {
  const taken: [number, number][][] = Array.from({ length: rows }, () => []);
  const order = [...flags].sort((a, b) => Number(b.first) - Number(a.first) || a.x - b.x);
  const placed = order.map((flag): PlacedFlag => {
    for (const showNote of [true, false]) {
      const long = Math.max(flag.main.length * MAIN_PX, showNote ? flag.note.length * NOTE_PX : 0) + GAP;
      for (let row = 0; row < rows; row++)
        for (const side of ["right", "left"] as const) {
          const span: [number, number] =
            side === "right" ? [flag.x - 5, flag.x + long] : [flag.x - long, flag.x + 5];
          const free =
            span[0] >= 0 &&
            span[1] <= width &&
            (taken[row] as [number, number][]).every(([a, b]) => span[1] < a || span[0] > b);
          if (!free) continue;
          taken[row]?.push(span);
          return { ...flag, row, side, showNote, showMain: true };
        }
    }
    return { ...flag, row: rows - 1, side: "right", showNote: false, showMain: false };
  });
  return placed.sort((a, b) => a.x - b.x);
}
