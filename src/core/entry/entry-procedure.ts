import { z } from "zod";
import { formatMm } from "../length/format";
import { um } from "../length/length";
import { check } from "../problem/check";
import { type Procedure, type ProcedureDocument, zProcedure, zProcedureParts } from "../procedure/procedure";
import type { Step } from "../procedure/step";
import { bushed } from "./bushings";
import { ENTRY_LENGTHS, type Entry } from "./entry";
import { takenBy } from "./taken";
import { tightening } from "./tightening";

const { startsAt, opensOnto, squareUp, retries, features, steps, choices } = zProcedureParts.shape;

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
  choices,
  features,
  /** Each by the entry's figure of the same name, or by the one it says. */
  dimensions: z.array(zUnfigured.extend({ figure: z.enum(ENTRY_LENGTHS).optional() })),
  steps,
  /** The one step of the sheet each fastener takes the place of, in their order. */
  fasten: z.string(),
  /** The same for what presses the seal, with the step that leaves it slack before, and for what holds the cover. */
  press: z.string(),
  slack: z.string(),
  close: z.string(),
  /** The length that is stored, and the one that must reach the storage whole. */
  stored: z.enum(ENTRY_LENGTHS),
  whole: z.enum(ENTRY_LENGTHS).optional(),
});
export type EntrySheet = z.output<typeof zEntrySheet>;

const FAMILY = "closure-entry";

/** How a cable is prepared that comes into a closure with others: pressure, seal and cover are the closure's, once. */
export const WITH_CLOSURE = { closing: "closure" } as const;

/** What of a text the entry says. */
const worded = (text: string, { radius }: Entry): string => text.replaceAll("{radius}", formatMm(radius));

/** Where a loop is stored: what of its length is on the way there, and how many turns the storage takes. */
function storing(step: Step, { storage, lengths }: Entry, { stored, whole }: EntrySheet): Step {
  if (!step.how.includes("{turns}")) return step;
  const [length, other] = storage.paths;
  const both = stored === "half";
  return {
    ...step,
    turns: {
      along: stored,
      share: both ? 2 : 1,
      path: both ? um(length + other) : length,
      perimeter: storage.perimeter,
      least: storage.turns.min,
      most: storage.turns.max,
      ...(whole && lengths[whole] && { whole }),
    },
  };
}

/** Whether a step has anything to do: it makes or works by nothing that the entry does not state. */
function stands(step: Step, dimensions: ReadonlySet<string>, produced: ReadonlySet<string>): boolean {
  if ("by" in step && step.by !== undefined) return dimensions.has(step.by);
  if (step.kind === "remove") return produced.has(step.to);
  return step.kind === "measure" ? step.checks.some((id) => dimensions.has(id)) : true;
}

/**
 * The procedure an entry comes to: one document for every cable that goes in, like any other.
 * @throws InputError for an entry whose lengths, parts or steps do not go together.
 * @example entryProcedure(dome, sheets.ending).id // "entry-dome-gel"
 */
export const entryProcedure = (entry: Entry, sheet: EntrySheet): ProcedureDocument =>
  madeOf(entry, sheet, {
    id: entry.id,
    name: entry.name,
    parts: bushed(entry.parts, entry.ports),
    appliesTo: { constructions: entry.takes, cores: entry.cores, ...takenBy(entry.ports) },
  });

/**
 * What the procedure of a cable that goes through is called by, from its entry's id.
 * @example throughId("entry-dome-gel") // "entry-dome-gel-through"
 */
export const throughId = (entry: string): string => `${entry}-through`;

/**
 * The same of a cable whose sheath is opened in the middle of its run: from the centre mark to both sides, each worked and
 * read by itself; null where an entry takes none.
 * @throws InputError as for one that ends there.
 * @example throughProcedure(dome, sheets.going)?.id // "entry-dome-gel-through"
 */
export function throughProcedure(entry: Entry, sheet: EntrySheet): ProcedureDocument | null {
  const ways = entry.ports.filter(({ pair, double }) => pair !== undefined || double);
  if (entry.lengths.half === undefined || ways.length === 0) return null;
  return madeOf(entry, sheet, {
    id: throughId(entry.id),
    name: `${entry.name}, through`,
    parts: bushed(entry.through, ways),
    appliesTo: {
      constructions: ["mid-span"],
      inRun: entry.takes,
      cores: entry.cores,
      ...takenBy(ways),
      legs: 2,
    },
  });
}

/** A step that needs what others come to, where they come to anything. */
function withNeeds(step: Step, become: ReadonlyMap<string, readonly string[]>): Step {
  const needs = step.needs?.flatMap((id) => become.get(id) ?? []);
  return { ...step, needs: needs && needs.length > 0 ? needs : undefined };
}

/** A look that goes back only to what is there: where nothing is tightened, nothing is tightened again. */
function withinReach(step: Step, steps: readonly Step[]): Step {
  if (!("judgement" in step) || !step.judgement) return step;
  const answers = step.judgement.answers.map((answer) => ({
    ...answer,
    retries: answer.retries.filter(({ goTo }) => steps.some(({ id }) => id === goTo)),
  }));
  return { ...step, judgement: { ...step.judgement, answers } };
}

type Named = Pick<Procedure, "id" | "name" | "parts" | "appliesTo">;

function madeOf(entry: Entry, sheet: EntrySheet, named: Named): ProcedureDocument {
  const dimensions = sheet.dimensions.flatMap((dimension) => {
    const { figure: of, ...own } = dimension;
    const length = of ?? ENTRY_LENGTHS.find((lengthId) => lengthId === own.id);
    const figure = length && entry.lengths[length];
    return figure ? [{ ...own, ...figure }] : [];
  });
  const staged = (at: string) => entry.fasteners.filter(({ stage = "cable" }) => stage === at);
  const tightened = new Map([
    [sheet.fasten, staged("cable")],
    [sheet.press, staged("seal")],
    [sheet.close, staged("cover")],
  ]);
  /** What each step of the sheet comes to. */
  const become = new Map<string, readonly string[]>();
  // A gap is read once what presses the seal is tight: before the cover, or with it.
  const absent = staged("seal").length > 0 ? ["measure-gap-closed"] : [sheet.slack, "measure-gap"];
  const stated = new Set<string>(dimensions.map(({ id }) => id));
  const reached = new Set(dimensions.flatMap(({ from, to }) => [from, to]));
  const saved = sheet.steps
    .filter((step) => stands(step, stated, reached))
    .filter(({ id }) => entry.relief || !VALVE.includes(id))
    .filter(({ id }) => !absent.includes(id))
    .flatMap((step) => {
      const fasteners = tightened.get(step.id);
      const added = fasteners ? tightening(step, fasteners, named.parts) : [step];
      become.set(
        step.id,
        added.map(({ id }) => id),
      );
      return added;
    })
    .map((step) => storing({ ...step, how: worded(step.how, entry) }, entry, sheet));
  const procedure: Procedure = {
    ...named,
    revision: entry.revision,
    source: entry.source,
    family: FAMILY,
    about: entry.about,
    startsAt: sheet.startsAt,
    opensOnto: sheet.opensOnto,
    choices: sheet.choices,
    features: sheet.features.filter(({ id }, i) => i === 0 || reached.has(id)),
    dimensions,
    steps: saved.map((step) => withNeeds(withinReach(step, saved), become)),
    squareUp: sheet.squareUp,
    retries: sheet.retries,
  };
  const document = z.encode(zProcedureParts, procedure);
  check(zProcedure, document);
  return document;
}

/** The steps that let pressure out and shut its valve again, where an entry may hold some. */
const VALVE: readonly string[] = ["relief", "valve"];
