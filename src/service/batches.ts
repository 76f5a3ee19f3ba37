import { randomUUID } from "node:crypto";
import { z } from "zod";
import {
  check,
  type Entry,
  endState,
  fibreColour,
  InputError,
  type Recorded,
  type Rule,
  type RunSheet,
} from "@/core";
import type { Store } from "@/store/database";
import { endsOfBatch, entriesAfter, findBatch, insertBatch } from "@/store/ends";
import { addEntries, beginEnd, getEnd, mustCompile, zStart } from "./ends";

/** The most ends of one batch: more than that is two days' work. */
export const BATCH_LIMIT = 48;

export const zBatch = zStart.extend({
  id: z.uuid("A batch's id is a UUID").optional(),
  count: z
    .int("The number of ends is a whole number")
    .min(2, "A batch has at least two ends")
    .max(BATCH_LIMIT, `A batch has at most ${BATCH_LIMIT} ends`),
  job: z.string().trim().max(120).default(""),
});

/** One end of a batch: what is stored of it. */
export interface BatchMember {
  readonly id: string;
  readonly label: string;
  readonly entries: readonly Recorded[];
}

export interface Batch {
  readonly id: string;
  readonly name: string;
  readonly createdAt: string;
  readonly rule: Rule;
  readonly sheet: RunSheet;
  readonly ends: readonly BatchMember[];
}

/** What an end of a batch is called: by fibre and colour where the cable has as many, else by number. */
function labelOf(place: number, fibres: number, count: number): string {
  return fibres >= count && fibres > 1
    ? `fibre ${place + 1}, ${fibreColour(place + 1).name}`
    : `end ${place + 1} of ${count}`;
}

/**
 * Starts many ends of one style at once, each named. All or none; asking again with the same id answers the same.
 * @throws InputError as for one end, or when the number is out of range.
 */
export function startBatch(store: Store, input: unknown, now = new Date()): { id: string } {
  const { id = randomUUID(), count, job, ...sheet } = check(zBatch, input);
  const made = mustCompile(store, sheet);
  const at = now.toISOString();
  store.transaction(
    (tx) => {
      if (findBatch(tx as Store, id)) return;
      insertBatch(tx as Store, { id, createdAt: at, name: job || made.procedure.name });
      for (let place = 0; place < count; place++) {
        const end = randomUUID();
        beginEnd(tx as Store, made, { id: end, createdAt: at, batchId: id, batchPlace: place });
        const entry: Entry = { kind: "label", job, label: labelOf(place, made.cable.fibreCount, count) };
        addEntries(
          tx as Store,
          end,
          { client: "batch", after: 0, entries: [{ id: randomUUID(), entry }] },
          now,
        );
      }
    },
    { behavior: "immediate" },
  );
  return { id };
}

/** A batch with its ends in order. @throws InputError `not-found`. */
export function getBatch(store: Store, id: string): Batch {
  const found = findBatch(store, id);
  const rows = found ? endsOfBatch(store, id) : [];
  const [first] = rows;
  if (!found || !first)
    throw new InputError("not-found", `No batch with the id “${id.slice(0, 60)}” is on this bench.`, ["id"]);
  const { sheet, rule } = getEnd(store, first.id);
  return {
    id,
    name: found.name,
    createdAt: found.createdAt,
    rule,
    sheet,
    ends: rows.map(({ id: end, label }) => ({ id: end, label, entries: entriesAfter(store, end) })),
  };
}

export const findBatchById = (store: Store, id: string): Batch | null =>
  findBatch(store, id) ? getBatch(store, id) : null;

/** What has been added to each end of a batch. @throws InputError `not-found`. */
export function batchEntries(store: Store, id: string): readonly BatchMember[] {
  if (!findBatch(store, id)) throw new InputError("not-found", "No such batch is on this bench.", ["id"]);
  return endsOfBatch(store, id).map(({ id: end, label }) => ({
    id: end,
    label,
    entries: entriesAfter(store, end),
  }));
}

export const zAddMany = z.strictObject({
  client: z.string().min(1).max(80),
  ends: z
    .array(
      z.strictObject({
        end: z.uuid(),
        after: z.int().min(0),
        entries: z
          .array(z.strictObject({ id: z.uuid(), entry: z.unknown() }))
          .min(1)
          .max(100),
      }),
    )
    .min(1)
    .max(BATCH_LIMIT),
});

/** Adds entries to several ends of a batch, all or none, in one transaction. @throws InputError as for one end. */
export function addToBatch(store: Store, id: string, input: unknown, now = new Date()) {
  const { client, ends } = check(zAddMany, input);
  store.transaction(
    (tx) => {
      const members = new Set(endsOfBatch(tx as Store, id).map((end) => end.id));
      for (const { end, after, entries } of ends) {
        if (!members.has(end)) throw new InputError("not-found", "That end is not of this batch.", ["ends"]);
        addEntries(tx as Store, end, { client, after, entries }, now);
      }
    },
    { behavior: "immediate" },
  );
  return batchEntries(store, id);
}

/** How far a member is: its line, and whether it is signed. */
export const memberState = ({ entries }: BatchMember) => endState(entries);
