import { isRecord } from "../problem/is-record";
import type { ProcedureDocument } from "../procedure/procedure";

/** One thing that differs between two revisions; null where it is not there at all. */
export interface Change {
  /** Which part of the procedure: lengths, steps, parts. */
  readonly among: string;
  /** The name of what changed. */
  readonly subject: string;
  /** What about it. */
  readonly field: string;
  readonly before: string | null;
  readonly after: string | null;
}

type Item = Readonly<Record<string, unknown>>;

const LISTS = [
  ["lengths", "dimensions"],
  ["places", "features"],
  ["parts", "parts"],
  ["steps", "steps"],
  ["choices", "choices"],
  ["retries", "retries"],
] as const;

const LABELS: Record<string, string> = {
  nominal: "figure",
  plus: "upper tolerance",
  minus: "lower tolerance",
  from: "datum",
  to: "place",
  workFrom: "laid off from",
  how: "what to do",
  seconds: "time",
  count: "count",
  setting: "tool setting",
  bites: "bites",
  judgement: "what to look for",
  ifLong: "if too long",
  ifShort: "if too short",
  notRead: "why it is not read",
  cases: "other figures",
  when: "when it is there",
};

/**
 * What changed between two revisions of a procedure, in the order of the document: lengths first, since they
 * cut cable. Values are as written, millimetres.
 * @example compareProcedures(stubWritten, { ...stubWritten, name: "Wedge" }).map(({ field }) => field) // ["name"]
 */
export function compareProcedures(before: ProcedureDocument, after: ProcedureDocument): Change[] {
  const whole = (["name", "about", "appliesTo", "startsAt", "squareUp"] as const).flatMap((field) =>
    differs(before[field], after[field], { among: "procedure", subject: after.name, field }),
  );
  return [
    ...LISTS.flatMap(([among, list]) => compareLists(among, items(before[list]), items(after[list]))),
    ...whole,
  ];
}

const items = (list: unknown): Item[] => (Array.isArray(list) ? list.filter(isRecord) : []);

function compareLists(among: string, before: readonly Item[], after: readonly Item[]): Change[] {
  const nameOf = (item: Item) => String(item.name ?? item.title ?? item.id);
  const gone = before
    .filter(({ id }) => !after.some((item) => item.id === id))
    .map(
      (item): Change => ({ among, subject: nameOf(item), field: "there at all", before: "yes", after: null }),
    );
  const rest = after.flatMap((item, i): Change[] => {
    const old = before.find(({ id }) => id === item.id);
    const itemName = nameOf(item);
    if (!old) return [{ among, subject: itemName, field: "there at all", before: null, after: "new" }];
    const fields = [...new Set([...Object.keys(old), ...Object.keys(item)])].filter((key) => key !== "id");
    return [
      ...fields.flatMap((field) => differs(old[field], item[field], { among, subject: itemName, field })),
      ...moved(before, after, item.id, i, { among, subject: itemName }),
    ];
  });
  return [...gone, ...rest];
}

/** An item that comes after another one than before, counting only those in both. */
function moved(
  before: readonly Item[],
  after: readonly Item[],
  id: unknown,
  index: number,
  about: Pick<Change, "among" | "subject">,
): Change[] {
  if (about.among !== "steps" && about.among !== "parts") return [];
  const inBoth = (list: readonly Item[], other: readonly Item[]) =>
    list.filter((item) => other.some((two) => two.id === item.id));
  const ahead = (list: readonly Item[]) => list[list.findIndex((item) => item.id === id) - 1];
  const was = ahead(inBoth(before, after));
  const is = ahead(inBoth(after.slice(0, index + 1), before));
  const placeText = (item: Item | undefined) =>
    item ? `after ${String(item.title ?? item.name ?? item.id)}` : "first";
  return was?.id === is?.id
    ? []
    : [{ ...about, field: "order", before: placeText(was), after: placeText(is) }];
}

function differs(
  before: unknown,
  after: unknown,
  about: { among: string; subject: string; field: string },
): Change[] {
  const [a, b] = [written(before), written(after)];
  return a === b ? [] : [{ ...about, field: LABELS[about.field] ?? about.field, before: a, after: b }];
}

/** A value as it is read out: nothing, a text, a number, or its fields in a row. */
function written(value: unknown): string | null {
  if (value === undefined || value === "" || (Array.isArray(value) && value.length === 0)) return null;
  if (value === null) return "open";
  if (Array.isArray(value)) return value.map((item) => written(item) ?? "").join(" · ");
  if (typeof value === "object")
    return Object.entries(value)
      .filter(([key, first]) => key !== "id" && written(first) !== null)
      .map(([key, first]) => `${LABELS[key] ?? key} ${written(first)}`)
      .join(", ");
  return String(value);
}

/** One line of a document's history. */
export interface RevisionLine {
  readonly revision: number;
  readonly at: string | null;
  readonly by: string;
  readonly why: string;
  readonly origin: "shipped" | "own" | "put away";
}
