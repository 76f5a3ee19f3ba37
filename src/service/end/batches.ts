import { randomUUID } from "node:crypto";
import type { z } from "zod";
import {
  type EndEvent,
  fibreColour,
  InputError,
  type Purpose,
  type Recorded,
  type Rule,
  type RunSheet,
  type zAddManyInside,
  type zBatch,
  type zBatchQuery,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { type EndRow, endsOfBatch, findBatch, insertBatch } from "@/store/record/ends";
import type { Act } from "../act";
import { addEvents, beginEnd, getEnd, mustCompile } from "./ends";
import { historyOf } from "./history";

/** One end of a batch: what is stored of it. */
interface BatchMember {
  readonly id: string;
  readonly label: string;
  readonly events: readonly Recorded[];
}

interface Batch {
  readonly id: string;
  readonly name: string;
  readonly createdAt: string;
  readonly rule: Rule;
  readonly purpose: Purpose;
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
export function startBatch(act: Act, input: z.output<typeof zBatch>): { id: string } {
  const { store, now } = act;
  const { id = randomUUID(), count, job, ...sheet } = input;
  const compiled = mustCompile(store, sheet);
  const at = now.toISOString();
  inTransaction(store, () => {
    if (findBatch(store, id)) return;
    insertBatch(store, { id, createdAt: at, name: job || compiled.procedure.name });
    for (let place = 0; place < count; place++) {
      const end = randomUUID();
      beginEnd(store, compiled, { id: end, at, batch: id, place });
      const event: EndEvent = { kind: "label", job, label: labelOf(place, compiled.cable.fibreCount, count) };
      addEvents(act, end, { client: "batch", after: 0, events: [{ id: randomUUID(), event }] });
    }
  });
  return { id };
}

/** A batch with its ends in order. @throws InputError `not-found`. */
export function getBatch(store: Store, id: string): Batch {
  const batch = findBatch(store, id);
  const rows = batch ? endsOfBatch(store, id) : [];
  const [first] = rows;
  if (!batch || !first)
    throw new InputError("not-found", say("no-batch-with-the-id-is-on", { id: id.slice(0, 60) }), ["id"]);
  const { sheet, rule, purpose } = getEnd(store, first.id);
  return {
    id,
    name: batch.name,
    createdAt: batch.createdAt,
    rule,
    purpose,
    sheet,
    ends: rows.map((row) => memberOf(store, row)),
  };
}

const memberOf = (store: Store, row: EndRow): BatchMember => ({
  id: row.id,
  label: row.label,
  events: historyOf(store, row).events,
});

export const findBatchById = (store: Store, id: string): Batch | null =>
  findBatch(store, id) ? getBatch(store, id) : null;

/** What has been added to each end of a batch. @throws InputError `not-found`. */
export function batchEvents(
  store: Store,
  id: string,
  { seen }: z.output<typeof zBatchQuery> = {},
): readonly BatchMember[] {
  if (!findBatch(store, id)) throw new InputError("not-found", say("no-such-batch-is-on-this-bench"), ["id"]);
  const all = endsOfBatch(store, id).map((row) => memberOf(store, row));
  if (seen === undefined) return all;
  const last = seen.split(",").map(Number);
  return all.flatMap((member, place) => {
    const events = member.events.filter(({ seq }) => seq > (last[place] ?? 0));
    return events.length > 0 ? [{ ...member, events }] : [];
  });
}

/** Adds events to several ends of a batch, all or none, in one transaction. @throws InputError as for one end. */
export function addToBatch(act: Act, id: string, { client, ends }: z.output<typeof zAddManyInside>) {
  const { store } = act;
  inTransaction(store, () => {
    const members = new Set(endsOfBatch(store, id).map((end) => end.id));
    for (const { end, after, events } of ends) {
      if (!members.has(end))
        throw new InputError("not-found", say("that-end-is-not-in-this-batch"), ["ends"]);
      addEvents(act, end, { client, after, events });
    }
  });
  return batchEvents(store, id);
}
