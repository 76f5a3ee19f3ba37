import { z } from "zod";
import type { EndId } from "@/core";
import { type EndRecord, type RecordDocument, recordOf, zRecord } from "@/core";
import type { Store } from "@/store/database/store";
import { allPeople } from "@/store/workshop/people";
import { type End, getEnd } from "./ends";

/** The record of an end, lengths in micrometres. @throws InputError `not-found`. */
export const endRecord = (store: Store, id: EndId): EndRecord => recordOfEnd(store, getEnd(store, id));

/** The record of an end at hand. */
export const recordOfEnd = (store: Store, end: End): EndRecord => recordOf(end, allPeople(store));

/** A record as it leaves for elsewhere: plain JSON, millimetres. */
export const recordJson = (record: EndRecord): RecordDocument => z.encode(zRecord, record);

/** The records of some ends, in their order. */
export function* recordsOf(store: Store, ends: Iterable<End>): Generator<{ record: EndRecord; end: End }> {
  const people = allPeople(store);
  for (const end of ends) yield { record: recordOf(end, people), end };
}
