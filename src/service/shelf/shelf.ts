import { z } from "zod";
import {
  asConfirmed,
  asOwn,
  asWritten,
  check,
  compileRunSheet,
  entryProcedure,
  figuresToConfirm,
  InputError,
  liftedProcedure,
  misfits,
  type Procedure,
  type ProcedureDocument,
  personBy,
  type RevisionLine,
  resolved,
  review,
  throughId,
  throughProcedure,
  withConfirmed,
  withDefaults,
  zCable,
  type zConfirm,
  zEntry,
  zProcedure,
  type zPutAway,
  type zRestore,
  type zSave,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import {
  addRevision,
  latestRevision,
  revisionText,
  type ShelfKind,
  shelfText,
  shelvedOf,
  storedRevisions,
  wholeLibrary,
} from "@/store/shelf/shelf";
import { entrySheets, mustHaveText, shippedLibrary } from "@/store/shelf/shipped";
import { allPeople } from "@/store/workshop/people";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";
import { cableAtPlace } from "../job/places";
import { mustDiffer } from "./must-differ";

/** When a revision was made, by the name somebody goes by that day, and why. */
function whose(act: Act, why: string) {
  const { store, actor, now } = act;
  mustBeKnown(act);
  const by = actor === null ? "" : (personBy(allPeople(store), actor)?.name ?? "");
  return { at: now.toISOString(), by, why };
}

const today = (now: Date): string => now.toISOString().slice(0, 10);

/** The newest revision there has been, put away or not; shipped ones count while there is none of the user's own. */
export function newestRevision(store: Store, kind: ShelfKind, id: string): number | null {
  const own = latestRevision(store, kind, id);
  if (own) return own.revision;
  return shelvedOf(wholeLibrary(store), kind).find((document) => document.id === id)?.revision ?? null;
}

function mustBeNewest(newest: number | null, basis: number | null, id: string): void {
  if (basis === null && newest !== null)
    throw new InputError("id-taken", say("is-on-the-shelf-already-give-it", { id }), ["document", "id"]);
  if (basis !== null && newest === null)
    throw new InputError("not-found", say("there-is-nothing-called-on-the-shelf", { id }), [
      "document",
      "id",
    ]);
  if (basis !== newest)
    throw new InputError(
      "moved-on",
      say("somebody-saved-revision-in-the-meantime-this", { newest: String(newest), basis: String(basis) }),
      ["basis"],
    );
}

/** A procedure is kept only if it can be worked by on every cable it claims. */
function mustWork(store: Store, document: ProcedureDocument): void {
  const procedure = check(zProcedure, document);
  const { cables, tools, cautions } = wholeLibrary(store);
  procedure.steps.forEach((step, i) => {
    if ("tool" in step && step.tool !== undefined && !tools.some(({ id }) => id === step.tool))
      throw new InputError(
        "unknown-tool",
        say("step-uses-there-are", {
          step: step.title,
          tool: step.tool,
          tools: tools.map(({ id }) => id).join(", "),
        }),
        ["steps", i, "tool"],
      );
    const strange = step.cautions.find((caution) => !cautions.some(({ id }) => id === caution));
    if (strange !== undefined)
      throw new InputError("unknown-caution", say("step-names-a-caution", { step: step.title, strange }), [
        "steps",
        i,
        "cautions",
      ]);
  });
  const { contradictions, problem } = review(document, { cables, tools }, null);
  const [contradiction] = contradictions;
  if (contradiction && (problem === null || problem.code === "contradiction"))
    throw new InputError("contradiction", contradiction.message, ["dimensions", ...contradiction.ids]);
  for (const cable of cables)
    for (const core of cable.cores.filter((core) => misfits(procedure, cable, core).length === 0))
      compileRunSheet({ procedure, cable, core, choices: {}, tools });
}

/**
 * Keeps a document as the next revision of the user's own. Nothing is written over: the revision it was made from
 * must still be the newest.
 * @throws InputError: `moved-on`, `id-taken`, `unchanged`, or what is wrong with the document; nothing is changed then.
 */
export function saveDocument(act: Act, kind: ShelfKind, input: z.output<typeof zSave>) {
  const { store, now } = act;
  const { document, basis, from, why } = input;
  return inTransaction(store, () => {
    const id = String(document.id ?? "");
    const newest = newestRevision(store, kind, id);
    mustBeNewest(newest, basis, id);
    const revision = (newest ?? 0) + 1;
    const saved =
      kind === "cable"
        ? ownCable(document, revision, now)
        : kind === "entry"
          ? ownEntry(store, document, revision, now)
          : ownProcedure(store, document, from, revision, now);
    if (newest !== null) mustDiffer(store, { kind, id, revision: newest, saved });
    const body = JSON.stringify(saved, null, 2);
    addRevision(store, { kind, document: id, revision, body, ...whose(act, why) });
    return { id, revision };
  });
}

function ownCable(document: Record<string, unknown>, revision: number, now: Date): unknown {
  const { source, name } = check(zCable, { ...document, revision });
  return { ...document, name, revision, source: { ...source, kind: "own", date: today(now) } };
}

/**
 * An entry is kept only if every cable it takes can be prepared for it. Whose its figures are it says itself: they are its
 * keeper's own once they were held against the part's sheet.
 */
function ownEntry(store: Store, document: Record<string, unknown>, revision: number, now: Date): unknown {
  const entry = check(zEntry, { ...document, revision });
  if (newestRevision(store, "entry", entry.id) === null)
    for (const id of [entry.id, throughId(entry.id)])
      if (newestRevision(store, "procedure", id) !== null)
        throw new InputError("id-taken", say("is-the-id-of-a-procedure-on", { id }), ["document", "id"]);
  const { ending, going } = entrySheets();
  for (const written of [entryProcedure(entry, ending), throughProcedure(entry, going)]) {
    if (!written) continue;
    const [contradiction] = review(written, wholeLibrary(store), null).contradictions;
    if (contradiction)
      throw new InputError(
        "contradiction",
        say("on", { cable: contradiction.cable, message: contradiction.message }),
        ["document", "lengths", ...contradiction.ids],
      );
    mustWork(store, written);
  }
  return { ...document, revision, source: { ...entry.source, date: today(now) } };
}

function ownProcedure(
  store: Store,
  document: Record<string, unknown>,
  from: string | undefined,
  revision: number,
  now: Date,
): ProcedureDocument {
  const written = asWritten(zProcedure, liftedProcedure({ ...document, revision }));
  const standing = wholeLibrary(store).procedures.find(({ id }) => id === document.id || id === from);
  const saved = asOwn(standing ? writtenOf(store, standing) : null, written, {
    revision,
    date: today(now),
    note: written.source.note ?? "",
  });
  mustWork(store, saved);
  return saved;
}

/** Puts an earlier revision back as the newest, word for word: also undoes a putting away. */
export function restoreRevision(
  act: Act,
  kind: ShelfKind,
  id: string,
  { basis, restore, why }: z.output<typeof zRestore>,
) {
  const { store } = act;
  return inTransaction(store, () => {
    const newest = newestRevision(store, kind, id);
    mustBeNewest(newest, basis, id);
    const earlier = z.record(z.string(), z.unknown()).parse(JSON.parse(keptText(store, kind, id, restore)));
    const revision = (newest ?? 0) + 1;
    const body = JSON.stringify({ ...earlier, revision }, null, 2);
    const reason = why || `Revision ${restore} again.`;
    addRevision(store, { kind, document: id, revision, body, ...whose(act, reason) });
    return { id, revision };
  });
}

/** Puts a document of the user's own away; a shipped one by that id is then on the shelf again. */
export function putAway(act: Act, kind: ShelfKind, id: string, { basis, why }: z.output<typeof zPutAway>) {
  const { store } = act;
  return inTransaction(store, () => {
    const own = latestRevision(store, kind, id);
    if (!own) throw new InputError("not-found", say("only-what-is-your-own-can-be"), ["id"]);
    mustBeNewest(own.revision, basis, id);
    const revision = own.revision + 1;
    addRevision(store, { kind, document: id, revision, body: null, ...whose(act, why) });
    return { id, revision };
  });
}

/**
 * Keeps figures held against the part's sheet, as the next revision of the user's own. The rest stay representative.
 * @throws InputError: `moved-on`, `unknown-figure`, or what a figure breaks.
 */
export function confirmFigures(act: Act, id: string, input: z.output<typeof zConfirm>) {
  const { store, now } = act;
  const { basis, cable: cableId, place, core, choices, figures, sheet, name, why } = input;
  return inTransaction(store, () => {
    const { cables, procedures } = wholeLibrary(store);
    const procedure = procedures.find((procedure) => procedure.id === id);
    const there = place ? [cableAtPlace(store, place.piece, place)] : cables;
    const cable = there.find((candidate) => candidate.id === cableId);
    if (!procedure)
      throw new InputError("not-found", say("there-is-no-procedure-on-the-shelf", { id }), ["id"]);
    if (!cable) throw new InputError("unknown-cable", say("no-cable-called", { cableId }), ["cable"]);
    const newest = newestRevision(store, "procedure", id);
    mustBeNewest(newest, basis, id);
    const revision = (newest ?? 0) + 1;
    const sheetFigures = figuresToConfirm(
      resolved(procedure, cable, { core, choices: withDefaults(procedure, choices) }),
    );
    const confirmed = figures.map(({ key, ...figure }, i) => {
      const requested = sheetFigures.find((sheetFigure) => sheetFigure.key === key);
      if (!requested)
        throw new InputError(
          "unknown-figure",
          say("is-not-a-figure-of-here", { key, procedure: procedure.name }),
          ["figures", i, "key"],
        );
      return { ...requested, ...figure };
    });
    const who = whose(act, why).by || name;
    if (who === "")
      throw new InputError("bad-input", say("say-who-confirms-the-figures-for-example"), ["name"]);
    const compared = asConfirmed(sheetFigures, confirmed);
    const changed = compared.filter(({ asShown }) => !asShown);
    const document = withConfirmed(writtenOf(store, procedure), compared, {
      revision,
      note: confirmedNote({ who, sheet, asShown: compared.length - changed.length, changed, why }),
      date: today(now),
      by: who,
      sheet,
    });
    mustWork(store, document);
    const body = JSON.stringify(document, null, 2);
    addRevision(store, { kind: "procedure", document: id, revision, body, ...whose(act, why) });
    return { id, revision };
  });
}

const MOST_OF_NOTE = 500;

/** Who held figures against which sheet, how many were passed over as they were shown, and which were changed. */
const confirmedNote = ({
  who,
  sheet,
  asShown,
  changed,
  why,
}: {
  readonly who: string;
  readonly sheet: string | null;
  readonly asShown: number;
  readonly changed: readonly { readonly name: string }[];
  readonly why: string;
}): string =>
  [
    `Confirmed by ${who} against ${sheet === null ? "a sheet with no number on it" : `sheet ${sheet}`}:`,
    `${[
      ...(asShown > 0 ? [`${asShown} as shown`] : []),
      ...(changed.length > 0 ? [`changed: ${changed.map(({ name }) => name).join(", ")}`] : []),
    ].join("; ")}.`,
    why,
  ]
    .filter(Boolean)
    .join(" ")
    .slice(0, MOST_OF_NOTE);

/** A procedure of the shelf as it is written. */
const writtenOf = (store: Store, { id }: Procedure): ProcedureDocument =>
  asWritten(zProcedure, JSON.parse(mustHaveText(wholeLibrary(store), "procedure", id)));

/** How a procedure stands on the shelf, as it is written. @throws InputError `not-found`. */
export const procedureWritten = (store: Store, id: string): ProcedureDocument =>
  asWritten(zProcedure, JSON.parse(shelfText(store, "procedure", id).text));

function keptText(store: Store, kind: ShelfKind, id: string, revision: number): string {
  const shipped = shelvedOf(shippedLibrary(), kind).find((document) => document.id === id);
  return shipped?.revision === revision
    ? mustHaveText(shippedLibrary(), kind, id)
    : revisionText(store, kind, id, revision);
}

/** One revision of a document, or how it stands on the shelf. @throws InputError `not-found`. */
export const documentText = (store: Store, kind: ShelfKind, id: string, revision?: number): string =>
  revision === undefined ? shelfText(store, kind, id).text : keptText(store, kind, id, revision);

/** A document's revisions, newest first, the shipped one last. */
export function revisionsOf(store: Store, kind: ShelfKind, id: string): RevisionLine[] {
  const shipped = shelvedOf(shippedLibrary(), kind).find((document) => document.id === id);
  const own = storedRevisions(store, kind, id).map(
    ({ revision, at, by, why, hash }): RevisionLine => ({
      revision,
      at,
      by,
      why,
      origin: hash === null ? "put away" : "own",
    }),
  );
  const first: RevisionLine[] = shipped
    ? [{ revision: shipped.revision, at: null, by: "", why: "", origin: "shipped" }]
    : [];
  return [...own.reverse(), ...first];
}
