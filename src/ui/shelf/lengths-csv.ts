import Papa from "papaparse";
import { type LengthRow, type Outcome, ok, refuse } from "@/core";
import { t } from "@/messages/shelf";

const FIELDS = ["name", "datum", "value", "unit", "plus", "minus"] as const;

/** Other words people head a column with. */
const ALIASES: Record<string, (typeof FIELDS)[number]> = {
  length: "name",
  what: "name",
  from: "datum",
  "from the": "datum",
  figure: "value",
  mm: "value",
  units: "unit",
  "+": "plus",
  "−": "minus",
  "-": "minus",
  tolerance: "plus",
};

/** The most text taken for a list of lengths. */
const MOST_TEXT = 20_000;

/**
 * Reads lengths pasted or dropped as text: comma, semicolon or tab between, names first or in the standard order
 * (name, datum, value, unit, plus, minus).
 * @returns the rows, or why the text cannot be read.
 */
export function lengthsFromText(text: string): Outcome<LengthRow[]> {
  if (text.length > MOST_TEXT)
    return refuse("too-large", t("at-most-thousand-characters", { value: MOST_TEXT / 1000 }));
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: "greedy" });
  const [head = []] = data;
  const named = head.map((cell) => fieldOf(cell));
  const hasHead = named.includes("name") && named.includes("value");
  const order = hasHead ? named : FIELDS;
  const rows = (hasHead ? data.slice(1) : data).map((cells): LengthRow => {
    const cell = (field: (typeof FIELDS)[number]) => cells[order.indexOf(field)]?.trim() ?? "";
    return {
      name: cell("name"),
      datum: cell("datum"),
      value: cell("value"),
      unit: cell("unit"),
      plus: cell("plus"),
      minus: cell("minus"),
    };
  });
  return rows.length === 0 ? refuse("empty", t("there-is-no-length-in-it")) : ok(rows);
}

function fieldOf(cell: string): (typeof FIELDS)[number] | null {
  const word = cell.trim().toLowerCase();
  return FIELDS.find((field) => field === word) ?? ALIASES[word] ?? null;
}
