import {
  type Cable,
  type Length,
  type Outcome,
  ok,
  type PiecePlan,
  readCount,
  readMetres,
  readPerCent,
  refuse,
  SIDES,
} from "@/core";
import { t } from "@/messages/piece-grid";
import { metresText } from "../plan/metres";

/** The columns of the piece list in their order; `cut` follows from the others. */
export const COLUMN_IDS = ["name", "cable", "from", "to", "route", "loops", "slack", "ends"] as const;
export type ColumnId = (typeof COLUMN_IDS)[number];

type Named = Pick<Cable, "id" | "name" | "cores">;

/** One column: what it is called, what a cell of it says, and what a cell typed again makes of the plan. */
export interface Column {
  readonly id: ColumnId;
  readonly title: string;
  /** Words a pasted column may be headed with. */
  readonly heads: readonly string[];
  readonly figure: boolean;
  readonly text: (plan: PiecePlan, cables: readonly Named[]) => string;
  /** Why a cell cannot be typed here; null where it can. */
  readonly closed: (plan: PiecePlan) => string | null;
  readonly write: (plan: PiecePlan, text: string, cables: readonly Named[]) => Outcome<PiecePlan>;
}

const open = () => null;
const wrong = (text: string, allowed: string) =>
  refuse("bad-input", t("cannot-be-read", { trim: text.trim(), allowed }));

const ROUTE = t("enter-metres-for-example-212-04");
const LOOPS = t("enter-turns-once-round-in-metres");
const SLACK = t("enter-metres-left-at-each-side");
const ENDS = t("enter-how-many-ends-at-each");
const MOST_ENDS = 6_912;
const MOST_TURNS = 200;

const places = (side: "A" | "B", id: ColumnId, title: string, heads: readonly string[]): Column => ({
  id,
  title,
  heads,
  figure: false,
  text: ({ sides }) => sides[side].place,
  closed: open,
  write: (plan, text) =>
    text.trim().length > 200
      ? wrong(`${text.slice(0, 20)}…`, t("a-place-has-at-most-200"))
      : ok({ ...plan, sides: { ...plan.sides, [side]: { ...plan.sides[side], place: text.trim() } } }),
});

/** One figure for both sides, or one for each: `3`, `3 / 0`. Null for an empty one. */
function readPair<T>(text: string, read: (part: string) => T | null): readonly [T | null, T | null] | null {
  const parts = text.split("/");
  if (parts.length > 2) return null;
  const values = parts.map((part) => {
    const empty = ["", "–", "-"].includes(part.trim());
    return { empty, value: empty ? null : read(part) };
  });
  if (values.some(({ empty, value }) => !empty && value === null)) return null;
  const [first, second = first] = values.map(({ value }) => value);
  return [first ?? null, second ?? null];
}

const pairText = (a: string, b: string): string => (a === b ? a : `${a || "–"} / ${b || "–"}`);

const onSides = (
  plan: PiecePlan,
  make: (side: PiecePlan["sides"]["A"], i: number) => PiecePlan["sides"]["A"],
): PiecePlan => ({ ...plan, sides: { A: make(plan.sides.A, 0), B: make(plan.sides.B, 1) } });

export const COLUMNS: readonly Column[] = [
  {
    id: "name",
    title: t("piece"),
    heads: ["piece", "name", "cable no", "label", "run"],
    figure: false,
    text: ({ name }) => name,
    closed: open,
    write: (plan, text) =>
      text.trim() === "" || text.length > 200
        ? refuse("bad-input", t("a-piece-has-a-name-of"))
        : ok({ ...plan, name: text.trim() }),
  },
  {
    id: "cable",
    title: t("cable"),
    heads: ["cable", "type", "cable type", "construction"],
    figure: false,
    text: ({ cable }, cables) => cables.find(({ id }) => id === cable)?.name ?? cable,
    closed: ({ sides, stations }) =>
      SIDES.some((side) => sides[side].procedure !== null) || stations.length > 0
        ? t("what-ends-it-or-opens-it")
        : null,
    write: (plan, text, cables) => {
      const named = cableNamed(text, cables);
      const [core] = named?.cores ?? [];
      return named && core
        ? ok({ ...plan, cable: named.id, core })
        : wrong(text, t("enter-a-cable-of-the-shelf"));
    },
  },
  places("A", "from", t("from"), ["from", "side a", "a", "start", "origin"]),
  places("B", "to", t("to"), ["to", "side b", "b", "end", "destination"]),
  {
    id: "route",
    title: t("route-m"),
    heads: ["route", "length", "metres", "m", "route m", "length m", "distance"],
    figure: true,
    text: ({ route }) => {
      const [only, ...more] = route;
      if (!only) return "";
      if (more.length > 0) return metresText(route.reduce((sum, { length }) => sum + (length ?? 0), 0));
      if (only.length === null) return "";
      return `${metresText(only.length)}${only.allowancePct ? ` + ${only.allowancePct} %` : ""}`;
    },
    closed: ({ route }) =>
      route.length > 1 ? t("stretches-change-them-on-the-piece", { length: route.length }) : null,
    write: (plan, text) => {
      if (text.trim() === "")
        return ok({ ...plan, route: [], loops: plan.loops.map((loop) => ({ ...loop, after: 0 })) });
      const [length = "", percent = "0"] = text.replace(/m?\s*%\s*$/i, "").split("+");
      const metres = readMetres(length.replace(/(\d)\s*m\s*$/i, "$1"));
      const allowancePct = readPerCent(percent);
      if (metres === null || allowancePct === null) return wrong(text, ROUTE);
      const [only] = plan.route;
      const stretch = { kind: "duct" as const, name: "", sag: null, ...only, length: metres, allowancePct };
      return ok({ ...plan, route: [stretch] });
    },
  },
  {
    id: "loops",
    title: t("loops-m"),
    heads: ["loops", "loop", "coils", "coil"],
    figure: true,
    text: ({ loops }) => {
      const texts = loops.map(
        ({ turns, perimeter }) => `${turns ?? "?"} × ${perimeter === null ? "?" : metresText(perimeter)}`,
      );
      const alike = texts.length > 1 && texts.every((text) => text === texts[0]);
      return alike ? `${texts[0]}, ${texts.length} of it` : texts.join(", ");
    },
    closed: ({ loops }) =>
      loops.length > 1 ? t("loops-change-them-on-the-piece", { length: loops.length }) : null,
    write: (plan, text) => {
      if (["", "–", "-", "0"].includes(text.trim())) return ok({ ...plan, loops: [] });
      const [, turns = "", round = ""] = /^\s*(\d+)\s*[×x*]\s*(.+)$/i.exec(text) ?? [];
      const perimeter = readMetres(round.replace(/(\d)\s*m\s*$/i, "$1"));
      const count = readCount(turns, MOST_TURNS);
      if (perimeter === null || count === null) return wrong(text, LOOPS);
      const [only] = plan.loops;
      return ok({
        ...plan,
        loops: [{ name: "", after: plan.route.length, ...only, turns: count, perimeter }],
      });
    },
  },
  {
    id: "slack",
    title: t("slack-m"),
    heads: ["slack", "spare", "slack m", "leave"],
    figure: true,
    text: ({ sides }) => {
      const of = (leave: Length | null) => (leave === null ? "" : metresText(leave));
      return pairText(of(sides.A.leave), of(sides.B.leave));
    },
    closed: open,
    write: (plan, text) => {
      const pair = readPair(text, (part) => readMetres(part.trim().replace(/(\d)\s*m$/i, "$1")));
      return pair
        ? ok(onSides(plan, (side, i) => ({ ...side, leave: pair[i] ?? null })))
        : wrong(text, SLACK);
    },
  },
  {
    id: "ends",
    title: "Ends",
    heads: ["ends", "fibres", "fibers", "terminations", "ends per side"],
    figure: true,
    text: ({ sides }) => {
      const of = (ends: number) => (ends === 0 ? "" : String(ends));
      return pairText(of(sides.A.ends), of(sides.B.ends));
    },
    closed: open,
    write: (plan, text) => {
      const pair = readPair(text, (part) => readCount(part, MOST_ENDS));
      return pair ? ok(onSides(plan, (side, i) => ({ ...side, ends: pair[i] ?? 0 }))) : wrong(text, ENDS);
    },
  },
];

/** A cable of the shelf as somebody wrote it: by its name or id, or by the one name that has all the words. */
export function cableNamed<T extends Named>(text: string, cables: readonly T[]): T | null {
  const wanted = text.trim().toLowerCase();
  if (wanted === "") return null;
  const exact = cables.find(({ id, name }) => [id.toLowerCase(), name.toLowerCase()].includes(wanted));
  if (exact) return exact;
  const words = wanted.split(/[\s,]+/);
  const like = cables.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)));
  return like.length === 1 ? (like[0] ?? null) : null;
}

/** What was likely meant where letters stand for figures, for example the letter o for a nought. */
export function meantBy(text: string): string | null {
  const meant = text.replaceAll(/[oO]/g, "0").replaceAll(/[lI]/g, "1").replaceAll(/[sS]/g, "5");
  return meant !== text && /^[\d\s.,×x*/+%–-]+$/.test(meant) ? meant : null;
}
