import type { Length } from "../length/length";
import { parseLength } from "../length/parse";
import { type Outcome, ok, type Problem, refuse } from "../problem/problem";
import type { ProcedureDocument } from "../procedure/procedure";
import { say, t } from "../words/core";
import { assembled, type DraftBasis } from "./assemble";
import type { DraftKit } from "./kit";
import { END, featureIdOf, type PlannedLayer, type PlannedLength, type Side, slug } from "./planned-length";

/** One row of a card: a length with its datum, as text. */
export interface LengthRow {
  readonly name: string;
  readonly datum: string;
  readonly value: string;
  readonly unit: string;
  readonly plus: string;
  readonly minus: string;
}

const MOST_ROWS = 60;

/** Where the name says no layer, the glass is bared. */
const UNNAMED: PlannedLayer = "coating";

/** Words that say which layer a length strips, the outermost first. */
const LAYER_WORDS: readonly (readonly [RegExp, PlannedLayer])[] = [
  [/\b(jacket|sheath)\b/i, "jacket"],
  [/\b(yarn|aramid)\b/i, "yarn"],
  [/\btube\b/i, "tube"],
  [/\b(buffer|900)\b/i, "buffer"],
  [/\b(coating|250|strip)\b/i, "coating"],
];

/**
 * A first draft of a procedure from a card's lengths (name, datum, value, unit, plus, minus). Each length becomes a
 * dimension from its datum, in the order given; its name says whether it is a mark, a strip or the cleave.
 * The datum may say on which side of it the length ends: `in front of the buffer`, `behind the jacket`.
 * What it cannot know (parts, judgements, settings) is left to the editor; the draft can be worked with as it is.
 * Steps come in an order that works: what lies outside before what lies inside it, each mark while what it is drawn on
 * is still there, nothing drawn on wiped glass, and what is measured from the cable end before a cleave takes that away.
 * @returns the draft, or every row that is wrong, a line each: its number, what was found and what is allowed.
 * @example draftFromLengths([], basis, kit).ok // false
 */
export function draftFromLengths(
  rows: readonly LengthRow[],
  basis: DraftBasis,
  kit: DraftKit,
): Outcome<ProcedureDocument> {
  if (rows.length === 0) return refuse("empty", say("the-text-has-no-lengths-use-one"));
  if (rows.length > MOST_ROWS)
    return refuse("too-many", say("enter-at-most-lengths", { mostRows: MOST_ROWS }));
  const read: PlannedLength[] = [];
  const problems: Problem[] = [];
  for (const [i, row] of rows.entries()) {
    const outcome = readRow(row, i + 1, read, basis.startsAt);
    if (outcome.ok) read.push(outcome.value);
    else problems.push(outcome.problem);
  }
  const [first] = problems;
  if (first)
    return { ok: false, problem: { ...first, message: problems.map(({ message }) => message).join("\n") } };
  return ok(assembled(read, basis, kit));
}

function readRow(
  row: LengthRow,
  line: number,
  before: readonly PlannedLength[],
  startsAt: PlannedLayer,
): Outcome<PlannedLength> {
  const at = (problem: Problem): Outcome<never> => ({
    ok: false,
    problem: {
      ...problem,
      message:
        row.name === ""
          ? t("row-without-a-name", { line, message: problem.message })
          : t("row", { line, name: row.name, message: problem.message }),
      path: [line],
    },
  });
  const name = row.name.trim();
  if (name === "") return at({ code: "no-name", message: t("a-length-needs-a-name"), path: [] });
  const id = slug(name);
  if (before.some((plannedLength) => plannedLength.id === id))
    return at({ code: "duplicate", message: t("this-name-is-there-already"), path: [] });
  const datum = datumOf(row.datum, before);
  if (datum === null)
    return at({
      code: "unknown-datum",
      message: t("found-the-datum-it-is-the-end", { datum: row.datum }),
      path: [],
    });
  const nominal = lengthIn(row.value, row.unit);
  if (!nominal.ok) return at(nominal.problem);
  const plus = row.plus.trim() === "" ? ok(null) : lengthIn(row.plus, row.unit);
  if (!plus.ok) return at(plus.problem);
  const minus = row.minus.trim() === "" ? plus : lengthIn(row.minus, row.unit);
  if (!minus.ok) return at(minus.problem);
  const makes = madeBy(name, startsAt);
  if (makes === "cleave" && before.some((length) => length.makes === "cleave"))
    return at({ code: "duplicate", message: t("there-is-a-cleave-already-and-an-2"), path: [] });
  return ok({
    id,
    name,
    from: datum.id,
    side: datum.side ?? usualSide(makes, datum.id),
    nominal: nominal.value,
    plus: plus.value,
    minus: minus.value,
    makes,
    tool: null,
  });
}

/**
 * On which side of its datum a length ends where nobody says: a cleave in front of an edge, all else behind.
 * @example usualSide("mark", "end") // "behind"
 */
export const usualSide = (makes: PlannedLength["makes"], from: string): Side =>
  makes === "cleave" && from !== END ? "front" : "behind";

/** What a length of that name makes: a mark, the cleave, or the layer that is stripped. */
function madeBy(name: string, startsAt: PlannedLayer): PlannedLength["makes"] {
  if (/cleav/i.test(name)) return "cleave";
  if (/mark|line|clamp/i.test(name)) return "mark";
  const layer = LAYER_WORDS.find(([word]) => word.test(name))?.[1] ?? UNNAMED;
  return layer === "jacket" && startsAt === "sheath" ? "sheath" : layer;
}

const SIDES: readonly (readonly [RegExp, Side])[] = [
  [/^(in front of|before)\b/i, "front"],
  [/^behind\b/i, "behind"],
];

function datumOf(
  text: string,
  before: readonly PlannedLength[],
): { readonly id: string; readonly side: Side | null } | null {
  const side = SIDES.find(([word]) => word.test(text.trim()))?.[1] ?? null;
  const said = text
    .trim()
    .replace(/^(from|in front of|before|behind)\b/i, "")
    .replace(/^\s*the\b/i, "")
    .trim();
  if (said === "" || /^(cable |fibre |fiber |free )?end$/i.test(said)) return { id: END, side };
  const wanted = slug(said);
  const named = (length: PlannedLength) =>
    [length.id, featureIdOf(length)].includes(wanted) || wanted.startsWith(length.id);
  const plannedLength = before.find(named) ?? before.find(({ id }) => id.startsWith(wanted));
  return plannedLength ? { id: plannedLength.id, side } : null;
}

const UNITS = ["", "mm", "in", '"', "cm", "m"];

function lengthIn(text: string, unit: string): Outcome<Length> {
  const clean = unit.trim().toLowerCase();
  if (!UNITS.includes(clean)) return refuse("unknown-unit", say("found-the-unit-it-is-mm-cm", { unit }));
  const inches = clean === "in" || clean === '"';
  const written = parseLength(inches || clean === "" || clean === "mm" ? text : `${text} ${clean}`, {
    unit: inches ? "in" : "mm",
  });
  return written.ok ? ok(written.value.length) : written;
}
