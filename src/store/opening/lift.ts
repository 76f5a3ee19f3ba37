import { randomUUID } from "node:crypto";
import type Database from "better-sqlite3";
import { asc, eq, isNotNull, ne, sql } from "drizzle-orm";
import {
  compileRunSheet,
  endState,
  followsFrom,
  type Person,
  personNamed,
  projectionsOf,
  type Recorded,
  readEvent,
  sheetDocument,
} from "@/core";
import { canonical } from "../database/hash";
import { PROGRAM } from "../database/program";
import type { Store } from "../database/store";
import { inTransaction } from "../database/transaction";
import { endDigest, eventHash, eventRows, foundingHash } from "../record/chain";
import { documentDigest, keepDocument, keptCable, keptProcedure, keptTools } from "../record/documents";
import { findEnd } from "../record/ends";
import { project } from "../record/projections";
import { addToRegister, digestOf, registerHead } from "../record/register";
import { batches, documents, ends, events, meta, shelf, studies, toolEvents } from "../schema";
import { allPeople, insertPeopleEvent } from "../workshop/people";

/** What the register keeps of the file itself: what it was lifted from, and that it was. */
export const fileDigest = (store: Store): string =>
  digestOf(store.select().from(meta).orderBy(asc(meta.key)).all());

/** How far the schema of each age had come: from then on entries carried hashes, and an end's row its line. */
const CHAINED_FROM = 6;
const LINED_FROM = 4;

/** Notes, before anything is migrated, how far the schema of a file had come: what lifting it must still do follows. */
export function noteLiftFrom(database: Database.Database, steps: number): void {
  database.exec("CREATE TABLE IF NOT EXISTS meta (key text PRIMARY KEY NOT NULL, value text NOT NULL)");
  if (!database.prepare("SELECT 1 FROM meta WHERE key = 'from'").get())
    database.prepare("INSERT INTO meta VALUES ('from', ?)").run(String(steps));
}

const noted = (store: Store, key: string): string | undefined =>
  store.select().from(meta).where(eq(meta.key, key)).get()?.value;

/**
 * Brings what an older Arlent wrote to where this one reads it: once a file, by a mark in it, all or nothing. Nothing
 * that was written is changed: chains are begun where there were none, what lists tell is filled in, the sheet each end
 * was worked by is compiled and kept, names become people, what is only ever added is entered in the register.
 * @returns true when it was done now.
 */
export function lift(store: Store): boolean {
  return inTransaction(store, () => {
    // A register that has begun tells that it was lifted, whatever became of the mark.
    if (noted(store, "lifted") !== undefined || registerHead(store).n > 0) return false;
    const from = Number(noted(store, "from") ?? 0);
    if (from > 0) {
      if (from < CHAINED_FROM) chainEvents(store);
      const people = nameOld(store);
      store
        .select()
        .from(ends)
        .orderBy(asc(ends.createdAt), asc(ends.id))
        .all()
        .forEach((end) => {
          liftEnd(store, end, from, people);
        });
      registerOld(store);
    }
    store.insert(meta).values({ key: "lifted", value: PROGRAM }).run();
    addToRegister(store, "file", "meta", fileDigest(store));
    return true;
  });
}

/** Chains events from before they carried hashes. What they then say is taken as it stands. */
function chainEvents(store: Store): void {
  for (const end of store.select().from(ends).all()) {
    let before = foundingHash(end);
    for (const row of eventRows(store, end.id)) {
      const hash = eventHash({ ...row, before });
      store.update(events).set({ before, hash }).where(eq(events.n, row.n)).run();
      before = hash;
    }
    store.update(ends).set({ lastHash: before }).where(eq(ends.id, end.id)).run();
  }
}

/** Everybody whose name is on record becomes a person, each spelling one; merging them is for people to say. */
function nameOld(store: Store): Person[] {
  const signed = store
    .select({ name: ends.signedBy })
    .from(ends)
    .where(isNotNull(ends.signedBy))
    .orderBy(asc(ends.signedAt))
    .all();
  const corrected = store.all<{ name: string | null }>(
    sql`SELECT json_extract(body, '$.name') AS name FROM events WHERE v = 1 AND json_valid(body) AND json_extract(body, '$.kind') = 'correction'`,
  );
  const studied = store.select({ name: studies.person }).from(studies).all();
  const saved = store.select({ name: shelf.by }).from(shelf).all();
  const names = [...signed, ...corrected, ...studied, ...saved].flatMap(({ name }) => name?.trim() || []);
  const at = new Date().toISOString();
  for (const name of new Set(names))
    insertPeopleEvent(store, {
      id: randomUUID(),
      at,
      by: null,
      kind: "add",
      person: randomUUID(),
      name,
      into: null,
    });
  const people = allPeople(store);
  for (const { id, person } of store.select().from(studies).all())
    store
      .update(studies)
      .set({ by: personNamed(people, person.trim())?.id ?? null })
      .where(eq(studies.id, id))
      .run();
  return people;
}

type EndRow = typeof ends.$inferSelect;

/**
 * One end: its sheet is compiled and kept, its projections written. Where that fails (a document gone, a text no longer
 * readable) it stays without: the check of the record says so.
 */
function liftEnd(store: Store, end: EndRow, from: number, people: readonly Person[]): void {
  const history = eventRows(store, end.id).map(readEvent);
  const signer = end.signedBy === null ? null : (personNamed(people, end.signedBy.trim())?.id ?? null);
  store.update(ends).set({ signer }).where(eq(ends.id, end.id)).run();
  const sign = eventRows(store, end.id).find((_, i) => history[i]?.event.kind === "sign");
  if (sign) addToRegister(store, "signed", end.id, sign.hash);
  liftSheet(store, end, from, history);
  const lifted = findEnd(store, end.id);
  if (lifted) addToRegister(store, "end", end.id, endDigest(lifted, sign !== undefined));
}

function liftSheet(store: Store, end: EndRow, from: number, history: readonly Recorded[]): void {
  const sheet = compiled(store, end);
  if (!sheet) return;
  const state = endState(history);
  const saved = end.result !== null && end.verdicts !== null ? end : null;
  const follows = followsFrom(
    sheet,
    state,
    end.rule,
    saved?.result && saved.verdicts ? { result: saved.result, verdicts: saved.verdicts } : null,
  );
  const { at, timers } = follows;
  store
    .update(ends)
    .set({
      sheetHash: keepDocument(store, "sheet", canonical(sheetDocument(sheet))),
      program: PROGRAM,
      ...(from < LINED_FROM ? { at, timers } : {}),
      ...(end.verdicts === null ? { verdicts: follows.verdicts } : {}),
    })
    .where(eq(ends.id, end.id))
    .run();
  project(
    store,
    end.id,
    projectionsOf({
      sheet,
      rule: end.rule,
      purpose: "work",
      events: history,
      verdicts: follows.verdicts,
    }),
  );
}

function compiled(store: Store, { procedureHash, cableHash, toolsHash, picked }: EndRow) {
  try {
    return compileRunSheet({
      procedure: keptProcedure(store, procedureHash),
      cable: keptCable(store, cableHash),
      tools: keptTools(store, toolsHash),
      ...picked,
    });
  } catch {
    return null;
  }
}

function registerOld(store: Store): void {
  for (const row of store.select().from(documents).where(ne(documents.kind, "sheet")).all())
    addToRegister(store, "document", row.hash, documentDigest(row));
  for (const row of store.select().from(batches).orderBy(asc(batches.createdAt)).all())
    addToRegister(store, "batch", row.id, digestOf(row));
  for (const row of store.select().from(studies).orderBy(asc(studies.at)).all())
    addToRegister(store, "study", row.id, digestOf(row));
  for (const row of store.select().from(toolEvents).orderBy(asc(toolEvents.at)).all())
    addToRegister(store, "tool", row.id, digestOf(row));
  for (const row of store.select().from(shelf).orderBy(asc(shelf.row)).all())
    addToRegister(store, "shelf", String(row.row), digestOf(row));
}
