import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";
import {
  type Cable,
  type Caution,
  CONSTRUCTIONS,
  check,
  type DraftKit,
  type Entry,
  type EntrySheet,
  entryProcedure,
  InputError,
  type Instrument,
  type Meter,
  midSpanOf,
  type Procedure,
  type Tool,
  throughProcedure,
  zCable,
  zCaution,
  zDraftKit,
  zEntry,
  zEntrySheet,
  zInstrument,
  zMeter,
  zProcedure,
  zTool,
} from "@/core";
import { processWide } from "../database/process-wide";

/** Everything that comes with the product, validated. */
export interface Library {
  readonly cables: readonly Cable[];
  /** What is worked by: styles, kits, and what each entry comes to. */
  readonly procedures: readonly Procedure[];
  readonly entries: readonly Entry[];
  readonly tools: readonly Tool[];
  readonly instruments: readonly Instrument[];
  readonly meters: readonly Meter[];
  readonly cautions: readonly Caution[];
  /** What a sheet drafted from a list of lengths is put together from. */
  readonly draft: DraftKit;
}

const texts = processWide("texts of documents", () => new WeakMap<object, string>());

/** Keeps the text a document was parsed from. */
export const rememberText = (document: object, text: string): void => {
  texts.set(document, text);
};

/** The text a document was read from, millimetres and all: what the record keeps. */
export function textOf(document: object): string {
  const text = texts.get(document);
  if (text === undefined) throw new Error("only a document of the shelf has a text");
  return text;
}

function read<S extends z.ZodType<object>>(file: string, schema: S): z.output<S> {
  try {
    const text = readFileSync(join(process.cwd(), "library", file), "utf8");
    const document = check(schema, JSON.parse(text));
    rememberText(document, text);
    return document;
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(error.problem.code, `${file}: ${error.problem.message}`, error.problem.path);
    throw error;
  }
}

const documents = <S extends z.ZodType<object>>(kind: string, schema: S): z.output<S>[] =>
  readdirSync(join(process.cwd(), "library", kind))
    .filter((file) => file.endsWith(".json"))
    .sort()
    .map((file) => read(join(kind, file), schema));

/** A document that was made and not read, as any other of the shelf. */
function shelvedAs<S extends z.ZodType<object>>(schema: S, document: unknown): z.output<S> {
  const built = check(schema, document);
  rememberText(built, JSON.stringify(document));
  return built;
}

/** How every entry is prepared: of a cable that ends in it, and of one that goes through. */
export const entrySheets = (): { readonly ending: EntrySheet; readonly going: EntrySheet } =>
  processWide("entry sheets", () => ({
    ending: read("entry-sheet.json", zEntrySheet),
    going: read("through-sheet.json", zEntrySheet),
  }));

/** What was made of a document once a process: documents never change. */
const madeOf = <K extends object, T>(name: string, make: (from: K) => T) => {
  const cache = processWide(name, () => new WeakMap<K, T>());
  return (from: K): T => {
    const cached = cache.get(from) ?? make(from);
    cache.set(from, cached);
    return cached;
  };
};

/** The procedures an entry comes to: of a cable that ends in it, and of one that goes through. */
const preparedBy = madeOf("prepared by entries", (entry: Entry): Procedure[] =>
  [entryProcedure(entry, entrySheets().ending), throughProcedure(entry, entrySheets().going)].flatMap(
    (document) => (document ? [shelvedAs(zProcedure, document)] : []),
  ),
);

const shelvedInRun = madeOf(
  "cables in mid-run",
  (cable: Cable): Cable => shelvedAs(zCable, z.encode(zCable, midSpanOf(cable))),
);

/** Constructions that are never opened in the middle of their run, and what is opened there already. */
const UNOPENED: readonly Cable["construction"][] = ["flat-drop", "mid-span"];

/** Cables that some entry takes, as they are in hand in the middle of their run. */
const inMidRun = (cables: readonly Cable[], entries: readonly Entry[]): Cable[] =>
  cables
    .filter(
      ({ construction }) =>
        !UNOPENED.includes(construction) && entries.some(({ takes }) => takes.includes(construction)),
    )
    .map((cable) => shelvedInRun(cable));

/** What of a shelf is written by somebody: the rest follows from it. */
type WrittenDocument = Pick<Library, "cables" | "procedures" | "entries">;

/** A shelf with all that follows from what is written: the procedures its entries come to, its cables in mid-run. */
export function followedBy({ cables, procedures, entries }: WrittenDocument): WrittenDocument {
  const written = entries
    .flatMap((entry) => preparedBy(entry))
    .filter(({ id }) => !procedures.some((procedure) => procedure.id === id));
  const inRun = inMidRun(cables, entries).filter(({ id }) => !cables.some((cable) => cable.id === id));
  return {
    cables: [...cables, ...inRun].sort(
      (a, b) => CONSTRUCTIONS.indexOf(a.construction) - CONSTRUCTIONS.indexOf(b.construction),
    ),
    procedures: [...procedures, ...written],
    entries,
  };
}

/** What was shipped as it was written, read and validated once a process. */
export const shippedWritten = (): WrittenDocument =>
  processWide("library as written", () => ({
    cables: documents("cables", zCable),
    procedures: documents("procedures", zProcedure),
    entries: documents("entries", zEntry),
  }));

function everything(): Library {
  return {
    ...followedBy(shippedWritten()),
    tools: read("tools.json", z.array(zTool)),
    instruments: read("instruments.json", z.array(zInstrument)),
    meters: read("meters.json", z.array(zMeter)),
    cautions: read("cautions.json", z.array(zCaution)),
    draft: read("draft.json", zDraftKit),
  };
}

/**
 * The shipped library, read and validated once a process.
 * @throws InputError naming the file and field that is wrong.
 */
export const shippedLibrary = (): Library => processWide("library", everything);
