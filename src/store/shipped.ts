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
  zProcedure,
  zTool,
} from "@/core";

/** Everything that comes with the product, validated. */
export interface Library {
  readonly cables: readonly Cable[];
  /** What is worked by: styles, kits, and what each entry comes to. */
  readonly procedures: readonly Procedure[];
  readonly entries: readonly Entry[];
  readonly tools: readonly Tool[];
  readonly instruments: readonly Instrument[];
  readonly cautions: readonly Caution[];
  /** What a sheet drafted from a list of lengths is put together from. */
  readonly draft: DraftKit;
}

const texts = new WeakMap<object, string>();

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
  const made = check(schema, document);
  rememberText(made, JSON.stringify(document));
  return made;
}

/** The procedures an entry comes to: of a cable that ends in it, and of one that goes through. */
const preparedBy = (entry: Entry, ending: EntrySheet, going: EntrySheet): Procedure[] =>
  [entryProcedure(entry, ending), throughProcedure(entry, going)].flatMap((document) =>
    document ? [shelvedAs(zProcedure, document)] : [],
  );

/** Cables that some entry takes, as they are in hand in the middle of their run. */
const inMidRun = (cables: readonly Cable[], entries: readonly Entry[]): Cable[] =>
  cables
    .filter(
      ({ construction }) =>
        construction !== "flat-drop" && entries.some(({ takes }) => takes.includes(construction)),
    )
    .map((cable) => shelvedAs(zCable, z.encode(zCable, midSpanOf(cable))));

function everything(): Library {
  const entries = documents("entries", zEntry);
  const [ending, going] = [read("entry-sheet.json", zEntrySheet), read("through-sheet.json", zEntrySheet)];
  const cables = documents("cables", zCable);
  return {
    cables: [...cables, ...inMidRun(cables, entries)].sort(
      (a, b) => CONSTRUCTIONS.indexOf(a.construction) - CONSTRUCTIONS.indexOf(b.construction),
    ),
    procedures: [
      ...documents("procedures", zProcedure),
      ...entries.flatMap((entry) => preparedBy(entry, ending, going)),
    ],
    entries,
    tools: read("tools.json", z.array(zTool)),
    instruments: read("instruments.json", z.array(zInstrument)),
    cautions: read("cautions.json", z.array(zCaution)),
    draft: read("draft.json", zDraftKit),
  };
}

let kept: Library | undefined;

/**
 * The shipped library, read and validated once a process.
 * @throws InputError naming the file and field that is wrong.
 */
export function shippedLibrary(): Library {
  kept ??= everything();
  return kept;
}
