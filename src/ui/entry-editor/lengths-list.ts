import {
  ENTRY_LENGTHS,
  type EntryDocument,
  type EntryLength,
  type LengthRow,
  type Outcome,
  ok,
  refuse,
} from "@/core";
import { t } from "@/messages/entry-editor";
import { signed } from "../editor/signed";
import { lengthsFromText } from "../shelf/lengths-csv";
import { ENTRY_LENGTH_WORDS } from "../words/entry-words";

type Lengths = EntryDocument["lengths"];

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^a-z]+/g, " ")
    .trim();

/** The length a row of a list is of: by its word in the document, or as it is said. */
const lengthNamed = (name: string): EntryLength | undefined =>
  ENTRY_LENGTHS.find((id) => plain(id) === plain(name) || plain(ENTRY_LENGTH_WORDS[id].name) === plain(name));

const inMm = (text: string, unit: string): number | string =>
  signed(/in|"|″/i.test(unit) ? `${text} in` : text);

function figureOf({ value, unit, plus, minus }: LengthRow): Outcome<NonNullable<Lengths["opening"]>> {
  const nominal = inMm(value, unit);
  if (typeof nominal === "string") return refuse("not-a-length", nominal);
  const sides = [plus, minus === "" ? plus : minus].map((side) => (side === "" ? null : inMm(side, unit)));
  const [above, below] = sides.map((side) => (typeof side === "number" ? Math.abs(side) : side));
  if (typeof above === "string") return refuse("not-a-length", above);
  if (typeof below === "string") return refuse("not-a-length", below);
  return ok({ nominal, plus: above ?? null, minus: below ?? null, cases: [] });
}

/**
 * An entry's lengths with those of a list in place of its own: `members, sheath edge, 64, mm, 5, 5`, one row a length.
 * Figures that were other for some cables go with the one they were beside.
 * @returns the lengths and how many were taken, or which row cannot be read and why: nothing is taken then.
 */
export function withListed(lengths: Lengths, text: string): Outcome<{ lengths: Lengths; taken: number }> {
  const rows = lengthsFromText(text);
  if (!rows.ok) return rows;
  const next: Lengths = { ...lengths };
  for (const [i, row] of rows.value.entries()) {
    const id = lengthNamed(row.name);
    if (!id)
      return refuse(
        "unknown-dimension",
        t("row-an-entry-has-no-length", {
          value: i + 1,
          slice: row.name.slice(0, 60),
          value2: ENTRY_LENGTHS.map((entryLength) => ENTRY_LENGTH_WORDS[entryLength].name).join(", "),
        }),
      );
    const figure = figureOf(row);
    if (!figure.ok)
      return refuse(
        figure.problem.code,
        t("row", { value: i + 1, name: row.name, message: figure.problem.message }),
      );
    next[id] = figure.value;
  }
  return ok({ lengths: next, taken: rows.value.length });
}
