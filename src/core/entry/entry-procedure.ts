import { z } from "zod";
import { formatMm } from "../length/format";
import type { Length } from "../length/length";
import { check } from "../problem/check";
import { type Procedure, type ProcedureDocument, zProcedure, zProcedureParts } from "../procedure/procedure";
import type { Step } from "../procedure/step";
import { ENTRY_LENGTHS, type Entry } from "./entry";

const { startsAt, opensOnto, squareUp, retries, features, steps } = zProcedureParts.shape;

/** A dimension without its figures: those are the entry's own. */
const zUnfigured = zProcedureParts.shape.dimensions.element.omit({
  nominal: true,
  plus: true,
  minus: true,
  cases: true,
});

/**
 * How any entry is prepared, in order and in words: every layer a cable may have, each step where there is something for
 * it to do. What an entry does not state falls out of it; figures, parts and fasteners are the entry's.
 */
export const zEntrySheet = z.strictObject({
  startsAt,
  opensOnto,
  squareUp,
  retries,
  features,
  dimensions: z.array(zUnfigured.extend({ id: z.enum(ENTRY_LENGTHS) })),
  steps,
  /** The one step of the sheet each fastener takes the place of, in their order. */
  fasten: z.string(),
});
export type EntrySheet = z.output<typeof zEntrySheet>;

const FAMILY = "closure-entry";

/** What of a text the entry says. */
const worded = (text: string, { radius, storage: { turns } }: Entry): string =>
  text
    .replaceAll("{radius}", formatMm(radius))
    .replaceAll(
      "{turns}",
      turns.min === turns.max ? `${turns.min} turns` : `${turns.min} to ${turns.max} turns`,
    );

/** The steps that fasten, in their order; each is what an answer may go back to. */
const fastening = (step: Step, { fasteners }: Entry): Step[] =>
  fasteners.map(({ title, how, newtonMetres }, i) => ({
    ...step,
    id: i === 0 ? step.id : `${step.id}-${i + 1}`,
    title,
    how,
    setting: { kind: "torque", newtonMetres },
  }));

/** Whether a step has anything to do: it makes or works by nothing that the entry does not state. */
function stands(step: Step, dimensions: ReadonlySet<string>, made: ReadonlySet<string>): boolean {
  if ("by" in step && step.by !== undefined) return dimensions.has(step.by);
  if (step.kind === "remove") return made.has(step.to);
  return step.kind === "measure" ? step.checks.some((id) => dimensions.has(id)) : true;
}

/**
 * The procedure an entry comes to: one document for every cable that goes in, like any other.
 * @throws InputError for an entry whose lengths, parts or steps do not go together.
 */
export const entryProcedure = (entry: Entry, sheet: EntrySheet): ProcedureDocument =>
  madeOf(entry, sheet, {
    id: entry.id,
    name: entry.name,
    parts: entry.parts,
    appliesTo: { constructions: entry.takes, cores: entry.cores, jacket: takenBy(entry.ports) },
  });

/** What the procedure of a cable that goes through is called by, from its entry's id. */
export const throughId = (entry: string): string => `${entry}-through`;

/**
 * The same of a cable whose sheath is opened in the middle of its run: from the centre mark to both sides, each worked and
 * read by itself; null where an entry takes none.
 * @throws InputError as for one that ends there.
 */
export function throughProcedure(entry: Entry, sheet: EntrySheet): ProcedureDocument | null {
  const ways = entry.ports.filter(({ pair, double }) => pair !== undefined || double);
  if (entry.lengths.half === undefined || ways.length === 0) return null;
  return madeOf(entry, sheet, {
    id: throughId(entry.id),
    name: `${entry.name}, through`,
    parts: entry.through,
    appliesTo: { constructions: ["mid-span"], cores: entry.cores, jacket: takenBy(ways), legs: 2 },
  });
}

type Named = Pick<Procedure, "id" | "name" | "parts" | "appliesTo">;

function madeOf(entry: Entry, sheet: EntrySheet, named: Named): ProcedureDocument {
  const dimensions = sheet.dimensions.flatMap((dimension) => {
    const figure = entry.lengths[dimension.id];
    return figure ? [{ ...dimension, ...figure }] : [];
  });
  const stated = new Set<string>(dimensions.map(({ id }) => id));
  const reached = new Set(dimensions.flatMap(({ from, to }) => [from, to]));
  const kept = sheet.steps
    .filter((step) => stands(step, stated, reached))
    .filter(({ id }) => entry.relief || id !== RELIEF)
    .flatMap((step) => (step.id === sheet.fasten ? fastening(step, entry) : [step]))
    .map((step) => ({ ...step, how: worded(step.how, entry) }));
  const procedure: Procedure = {
    ...named,
    revision: entry.revision,
    source: entry.source,
    family: FAMILY,
    about: entry.about,
    startsAt: sheet.startsAt,
    opensOnto: sheet.opensOnto,
    choices: [],
    features: sheet.features.filter(({ id }, i) => i === 0 || reached.has(id)),
    dimensions,
    steps: kept,
    squareUp: sheet.squareUp,
    retries: sheet.retries,
  };
  const document = z.encode(zProcedureParts, procedure);
  check(zProcedure, document);
  return document;
}

/** The step that lets pressure out, where an entry may hold some. */
const RELIEF = "relief";

/** Thinnest and thickest sheath that some port takes. */
function takenBy(ports: Entry["ports"]): { min: Length; max: Length } {
  const thinnest = ports.reduce((a, b) => (b.bushedMin < a.bushedMin ? b : a));
  const thickest = ports.reduce((a, b) => (b.max > a.max ? b : a));
  return { min: thinnest.bushedMin, max: thickest.max };
}
