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
  type Splicing,
  type Tool,
  type ToolToCheck,
  throughProcedure,
  zCable,
  zCaution,
  zDraftKit,
  zEntry,
  zEntrySheet,
  zInstrument,
  zMeter,
  zProcedure,
  zSplicing,
  zTool,
  zToolToCheck,
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
  /** Tools checked before the first strip of a shift. */
  readonly toolsToCheck: readonly ToolToCheck[];
  /** How two fibres are joined. */
  readonly splicing: readonly Splicing[];
  /** What a sheet drafted from a list of lengths is put together from. */
  readonly draft: DraftKit;
  readonly texts: Texts;
}

/** What a record keeps of a document is its text, millimetres and all. */
type DocumentKind = "cable" | "procedure" | "entry" | "tools";

/** The text each document was read from, by its kind and id. */
export type Texts = ReadonlyMap<string, string>;

const textKey = (kind: DocumentKind, id: string): string => `${kind}/${id}`;

/** The text a document of a shelf was read from; undefined for one that is not on it. */
export const textIn = ({ texts }: { readonly texts: Texts }, kind: DocumentKind, id: string) =>
  texts.get(textKey(kind, id));

/** A document with the text it was read from. */
export interface Written<T> {
  readonly document: T;
  readonly text: string;
}

/** Texts of documents by their kind and id. */
export const textsOf = (
  kind: DocumentKind,
  all: readonly Written<{ readonly id: string }>[],
): (readonly [string, string])[] => all.map(({ document, text }) => [textKey(kind, document.id), text]);

function read<S extends z.ZodType<object>>(file: string, schema: S): Written<z.output<S>> {
  try {
    const text = readFileSync(join(process.cwd(), "library", file), "utf8");
    return { document: check(schema, JSON.parse(text)), text };
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(error.problem.code, `${file}: ${error.problem.message}`, error.problem.path);
    throw error;
  }
}

const documents = <S extends z.ZodType<object>>(kind: string, schema: S): Written<z.output<S>>[] =>
  readdirSync(join(process.cwd(), "library", kind))
    .filter((file) => file.endsWith(".json"))
    .sort()
    .map((file) => read(join(kind, file), schema));

/** A document that was made and not read, as any other of the shelf. */
const shelvedAs = <S extends z.ZodType<object>>(schema: S, document: unknown): Written<z.output<S>> => ({
  document: check(schema, document),
  text: JSON.stringify(document),
});

/** How every entry is prepared: of a cable that ends in it, and of one that goes through. */
export const entrySheets = (): { readonly ending: EntrySheet; readonly going: EntrySheet } =>
  processWide("entry sheets", () => ({
    ending: read("entry-sheet.json", zEntrySheet).document,
    going: read("through-sheet.json", zEntrySheet).document,
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
const preparedBy = madeOf("prepared by entries", (entry: Entry): Written<Procedure>[] =>
  [entryProcedure(entry, entrySheets().ending), throughProcedure(entry, entrySheets().going)].flatMap(
    (document) => (document ? [shelvedAs(zProcedure, document)] : []),
  ),
);

const shelvedInRun = madeOf(
  "cables in mid-run",
  (cable: Cable): Written<Cable> => shelvedAs(zCable, z.encode(zCable, midSpanOf(cable))),
);

/** Constructions that are never opened in the middle of their run, and what is opened there already. */
const UNOPENED: readonly Cable["construction"][] = ["flat-drop", "mid-span"];

/** Cables that some entry takes, as they are in hand in the middle of their run. */
const inMidRun = (cables: readonly Cable[], entries: readonly Entry[]): Written<Cable>[] =>
  cables
    .filter(
      ({ construction }) =>
        !UNOPENED.includes(construction) && entries.some(({ takes }) => takes.includes(construction)),
    )
    .map((cable) => shelvedInRun(cable));

/** What of a shelf is written by somebody: the rest follows from it. */
type WrittenShelf = Pick<Library, "cables" | "procedures" | "entries" | "texts">;

/** A shelf with all that follows from what is written: the procedures its entries come to, its cables in mid-run. */
export function followedBy({ cables, procedures, entries, texts }: WrittenShelf): WrittenShelf {
  const written = entries
    .flatMap((entry) => preparedBy(entry))
    .filter(({ document: { id } }) => !procedures.some((procedure) => procedure.id === id));
  const inRun = inMidRun(cables, entries).filter(
    ({ document: { id } }) => !cables.some((cable) => cable.id === id),
  );
  return {
    cables: [...cables, ...inRun.map(({ document }) => document)].sort(
      (a, b) => CONSTRUCTIONS.indexOf(a.construction) - CONSTRUCTIONS.indexOf(b.construction),
    ),
    procedures: [...procedures, ...written.map(({ document }) => document)],
    entries,
    texts: new Map([...texts, ...textsOf("procedure", written), ...textsOf("cable", inRun)]),
  };
}

/** What was shipped as it was written, read and validated once a process. */
export const shippedWritten = (): WrittenShelf =>
  processWide("library as written", () => {
    const cables = documents("cables", zCable);
    const procedures = documents("procedures", zProcedure);
    const entries = documents("entries", zEntry);
    return {
      cables: cables.map(({ document }) => document),
      procedures: procedures.map(({ document }) => document),
      entries: entries.map(({ document }) => document),
      texts: new Map([
        ...textsOf("cable", cables),
        ...textsOf("procedure", procedures),
        ...textsOf("entry", entries),
      ]),
    };
  });

/** The one list of tools: what a record keeps of it is the whole list. */
const TOOLS = "tools";

/** The text of the whole list of tools. */
export const toolsText = (library: Pick<Library, "texts">): string => mustHaveText(library, "tools", TOOLS);

/** The text of a document that is on the shelf. */
export function mustHaveText(library: Pick<Library, "texts">, kind: DocumentKind, id: string): string {
  const text = textIn(library, kind, id);
  if (text === undefined) throw new Error(`no text of the ${kind} ${id}`);
  return text;
}

function everything(): Library {
  const whole = followedBy(shippedWritten());
  const tools = read("tools.json", z.array(zTool));
  return {
    ...whole,
    texts: new Map([...whole.texts, [textKey("tools", TOOLS), tools.text]]),
    tools: tools.document,
    instruments: read("instruments.json", z.array(zInstrument)).document,
    meters: read("meters.json", z.array(zMeter)).document,
    cautions: read("cautions.json", z.array(zCaution)).document,
    toolsToCheck: read("shift.json", z.array(zToolToCheck)).document,
    splicing: documents("splicing", zSplicing).map(({ document }) => document),
    draft: read("draft.json", zDraftKit).document,
  };
}

/**
 * The shipped library, read and validated once a process.
 * @throws InputError naming the file and field that is wrong.
 */
export const shippedLibrary = (): Library => processWide("library", everything);
