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
  /** The row its text hangs on; one below the last where it has none. */
  readonly row: number;
  /** The text hangs on this side of its pole. */
  readonly side: "left" | "right";
  /** False when there was no room for the note. */
  readonly showNote: boolean;
  /** The letter it goes by, where there was no room for its text: it then stands in the legend. */
  readonly letter: string | null;
}

const MAIN_PX = 10.5;
const NOTE_PX = 6.6;
const GAP = 14;
/** Nothing comes nearer to a text's side than this. */
const CLEAR = 4;

interface Hung {
  readonly row: number;
  readonly span: readonly [number, number];
  readonly x: number;
}

/** Whether two flags can hang together: their texts apart, and neither pole through the other's text below it. */
function apart(a: Hung, b: Hung): boolean {
  if (a.row === b.row) return a.span[1] < b.span[0] || b.span[1] < a.span[0];
  const [upper, lower] = a.row < b.row ? [a, b] : [b, a];
  return upper.x < lower.span[0] - CLEAR || upper.x > lower.span[1] + CLEAR;
}

type Place = Pick<PlacedFlag, "row" | "side" | "showNote">;

/** Where a flag's text lies along the cable, hung so. */
function spanOf(
  { x, main, note }: FlagText,
  { side, showNote }: Pick<Place, "side" | "showNote">,
): Hung["span"] {
  const long = Math.max(main.length * MAIN_PX, showNote ? note.length * NOTE_PX : 0) + GAP;
  return side === "right" ? [x - 5, x + long] : [x - long, x + 5];
}

const inside = ([from, to]: Hung["span"], width: number): boolean => from >= 0 && to <= width;

/** Hangs flags in this order, each on the first row that has room for it; null where none has. */
function hang(flags: readonly FlagText[], width: number, rows: number, notes: boolean): (Place | null)[] {
  const hung: Hung[] = [];
  return flags.map((flag) => {
    for (const showNote of flag.note && (notes || flag.first) ? [true, false] : [false])
      for (let row = 0; row < rows; row++)
        for (const side of ["right", "left"] as const) {
          const span = spanOf(flag, { side, showNote });
          const first = { row, span, x: flag.x };
          if (!inside(span, width) || !hung.every((other) => apart(first, other))) continue;
          hung.push(first);
          return { row, side, showNote };
        }
    return null;
  });
}

/** The same flags with the notes that there is room for after all. */
function withNotes(
  flags: readonly FlagText[],
  places: readonly (Place | null)[],
  width: number,
): (Place | null)[] {
  const now = [...places];
  const hungAt = (i: number): Hung | null => {
    const [flag, place] = [flags[i], now[i]];
    return flag && place ? { row: place.row, span: spanOf(flag, place), x: flag.x } : null;
  };
  flags.forEach((flag, i) => {
    const place = now[i];
    if (!place || place.showNote || !flag.note) return;
    const noted = { ...place, showNote: true };
    const first = { row: place.row, span: spanOf(flag, noted), x: flag.x };
    const free = flags.every((_, j) => {
      const other = j === i ? null : hungAt(j);
      return other === null || apart(first, other);
    });
    if (free && inside(first.span, width)) now[i] = noted;
  });
  return now;
}

/**
 * Hangs flags on as few rows as they need: no text touches another or the sides, and no pole runs through a text.
 * Figures go before notes; what still has no room goes by a letter that the legend tells.
 */
export function placeFlags(flags: readonly FlagText[], width: number, rows: number): PlacedFlag[] {
  const order = [...flags].sort((a, b) => Number(b.first) - Number(a.first) || a.x - b.x);
  const lacking = (places: readonly (Place | null)[]) => places.filter((place) => place === null).length;
  const full = hang(order, width, rows, true);
  const bare = lacking(full) > 0 ? withNotes(order, hang(order, width, rows, false), width) : full;
  const places = lacking(bare) < lacking(full) ? bare : full;
  const placed = order.map((flag, i) => ({ ...flag, ...(places[i] ?? UNPLACED(rows)) }));
  let letters = 0;
  return placed
    .sort((a, b) => a.x - b.x)
    .map((flag) => ({
      ...flag,
      letter: flag.row < rows ? null : String.fromCharCode(97 + (letters++ % 26)),
    }));
}

const UNPLACED = (rows: number) => ({ row: rows, side: "right" as const, showNote: false });
