import type { Length } from "../length/length";
import { parseLength } from "../length/parse";
import { type Outcome, ok, type Problem, refuse } from "../problem/problem";
import type { ProcedureDocument } from "../procedure/procedure";
import { type DraftKit, named } from "./kit";

/** One row of a card: a length with its datum, as text. */
export interface LengthRow {
  readonly name: string;
  readonly datum: string;
  readonly value: string;
  readonly unit: string;
  readonly plus: string;
  readonly minus: string;
}

export interface DraftBasis {
  readonly id: string;
  readonly name: string;
  readonly date: string;
  readonly appliesTo: ProcedureDocument["appliesTo"];
  readonly startsAt: ProcedureDocument["startsAt"];
}

type Layer = ProcedureDocument["startsAt"];
type Step = ProcedureDocument["steps"][number];
type Dimension = ProcedureDocument["dimensions"][number];
type Feature = ProcedureDocument["features"][number];

interface Row {
  readonly line: number;
  readonly name: string;
  readonly id: string;
  readonly from: string;
  readonly nominal: Length;
  readonly plus: Length | null;
  readonly minus: Length | null;
  readonly kind: "cleave" | "mark" | "strip";
  /** The outermost layer in hand: a jacket or a sheath. */
  readonly outer: Layer;
}

const END = "cable-end";
const MOST_ROWS = 60;

/** Words that say which layers a length strips, the outermost first. */
const LAYER_WORDS: readonly (readonly [RegExp, readonly Layer[], keyof DraftKit["tools"]])[] = [
  [/\b(jacket|sheath)\b/i, ["jacket"], "jacket"],
  [/\b(yarn|aramid)\b/i, ["yarn"], "yarn"],
  [/\btube\b/i, ["tube"], "tube"],
  [/\b(buffer|900)\b/i, ["buffer", "coating"], "buffer"],
  [/\b(coating|250|strip)\b/i, ["coating"], "coating"],
];

/** Where the name says no layer, the glass is bared. */
const UNNAMED: (typeof LAYER_WORDS)[number] = [/./, ["coating"], "coating"];

const slug = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, "-")
    .replaceAll(/^-+|-+$/g, "")
    .slice(0, 60) || "length";

/**
 * A first draft of a procedure from a card's lengths (name, datum, value, unit, plus, minus). Each length becomes a
 * dimension from its datum, in the order given; its name says whether it is a mark, a strip or the cleave.
 * What it cannot know (parts, judgements, settings) is left to the editor; the draft can be worked with as it is.
 * Steps come in an order that works: what lies outside before what lies inside it, each mark while what it is drawn on
 * is still there, nothing drawn on wiped glass, and what is measured from the cable end before a cleave takes that away.
 * @returns the draft, or every row that is wrong, a line each: its number, what was found and what is allowed.
 */
export function draftFromLengths(
  rows: readonly LengthRow[],
  basis: DraftBasis,
  kit: DraftKit,
): Outcome<ProcedureDocument> {
  if (rows.length === 0) return refuse("empty", "There is no length in it: one row a length, names first.");
  if (rows.length > MOST_ROWS) return refuse("too-many", `At most ${MOST_ROWS} lengths make one procedure.`);
  const read: Row[] = [];
  const problems: Problem[] = [];
  for (const [i, row] of rows.entries()) {
    const outcome = readRow(row, i + 1, read, basis.startsAt);
    if (outcome.ok) read.push(outcome.value);
    else problems.push(outcome.problem);
  }
  const [first] = problems;
  if (first)
    return { ok: false, problem: { ...first, message: problems.map(({ message }) => message).join("\n") } };
  return ok(assemble(read, basis, kit));
}

/** Where each length lies behind the cable end, micrometres, by its row's id. */
function placesOf(rows: readonly Row[]): ReadonlyMap<string, number> {
  const places = new Map<string, number>([[END, 0]]);
  for (const { id, from, nominal, kind } of rows)
    places.set(id, (places.get(from) ?? 0) + (kind === "cleave" ? -nominal : nominal));
  return places;
}

/** One thing to do for a row: drawing its place, or taking off what ends there. */
interface Deed {
  readonly row: Row;
  readonly part: "draw" | "off";
}

/**
 * What to do in an order that works: strips from the outermost layer and the rearmost edge inwards, each drawn before it
 * is taken off; each mark when the surface it lies on is bare, after what it is laid off from is drawn.
 */
function inOrderOfWork(rows: readonly Row[]): Deed[] {
  const places = placesOf(rows);
  const at = ({ id }: Row) => places.get(id) ?? 0;
  const depth = (row: Row) =>
    Math.min(...layersOf(row).layers.map((layer) => LAYERS_OUTSIDE_IN.indexOf(layer)));
  const strips = rows
    .filter(({ kind }) => kind === "strip")
    .sort((a, b) => depth(a) - depth(b) || at(b) - at(a));
  const marks = rows.filter(({ kind }) => kind === "mark");
  const deeds: Deed[] = [];
  const drawn = (row: Row) => deeds.some((deed) => deed.row === row && deed.part === "draw");
  const draw = (row: Row): void => {
    if (drawn(row)) return;
    const datum = rows.find(({ id, kind }) => id === row.from && kind !== "cleave");
    if (datum) draw(datum);
    deeds.push({ row, part: "draw" });
  };
  strips.forEach((strip, i) => {
    draw(strip);
    const before = strips[i - 1];
    // Bare since the strip before, and not taken off by this one.
    for (const mark of marks) if (at(mark) > at(strip) && (!before || at(mark) <= at(before))) draw(mark);
    deeds.push({ row: strip, part: "off" });
  });
  for (const mark of marks) draw(mark);
  return deeds;
}

function readRow(row: LengthRow, line: number, before: readonly Row[], outer: Layer): Outcome<Row> {
  const at = (problem: Problem): Outcome<never> => ({
    ok: false,
    problem: {
      ...problem,
      message: `Row ${line}, “${row.name || "no name"}”: ${problem.message}`,
      path: [line],
    },
  });
  const name = row.name.trim();
  if (name === "") return at({ code: "no-name", message: "a length needs a name.", path: [] });
  const id = slug(name);
  if (before.some((one) => one.id === id))
    return at({ code: "duplicate", message: "this name is there already.", path: [] });
  const datum = datumOf(row.datum, before);
  if (datum === null)
    return at({
      code: "unknown-datum",
      message: `found the datum “${row.datum}”. It is the end, or the name of a length in a row above.`,
      path: [],
    });
  const nominal = lengthIn(row.value, row.unit);
  if (!nominal.ok) return at(nominal.problem);
  const plus = row.plus.trim() === "" ? ok(null) : lengthIn(row.plus, row.unit);
  if (!plus.ok) return at(plus.problem);
  const minus = row.minus.trim() === "" ? plus : lengthIn(row.minus, row.unit);
  if (!minus.ok) return at(minus.problem);
  const kind = /cleav/i.test(name) ? "cleave" : /mark|line|clamp/i.test(name) ? "mark" : "strip";
  return ok({
    line,
    name,
    id,
    from: datum,
    nominal: nominal.value,
    plus: plus.value,
    minus: minus.value,
    kind,
    outer,
  });
}

function datumOf(text: string, before: readonly Row[]): string | null {
  const wanted = slug(text.replace(/^from (the )?/i, ""));
  if (text.trim() === "" || /^(the )?(cable |fibre |fiber |free )?end$/i.test(text.trim())) return END;
  const named = (row: Row) => [row.id, featureId(row)].includes(wanted) || wanted.startsWith(row.id);
  return before.find(named)?.id ?? before.find((row) => row.id.startsWith(wanted))?.id ?? null;
}

const UNITS = ["", "mm", "in", '"', "cm", "m"];

function lengthIn(text: string, unit: string): Outcome<Length> {
  const clean = unit.trim().toLowerCase();
  if (!UNITS.includes(clean))
    return refuse("unknown-unit", `found the unit “${unit}”. It is mm, cm, m or in.`);
  const inches = clean === "in" || clean === '"';
  const written = parseLength(inches || clean === "" || clean === "mm" ? text : `${text} ${clean}`, {
    unit: inches ? "in" : "mm",
  });
  return written.ok ? ok(written.value.length) : written;
}

const featureId = ({ id, kind }: Row): string => (kind === "cleave" ? "glass-end" : `${id}-at`);

function layersOf({ name, kind, outer }: Row): { layers: readonly Layer[]; by: keyof DraftKit["tools"] } {
  if (kind !== "strip") return { layers: [], by: "mark" };
  const [, layers, by] = LAYER_WORDS.find(([word]) => word.test(name)) ?? UNNAMED;
  return { layers: layers.map((layer) => (layer === "jacket" && outer === "sheath" ? "sheath" : layer)), by };
}

function assemble(
  rows: readonly Row[],
  { id, name, date, appliesTo, startsAt }: DraftBasis,
  kit: DraftKit,
): ProcedureDocument {
  const featureOf = (row: string) => {
    const found = rows.find((one) => one.id === row);
    return found ? featureId(found) : END;
  };
  const features: Feature[] = [
    { id: END, name: "cable end", kind: "end" },
    ...rows.map(
      (row): Feature => ({
        id: featureId(row),
        name:
          row.kind === "cleave"
            ? "cleaved end"
            : row.kind === "strip" && !/edge/i.test(row.name)
              ? `${row.name} edge`
              : row.name,
        kind: row.kind === "cleave" ? "end" : row.kind === "mark" ? "mark" : "edge",
        ends: row.kind === "cleave" ? ["glass"] : [...layersOf(row).layers],
      }),
    ),
  ];
  const dimensions = rows.map((row): Dimension => {
    const [from, to] =
      row.kind === "cleave" ? [featureId(row), featureOf(row.from)] : [featureOf(row.from), featureId(row)];
    const common = { id: row.id, name: row.name, from, to, nominal: row.nominal / 1000 };
    const tolerance = {
      plus: row.plus === null ? null : row.plus / 1000,
      minus: row.minus === null ? null : row.minus / 1000,
    };
    return { ...common, ...tolerance, after: row.kind === "mark" ? `mark-${row.id}` : `make-${row.id}` };
  });
  const deeds = inOrderOfWork(rows);
  const cleaves = rows.filter(({ kind }) => kind === "cleave");
  // The cable end goes with the cleave: what is laid off from it is measured while it is there.
  const early = cleaves.length > 0 ? rows.filter(({ kind, from }) => kind !== "cleave" && from === END) : [];
  const late = rows.filter((row) => !early.includes(row));
  const bares = rows.some((row) => layersOf(row).layers.includes("coating"));
  const steps: Step[] = [
    { id: "thread", kind: "thread", ...kit.thread },
    ...deeds.map((deed) => stepOf(deed, kit)),
    ...(early.length > 0
      ? [
          {
            id: "measure-first",
            kind: "measure" as const,
            ...kit.measureFirst,
            checks: early.map((row) => row.id),
          },
        ]
      : []),
    ...(bares ? [{ id: "clean", kind: "clean" as const, ...kit.wipe }] : []),
    ...cleaves.map((row) => cleaveOf(row, kit)),
    ...(late.length > 0
      ? [
          {
            id: "measure",
            kind: "measure" as const,
            ...kit.measure,
            checks: late.map((row) => row.id),
          },
        ]
      : []),
    { id: "cap", kind: "cap", ...kit.finish },
    { id: "shards", kind: "dispose", ...kit.dispose },
  ];
  return {
    id,
    revision: 1,
    source: { kind: "own", note: kit.note, date },
    name,
    family: "own",
    about: "",
    appliesTo,
    startsAt,
    parts: [],
    features,
    dimensions,
    steps,
    squareUp: kit.squareUp,
    retries: [{ id: "again", ...kit.retry }],
  };
}

/** Layers as they lie, from the outside in. */
const LAYERS_OUTSIDE_IN: readonly Layer[] = [
  "sheath",
  "jacket",
  "yarn",
  "tube",
  "buffer",
  "coating",
  "glass",
];

const cleaveOf = (row: Row, kit: DraftKit): Step => ({
  id: `make-${row.id}`,
  kind: "cleave",
  ...kit.cleave,
  makes: featureId(row),
  by: row.id,
  tool: kit.tools.cleave,
  replaces: END,
});

function stepOf({ row, part }: Deed, kit: DraftKit): Step {
  const { layers, by } = layersOf(row);
  if (part === "draw")
    return {
      id: `mark-${row.id}`,
      kind: "mark",
      ...named(kit.mark, row.name),
      makes: featureId(row),
      by: row.id,
      tool: kit.tools.mark,
    };
  return {
    id: `make-${row.id}`,
    kind: "remove",
    ...named(layers.includes("coating") ? kit.bare : kit.take, row.name),
    layers: [...layers],
    to: featureId(row),
    tool: kit.tools[by],
  };
}
