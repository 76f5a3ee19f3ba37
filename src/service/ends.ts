import { randomUUID } from "node:crypto";
import { z } from "zod";
import {
  applied,
  check,
  compileRunSheet,
  type EndState,
  type Entry,
  endState,
  InputError,
  type KeptVerdict,
  keptVerdicts,
  mustAccept,
  mustHaveSeen,
  type Recorded,
  type Rule,
  type RunSheet,
  type RunTimer,
  resultOf,
  runningClocks,
  type Source,
  zEntry,
  zRule,
} from "@/core";
import type { Store } from "@/store/database";
import { keepDocument, keptCable, keptProcedure, keptTools } from "@/store/documents";
import {
  type EndRow,
  entriesAfter,
  findEnd,
  findEntry,
  insertEnd,
  insertEntry,
  openEnds,
  updateEnd,
} from "@/store/ends";
import { photoBytes } from "@/store/photos";
import { wholeLibrary } from "@/store/shelf";
import { textOf } from "@/store/shipped";

export const zStart = z.strictObject({
  id: z.uuid("An end's id is a UUID").optional(),
  cable: z.string().max(80),
  procedure: z.string().max(80),
  /** The procedure's revision the sheet was drawn from: another one since is told, not used. */
  revision: z.int().min(1).optional(),
  core: z.string().max(20),
  choices: z.record(z.string().max(80), z.string().max(80)).default({}),
  rule: zRule.default({ kind: "guarded", risk: 0.05 }),
});

export const zAdd = z.strictObject({
  /** The window it comes from: what one window did never surprises that window. */
  client: z.string().min(1).max(80),
  /** The last entry that window had seen when the person acted. */
  after: z.int().min(0),
  entries: z
    .array(z.strictObject({ id: z.uuid("An entry's id is a UUID"), entry: zEntry }))
    .min(1)
    .max(100),
});

/** An end as the bench and the ledger show it. */
export interface End {
  readonly id: string;
  readonly createdAt: string;
  readonly batchId: string | null;
  readonly styleName: string;
  readonly cableName: string;
  readonly rule: Rule;
  readonly source: Source;
  readonly sheet: RunSheet;
  readonly entries: readonly Recorded[];
  /** As judged at the sign-off; null until then. */
  readonly verdicts: readonly KeptVerdict[] | null;
  /** Hash of its last entry: the whole history under one figure. */
  readonly hash: string;
}

/** One row of a list of ends. */
export interface EndSummary
  extends Pick<
    EndRow,
    | "id"
    | "createdAt"
    | "style"
    | "styleName"
    | "cableName"
    | "job"
    | "label"
    | "result"
    | "signedBy"
    | "signedAt"
    | "picked"
    | "at"
    | "batchId"
  > {}

/**
 * Starts an end from a sheet: compiles it first, then keeps the very documents it was made by.
 * Asking again with the same id answers the same end.
 * @throws InputError when a name is not known or the pair does not go together.
 */
export function startEnd(store: Store, input: unknown, now = new Date()): { id: string } {
  const { id = randomUUID(), ...sheet } = check(zStart, input);
  const row = mustCompile(store, sheet);
  store.transaction((tx) => {
    if (!findEnd(tx as Store, id)) beginEnd(tx as Store, row, { id, createdAt: now.toISOString() });
  });
  return { id };
}

type Sheet = Omit<z.output<typeof zStart>, "id">;

/** Looks a sheet's documents up and compiles it. @throws InputError for whatever does not go. */
export function mustCompile(
  store: Store,
  { cable: cableId, procedure: procedureId, revision, core, choices, rule }: Sheet,
) {
  const { cables, procedures, tools } = wholeLibrary(store);
  const cable = cables.find((one) => one.id === cableId);
  const procedure = procedures.find((one) => one.id === procedureId);
  if (!cable) throw new InputError("unknown-cable", `No cable called “${cableId}”.`, ["cable"]);
  if (!procedure)
    throw new InputError("unknown-procedure", `No connector style called “${procedureId}”.`, ["procedure"]);
  if (revision !== undefined && revision !== procedure.revision)
    throw new InputError(
      "moved-on",
      `The sheet before you is revision ${revision}; the shelf has ${procedure.revision} now. Load it again before the first cut.`,
      ["revision"],
    );
  const sheet = compileRunSheet({ procedure, cable, core, choices, tools });
  return { cable, procedure, tools, sheet, picked: sheet.picked, rule };
}

/** Adds an end's row, and keeps the very documents it is made by. */
export function beginEnd(
  tx: Store,
  { cable, procedure, tools, picked, rule }: ReturnType<typeof mustCompile>,
  own: Pick<EndRow, "id" | "createdAt"> & Partial<Pick<EndRow, "batchId" | "batchPlace">>,
): void {
  insertEnd(tx, {
    ...own,
    procedureHash: keepDocument(tx, "procedure", textOf(procedure)),
    cableHash: keepDocument(tx, "cable", textOf(cable)),
    toolsHash: keepDocument(tx, "tools", textOf(tools)),
    style: procedure.id,
    styleName: procedure.name,
    cableName: cable.name,
    picked,
    rule,
  });
}

function mustFind(store: Store, id: string): EndRow {
  const row = findEnd(store, id);
  if (!row)
    throw new InputError("not-found", `No end with the id “${id.slice(0, 60)}” is on this bench.`, ["id"]);
  return row;
}

interface Compiled {
  readonly sheet: RunSheet;
  readonly source: Source;
}

const COMPILED_KEPT = 200;
const compiled = new Map<string, Compiled>();

/**
 * The run sheet an end was started from, compiled again from the documents kept with it. Kept documents
 * never change, so what they compile to is remembered under their hashes.
 */
export function sheetOf(store: Store, { procedureHash, cableHash, toolsHash, picked }: EndRow): Compiled {
  const key = JSON.stringify([procedureHash, cableHash, toolsHash, picked]);
  const known = compiled.get(key);
  if (known) return known;
  const procedure = keptProcedure(store, procedureHash);
  const sheet = compileRunSheet({
    procedure,
    cable: keptCable(store, cableHash),
    tools: keptTools(store, toolsHash),
    ...picked,
  });
  const fresh = { sheet, source: procedure.source };
  if (compiled.size >= COMPILED_KEPT) compiled.delete(compiled.keys().next().value as string);
  compiled.set(key, fresh);
  return fresh;
}

/** @throws InputError `not-found`. */
export function getEnd(store: Store, id: string): End {
  const row = mustFind(store, id);
  const { createdAt, styleName, cableName, rule, verdicts, batchId } = row;
  return {
    id,
    createdAt,
    batchId,
    styleName,
    cableName,
    rule,
    verdicts,
    hash: row.lastHash,
    ...sheetOf(store, row),
    entries: entriesAfter(store, id),
  };
}

/** An end, or null when there is none by that id. */
export const findEndById = (store: Store, id: string): End | null =>
  findEnd(store, id) ? getEnd(store, id) : null;

/** What has been added to an end since. @throws InputError `not-found`. */
export function newEntries(store: Store, id: string, after: number): readonly Recorded[] {
  mustFind(store, id);
  return entriesAfter(store, id, after);
}

/** Ends still at the bench, newest first. */
export const endsAtBench = (store: Store): EndSummary[] => openEnds(store, 300);

/**
 * Adds entries to an end, all or none, in one transaction; committed to disk before it returns.
 * Readings from two windows are both kept. Moving on, labelling and signing need to have seen what other
 * windows did. An entry already there is answered again, not added twice.
 * @throws InputError: `moved-on` with nothing changed; or whatever makes the entry unacceptable.
 */
export function addEntries(
  store: Store,
  endId: string,
  input: unknown,
  now = new Date(),
): readonly Recorded[] {
  const { client, after, entries } = check(zAdd, input);
  store.transaction(
    (tx) => {
      const row = mustFind(tx as Store, endId);
      const { sheet } = sheetOf(tx as Store, row);
      const history = entriesAfter(tx as Store, endId);
      let state = endState(history);
      let last = row.lastHash;
      for (const { id, entry } of entries) {
        const twin = findEntry(tx as Store, id);
        if (twin) {
          mustBeTwin(twin, endId, entry);
          continue;
        }
        if (mustHaveSeen(entry)) mustBeUpToDate(history, client, after);
        mustAccept(sheet, state, entry, row.rule);
        if (entry.kind === "correction") mustCorrectOwn(history, entry.corrects);
        if (entry.kind === "photo") mustHavePhoto(tx as Store, entry.sha256);
        const recorded: Recorded = { id, seq: state.lastSeq + 1, at: now.toISOString(), client, entry };
        last = insertEntry(tx as Store, endId, recorded, last);
        state = applied(state, recorded);
      }
      const { result, verdicts } = row.signedAt ? row : columnsOf(sheet, state, row.rule);
      updateEnd(tx as Store, endId, {
        ...columnsOf(sheet, state, row.rule),
        result,
        verdicts,
        lastHash: last,
      });
    },
    { behavior: "immediate" },
  );
  return entriesAfter(store, endId, after);
}

function mustBeTwin(twin: { endId: string; entry: Entry }, endId: string, entry: Entry): void {
  if (twin.endId !== endId || JSON.stringify(twin.entry) !== JSON.stringify(entry))
    throw new InputError("id-taken", "Another entry already has this id.", ["entries"]);
}

/** @throws InputError: a correction names an entry of the same end. */
function mustCorrectOwn(history: readonly Recorded[], id: string): void {
  if (!history.some((one) => one.id === id))
    throw new InputError("unknown-entry", "What is to be corrected is not on this end.", ["corrects"]);
}

/** @throws InputError: a photograph is stored before it is entered. */
function mustHavePhoto(store: Store, sha256: string): void {
  if (!photoBytes(store, sha256))
    throw new InputError("unknown-photo", "That photograph is not stored here.", ["sha256"]);
}

function mustBeUpToDate(history: readonly Recorded[], client: string, after: number): void {
  const unseen = history.find((one) => one.seq > after && one.client !== client);
  if (unseen)
    throw new InputError(
      "moved-on",
      "Someone else changed this end in another window. Look at where it stands now, then go on.",
      ["after"],
    );
}

/** Holds and cures begun and not ended, and what must be done in time; null when there is none. */
function runningTimers(sheet: RunSheet, state: EndState): readonly RunTimer[] | null {
  const running: RunTimer[] = [
    ...state.timers.filter(({ stoppedAt }) => stoppedAt === null),
    ...runningClocks(sheet, state).map(({ from, startedAt, seconds }) => ({
      step: sheet.lines[from]?.step.id ?? "",
      clock: true as const,
      startedAt,
      seconds,
      stoppedAt: null,
    })),
  ];
  return running.length > 0 ? running : null;
}

/** What an end's row says that follows from its entries. */
export function columnsOf(sheet: RunSheet, state: EndState, rule: Rule) {
  return {
    job: state.job,
    label: state.label,
    result: state.signed ? resultOf(sheet, state, rule) : null,
    verdicts: state.signed ? keptVerdicts(sheet, state, rule) : null,
    signedBy: state.signed?.name ?? null,
    signedAt: state.signed?.at ?? null,
    at: state.at,
    timers: runningTimers(sheet, state),
  };
}
