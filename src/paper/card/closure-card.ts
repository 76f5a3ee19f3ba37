import { type RunSheet, type StripMark, stripMarks } from "@/core";
import { t } from "@/messages/paper";
import { mmText } from "@/ui/words/length-text";
import { codeShapes } from "./layout";
import { box, line, text } from "./pens";
import type { CardPage, CardShape } from "./shapes";
import { cableShapes } from "./strip-shapes";

/** A closure's cables with the sheets they are opened by. */
export interface PrintedClosure {
  readonly name: string;
  readonly entry: string;
  /** The address of the closure, for the code back to it. */
  readonly address: string;
  readonly cables: readonly {
    readonly title: string;
    /** Ports as the entry names them; empty while it has none. */
    readonly ports: string;
    readonly sheet: RunSheet;
  }[];
}

interface Paper {
  readonly width: number;
  readonly height: number;
}

const LEFT = 14;
const TOP = 34;
const DRAWN = 150;
const STEP = 4.4;
/** Space above a cable's axis, for its title and its letters. */
const ABOVE = 17;
const LETTER_ROOM = 5.2;
const LETTER_LEVELS = 3;
/** Space below the axis, for the cable and the letters. */
const BELOW = 8 + LETTER_LEVELS * STEP;
/** Scales a drawing may have, one for all cables of a closure. */
const SCALES = [1, 2, 4, 5, 8, 10, 12, 15, 20, 25, 50] as const;

/**
 * The card of each closure: its cables below one another at one stated scale, every cut, mark, stub and tie with its letter,
 * and the lengths to work to. Lengths, not the drawing, are laid out on the cable.
 */
export const closureCardPages = (
  closures: readonly PrintedClosure[],
  day: string,
  paper: Paper,
): CardPage[] => closures.flatMap((closure) => closurePages(closure, day, paper));

function closurePages(closure: PrintedClosure, day: string, { width, height }: Paper): CardPage[] {
  const rows = closure.cables.map((cable) => {
    const marks = stripMarks(cable.sheet);
    return { ...cable, marks, height: Math.max(ABOVE + BELOW, 8 + marks.length * STEP) + 3 };
  });
  const longest = Math.max(1, ...rows.flatMap(({ marks }) => marks.map(({ at }) => at / 1_000))) + 12;
  const scale = SCALES.find((each) => longest / each <= DRAWN) ?? Math.ceil(longest / DRAWN);
  const pages: (typeof rows)[] = [];
  let free = 0;
  for (const row of rows) {
    if (row.height > free) {
      pages.push([]);
      free = height - TOP - 12;
    }
    pages.at(-1)?.push(row);
    free -= row.height;
  }
  return pages.map((own, page) => {
    const shapes: CardShape[] = [
      text(LEFT, 17, 6, t("closure-card-of", { name: closure.name }), { bold: true }),
      text(LEFT, 23, 3.4, t("closure-card-entry", { entry: closure.entry, scale })),
      text(LEFT, 28, 3, t("closure-card-lengths-count"), { bold: true }),
      ...codeShapes(closure.address, width - LEFT - 20, 8, 20),
      text(width - LEFT, height - 5, 2.8, `${day} · ${t("page-of", { page: page + 1, of: pages.length })}`, {
        anchor: "end",
      }),
    ];
    let y = TOP;
    for (const row of own) {
      shapes.push(...cableRow(row, y, scale, width));
      y += row.height;
    }
    return { width, height, shapes };
  });
}

interface Row {
  readonly title: string;
  readonly ports: string;
  readonly sheet: RunSheet;
  readonly marks: readonly StripMark[];
}

function cableRow(
  { title, ports, sheet, marks }: Row,
  top: number,
  scale: number,
  width: number,
): CardShape[] {
  const axis = top + ABOVE;
  const x = (at: number) => LEFT + at / 1_000 / scale;
  const listX = LEFT + DRAWN + 10;
  const last = Math.max(0, ...marks.map(({ at }) => at));
  const levels = letterLevels(marks.map(({ at }) => x(at)));
  return [
    line("text", LEFT, top, width - LEFT, top, 0.2),
    text(LEFT, top + 5, 3.8, title, { bold: true }),
    text(LEFT + DRAWN, top + 5, 3.2, ports === "" ? "" : t("closure-card-ports", { ports }), {
      anchor: "end",
    }),
    ...cableShapes(sheet, { from: 0, to: last + 12_000 * scale }, x, axis),
    ...marks.flatMap(({ letter, at }, i) => {
      const y = axis + 9 + (levels[i] ?? 0) * STEP;
      return [
        line("mark", x(at), axis - 7, x(at), y - 2.6, 0.25),
        box("mark", x(at) - 2.1, y - 2.6, 4.2, 4.2, { fill: true, line: 0 }),
        text(x(at), y + 0.6, 3, letter, { anchor: "middle", bold: true, light: true }),
      ];
    }),
    ...marks.flatMap(({ letter, name, figure }, i) => {
      const y = top + 5 + i * STEP;
      const { datum, distance } = figure.own;
      const nameOf = (id: string) => sheet.features.find((feature) => feature.id === id)?.name ?? id;
      const [shown, from] = figure.workFromOwn
        ? [distance, nameOf(datum)]
        : [figure.fromEnd, nameOf(sheet.features[0]?.id ?? "")];
      return [
        text(listX, y, 3.1, letter, { bold: true }),
        text(listX + 6, y, 3.1, name.slice(0, 34)),
        text(listX + 70, y, 3.3, mmText(Math.abs(shown)), { anchor: "end", bold: true }),
        text(listX + 73, y, 2.7, t("closure-card-from", { from: from.slice(0, 24) })),
      ];
    }),
  ];
}

/** The level of each letter, so that no two lie over each other; letters go left to right. */
function letterLevels(xs: readonly number[]): number[] {
  const ends: number[] = Array.from({ length: LETTER_LEVELS }, () => Number.NEGATIVE_INFINITY);
  return xs.map((x) => {
    const free = ends.findIndex((end) => end + LETTER_ROOM <= x);
    const level = free === -1 ? ends.indexOf(Math.min(...ends)) : free;
    ends[level] = x;
    return level;
  });
}
