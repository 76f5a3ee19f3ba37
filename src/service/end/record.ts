import { z } from "zod";
import type { EndId } from "@/core";
import { type EndRecord, type RecordDocument, recordOf, zRecord } from "@/core";
import type { Store } from "@/store/database/store";
import { findEnd } from "@/store/record/ends";
import { allPeople } from "@/store/workshop/people";
import { type End, getEnd } from "./ends";
import { checksOfEnd } from "./tool-standings";

/** The record of an end, lengths in micrometres. @throws InputError `not-found`. */
export const endRecord = (store: Store, id: EndId): EndRecord => recordOfEnd(store, getEnd(store, id));

/** The record of an end at hand. */
export const recordOfEnd = (store: Store, end: End): EndRecord =>
  recordOf(withTools(store, end), allPeople(store));

const withTools = (store: Store, end: End): End => {
  const row = findEnd(store, end.id);
  return row ? { ...end, tools: checksOfEnd(store, row) } : end;
};

/** A record as it leaves for elsewhere: plain JSON, millimetres. */
export const recordJson = (record: EndRecord): RecordDocument => z.encode(zRecord, record);

/** The records of some ends, in their order. */
export function* recordsOf(store: Store, ends: Iterable<End>): Generator<{ record: EndRecord; end: End }> {
  const people = allPeople(store);
  for (const end of ends) yield { record: recordOf(withTools(store, end), people), end };
}
