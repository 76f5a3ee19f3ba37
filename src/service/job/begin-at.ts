import { randomUUID } from "node:crypto";
import type { PieceId } from "@/core";
import {
  type Ahead,
  type EndEvent,
  InputError,
  type Place,
  type Purpose,
  placeKey,
  type Rule,
  type RunSheet,
} from "@/core";
import { say } from "@/messages/service";
import { inTransaction } from "@/store/database/transaction";
import { endsOfPieces, findBatch, findEnd, insertBatch } from "@/store/record/ends";
import type { Act } from "../act";
import { addEvents, beginEnd, type compiled } from "../end/ends";
import { newestAt } from "./placed";

/** An end that is about to begin: its sheet, where it is made, and what it is called at the bench. */
export interface Beginning {
  readonly compiled: ReturnType<typeof compiled>;
  /** The piece, or the closure whose own cable it is, as planned in a revision; the place on it. */
  readonly where: { readonly piece: PieceId; readonly plan: number } & Place;
  readonly label: string;
}

/** The same before it begins, for whoever is to confirm its figures. */
export const aheadOf = ({ compiled: { sheet, procedure, cable } }: Beginning): Ahead => ({
  unchecked: sheet.procedure.representative,
  procedure,
  cable,
  core: sheet.picked.core,
  choices: sheet.picked.choices,
});

interface Together {
  /** Of the end, or of the batch where there are several. */
  readonly id: string;
  /** What the batch is called. */
  readonly name: string;
  readonly job: string;
  readonly rule: Rule;
  readonly purpose: Purpose;
}

/** What one page of the bench can show of several ends at once: one sheet. */
const sheetKey = ({ procedure, cable, picked }: RunSheet): string =>
  JSON.stringify([procedure.id, cable.id, picked.core, picked.choices]);

/**
 * Begins an end, or several as a batch, all or none. Asking again with the same id answers the same.
 * @throws InputError: `does-not-fit` for a batch of several sheets; `moved-on` where somebody has one at the bench.
 */
export function beginAll(
  act: Act,
  { id, name, job, rule, purpose }: Together,
  beginnings: readonly Beginning[],
): { id: string; batch: boolean } {
  const { store, now } = act;
  const batch = beginnings.length > 1;
  if (new Set(beginnings.map(({ compiled }) => sheetKey(compiled.sheet))).size > 1)
    throw new InputError("does-not-fit", say("a-batch-must-be-ends-of-one"), ["addresses"]);
  const at = now.toISOString();
  inTransaction(store, () => {
    if (batch ? findBatch(store, id) : findEnd(store, id)) return;
    for (const { where, label } of beginnings) {
      const there = newestAt(endsOfPieces(store, [where.piece])).get(placeKey(where));
      if (there && there.result === null && purpose === "work")
        throw new InputError("moved-on", say("somebody-already-has-at-the-bench", { label }), ["addresses"]);
    }
    if (batch) insertBatch(store, { id, createdAt: at, name: name.slice(0, 120).toWellFormed() });
    beginnings.forEach(({ compiled, where, label }, place) => {
      const end = batch ? randomUUID() : id;
      beginEnd(
        store,
        { ...compiled, rule, purpose },
        { id: end, at, where, ...(batch ? { batch: id, place } : {}) },
      );
      const event: EndEvent = { kind: "label", job, label };
      addEvents(act, end, { client: "piece", after: 0, events: [{ id: randomUUID(), event }] });
    });
  });
  return { id, batch };
}
