import { randomUUID } from "node:crypto";
import { z } from "zod";
import type { EndId } from "@/core";
import {
  applied,
  type Cable,
  type EndEvent,
  type EndState,
  followsFrom,
  InputError,
  type Judged,
  mustAccept,
  mustHaveSeen,
  projectionsOf,
  type Recordable,
  type Recorded,
  type Rule,
  type RunSheet,
  signOff,
  type zAddInside,
  zCable,
  type zStart,
} from "@/core";
import { say } from "@/messages/service";
import { canonical } from "@/store/database/hash";
import { PROGRAM } from "@/store/database/program";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { keepDocument } from "@/store/record/documents";
import { type EndRow, findEnd, insertEnd, updateEnd } from "@/store/record/ends";
import { findEvent, insertEvent } from "@/store/record/events";
import type { NewFounding } from "@/store/record/founding";
import { enterHead } from "@/store/record/heads";
import { photoBytes } from "@/store/record/photos";
import { project } from "@/store/record/projections";
import { addToRegister } from "@/store/record/register";
import { wholeLibrary } from "@/store/shelf/shelf";
import { mustHaveText, textIn, toolsText } from "@/store/shelf/shipped";
import type { Act } from "../act";
import { mustBeTheirs } from "../crew/allowed";
import { endGrant, signatureProof } from "../crew/signature";
import { mustBeKnown, signer } from "../crew/signer";
import { sheetOnce } from "../known";
import { historyOf, remember } from "./history";
import { sheetOf, sheetText } from "./kept-sheets";
import { placeOfEnd } from "./place-of-end";
import { projectEvent } from "./project-event";

/** An end as the bench and the ledger show it. */
export interface End extends Recordable {
  readonly batchId: string | null;
}

/**
 * Starts an end from a sheet: compiles it first, then keeps the very documents it was made by.
 * Asking again with the same id answers the same end.
 * @throws InputError when a name is not known or the pair does not go together.
 */
export function startEnd(
  { store, now }: Act,
  { id = randomUUID(), ...sheet }: z.output<typeof zStart>,
): { id: string } {
  const compiled = mustCompile(store, sheet);
  inTransaction(store, () => {
    if (!findEnd(store, id)) beginEnd(store, compiled, { id, at: now.toISOString() });
  });
  return { id };
}

type Sheet = Omit<z.output<typeof zStart>, "id">;

/** Looks a sheet's documents up and compiles it. @throws InputError for whatever does not go. */
export function mustCompile(
  store: Store,
  { cable: cableId, procedure, revision, core, choices, rule, purpose }: Sheet,
) {
  const cable = wholeLibrary(store).cables.find((cable) => cable.id === cableId);
  if (!cable) throw new InputError("unknown-cable", say("no-cable-called", { cableId }), ["cable"]);
  return { ...compiled(store, { cable, procedure, revision, core, choices }), rule, purpose };
}

/** A sheet of a cable, on the shelf or opened out of one. @throws InputError for whatever does not go. */
export function compiled(
  store: Store,
  {
    cable,
    procedure: procedureId,
    revision,
    core,
    choices,
  }: Pick<Sheet, "procedure" | "revision" | "core" | "choices"> & { readonly cable: Cable },
) {
  const library = wholeLibrary(store);
  const { procedures } = library;
  const procedure = procedures.find((procedure) => procedure.id === procedureId);
  if (!procedure)
    throw new InputError("unknown-procedure", say("no-connector-called", { procedureId }), ["procedure"]);
  if (revision !== undefined && revision !== procedure.revision)
    throw new InputError(
      "moved-on",
      say("this-sheet-is-revision-but-the-shelf", { revision, revision2: procedure.revision }),
      ["revision"],
    );
  const sheet = sheetOnce(library, { procedure, cable, core, choices });
  return {
    cable,
    procedure,
    sheet,
    texts: {
      procedure: mustHaveText(library, "procedure", procedure.id),
      // What is opened out of a cable at a place is on no shelf: it is a document of its own from here on.
      cable: textIn(library, "cable", cable.id) ?? canonical(z.encode(zCable, cable)),
      tools: toolsText(library),
    },
  };
}

interface Begun {
  readonly id: string;
  readonly at: string;
  readonly batch?: string | null;
  /** Place in its batch, counted from 0. */
  readonly place?: number | null;
  /** The piece, the revision of its plan, and the place on it; none for an end by itself. */
  readonly where?: NewFounding["where"];
}

/** Begins an end: keeps the very documents it is made by, and the sheet they compile to. */
export function beginEnd(
  store: Store,
  { cable, procedure, texts, sheet, rule, purpose }: ReturnType<typeof mustCompile>,
  { id, at, batch = null, place = null, where = null }: Begun,
): void {
  insertEnd(store, {
    v: 3,
    id,
    at,
    purpose,
    program: PROGRAM,
    procedure: keepDocument(store, "procedure", texts.procedure),
    cable: keepDocument(store, "cable", texts.cable),
    tools: keepDocument(store, "tools", texts.tools),
    sheet: keepDocument(store, "sheet", sheetText(sheet)),
    style: procedure.id,
    styleName: procedure.name,
    cableName: cable.name,
    picked: { core: sheet.picked.core, choices: { ...sheet.picked.choices } },
    rule,
    batch,
    place,
    where,
  });
  project(store, id, projectionsOf({ sheet, rule, purpose, events: [], verdicts: null }));
}

function mustFind(store: Store, id: EndId): EndRow {
  const row = findEnd(store, id) ?? findEnd(store, id.toLowerCase());
  if (!row)
    throw new InputError("not-found", say("no-end-with-the-id-is-on", { id: id.slice(0, 60) }), ["id"]);
  return row;
}

/** @throws InputError `not-found`. */
export function getEnd(store: Store, id: EndId): End {
  const row = mustFind(store, id);
  const { createdAt, styleName, cableName, rule, verdicts, result, batchId, purpose, program } = row;
  return {
    id: row.id,
    createdAt,
    batchId,
    styleName,
    cableName,
    rule,
    purpose,
    program,
    result,
    verdicts,
    hash: row.lastHash,
    where: placeOfEnd(store, row),
    sheet: sheetOf(store, row),
    events: historyOf(store, row).events,
  };
}

/** An end, or null when there is none by that id. */
export const findEndById = (store: Store, id: EndId): End | null =>
  findEnd(store, id) ? getEnd(store, id) : null;

/** What has been added to an end since. @throws InputError `not-found`. */
export function newEvents(store: Store, id: EndId, after: number): readonly Recorded[] {
  return since(historyOf(store, mustFind(store, id)).events, after);
}

/** Far more than any end takes: what comes after is a program gone wild. */
export const MOST_EVENTS = 5_000;

/**
 * Adds events to an end, all or none, in one transaction; committed to disk before it returns.
 * Readings from two windows are both kept. Moving on, labelling and signing need to have seen what other
 * windows did. An event already there is answered again, not added twice.
 * @throws InputError: `moved-on` with nothing changed; or whatever makes the event unacceptable.
 */
export function addEvents(act: Act, endId: EndId, request: z.output<typeof zAddInside>): readonly Recorded[] {
  if (request.events.some(({ event }) => event.kind === "photo"))
    throw new InputError("bad-input", say("send-the-photograph-itself-to-the-ends"), ["events"]);
  return writeEvents(act, endId, request);
}

/** The same for events made here, photographs among them. */
export function writeEvents(
  act: Act,
  endId: EndId,
  { client, after, events }: z.output<typeof zAddInside>,
): readonly Recorded[] {
  const { store, actor, now } = act;
  const recorded = inTransaction(store, () => {
    const row = mustFind(store, endId);
    const sheet = sheetOf(store, row);
    mustBeKnown(act);
    const { events: history, state } = historyOf(store, row);
    if (history.length + events.length > MOST_EVENTS)
      throw new InputError(
        "limit",
        say("an-end-can-have-at-most-events", { mostEvents: MOST_EVENTS, history: history.length }),
        ["events"],
      );
    let end: EndInProgress = { row, sheet, history, state, last: row.lastHash };
    for (const { id, event } of events) {
      const twin = findEvent(store, id);
      if (twin) {
        mustBeTwin(twin, endId, event);
        continue;
      }
      mustBeTheirs(act, event);
      if (mustHaveSeen(event)) mustBeUpToDate(history, client, after);
      mustAccept(sheet, end.state, event, row.rule, row.purpose);
      if (event.kind === "correction") mustCorrectOwn(history, event.corrects);
      if (event.kind === "photo") mustHavePhoto(store, event.sha256);
      const who = isSigned(event) ? signer(act, event.name) : actor;
      end = added(store, end, { id, at: now.toISOString(), by: who, client, event: proven(act, event) });
    }
    const sign = signOff(end.history);
    updateEnd(store, endId, {
      ...followsFrom(sheet, end.state, row.rule, judgedOf(row, sign)),
      signer: sign ? (row.signer ?? sign.by ?? null) : null,
      lastHash: end.last,
    });
    if (end.last !== row.lastHash) enterHead(store, endId, end.last);
    return remember(store, endId, { hash: end.last, events: end.history, state: end.state });
  });
  if (events.some(({ event }) => isSigned(event))) endGrant(act);
  return since(recorded.events, after);
}

const isSigned = (event: EndEvent): event is Extract<EndEvent, { kind: "sign" | "countersign" }> =>
  event.kind === "sign" || event.kind === "countersign";

/** A signature with the proof that goes with it. */
function proven(act: Act, event: EndEvent): EndEvent {
  if (!isSigned(event)) return event;
  const proof = signatureProof(act, event);
  return proof ? { ...event, proof } : event;
}

const since = (events: readonly Recorded[], after: number): readonly Recorded[] =>
  events.filter(({ seq }) => seq > after);

/** An end while events are added to it. */
interface EndInProgress {
  readonly row: EndRow;
  readonly sheet: RunSheet;
  readonly history: readonly Recorded[];
  readonly state: EndState;
  /** Hash of its last event. */
  readonly last: string;
}

/** Writes one event and what follows from it. */
function added(
  store: Store,
  { row, sheet, history, state: before, last }: EndInProgress,
  said: Pick<Recorded, "id" | "at" | "client"> & { by: string | null; event: EndEvent },
): EndInProgress {
  const recorded: Recorded = { ...said, seq: before.lastSeq + 1 };
  const state = applied(before, recorded);
  const judged = said.event.kind === "sign" ? judgedNow(sheet, state, row.rule) : undefined;
  const first = { ...said, end: row.id, seq: recorded.seq, purpose: row.purpose };
  const hash = insertEvent(store, judged ? { ...first, judged } : first, last);
  if (judged) addToRegister(store, "signed", row.id, hash);
  const events = [...history, judged ? { ...recorded, judged } : recorded];
  const saved = { ...row, verdicts: state.signed ? row.verdicts : null };
  projectEvent(store, saved, { sheet, state, events, event: recorded });
  return { row, sheet, history: events, state, last: hash };
}

function judgedNow(sheet: RunSheet, state: EndState, rule: Rule): Judged | undefined {
  const { result, verdicts } = followsFrom(sheet, state, rule, null);
  return result && verdicts ? { program: PROGRAM, result, verdicts } : undefined;
}

/** What an end was judged to be when it was signed off: with the sign-off, or in the row of one signed before that. */
export const judgedOf = (
  { signedAt, result, verdicts }: Pick<EndRow, "signedAt" | "result" | "verdicts">,
  sign: Recorded | undefined,
): Pick<Judged, "result" | "verdicts"> | null =>
  sign?.judged ?? (signedAt !== null && result && verdicts ? { result, verdicts } : null);

function mustBeTwin(twin: { endId: EndId; event: Recorded["event"] }, endId: EndId, event: EndEvent): void {
  const { proof: _, ...said } = { proof: null, ...twin.event };
  if (twin.endId !== endId || canonical(said) !== canonical(event))
    throw new InputError("id-taken", say("another-event-already-has-this-id"), ["events"]);
}

/** @throws InputError: a correction names an event of the same end. */
function mustCorrectOwn(history: readonly Recorded[], id: string): void {
  if (!history.some((event) => event.id === id))
    throw new InputError("unknown-event", say("the-event-to-correct-is-not-on"), ["corrects"]);
}

/** @throws InputError: a photograph is stored before it is entered. */
function mustHavePhoto(store: Store, sha256: string): void {
  if (!photoBytes(store, sha256))
    throw new InputError("unknown-photo", say("that-photograph-is-not-stored-here"), ["sha256"]);
}

function mustBeUpToDate(history: readonly Recorded[], client: string, after: number): void {
  const unseen = history.find((event) => event.seq > after && event.client !== client);
  if (unseen) throw new InputError("moved-on", say("this-end-was-changed-in-another-window"), ["after"]);
}
