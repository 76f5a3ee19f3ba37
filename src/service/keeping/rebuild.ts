import type { EndId } from "@/core";
import { endState, followsFrom, projectionsOf, signOff } from "@/core";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { countEnds, endIdsFrom, findEnd, updateEnd } from "@/store/record/ends";
import { eventsAfter } from "@/store/record/events";
import { project } from "@/store/record/projections";
import { judgedOf } from "../end/ends";
import { sheetOf } from "../end/kept-sheets";

/** How far a rebuild has come. */
interface Rebuilt {
  readonly ends: number;
  readonly of: number;
  /** Ends whose lists could not be rebuilt, and why. */
  readonly failed: readonly { readonly end: EndId; readonly why: string }[];
}

const STRETCH = 50;

/** Writes all that follows from the events again, stretch by stretch, each in one transaction. No event is touched. */
export function* rebuild(store: Store): Generator<Rebuilt> {
  const of = countEnds(store);
  for (let after = ""; ; ) {
    const ids = endIdsFrom(store, after, STRETCH);
    const failed = inTransaction(store, () => ids.flatMap((id) => rebuildEnd(store, id)));
    const last = ids.at(-1);
    yield { ends: ids.length, of, failed };
    if (last === undefined || ids.length < STRETCH) return;
    after = last;
  }
}

/** Writes all that follows from one end's events again. @returns why it could not be; nothing where it was. */
export function rebuildEnd(store: Store, id: EndId): { end: EndId; why: string }[] {
  try {
    const row = findEnd(store, id);
    if (!row) return [];
    const sheet = sheetOf(store, row);
    const events = eventsAfter(store, id);
    const sign = signOff(events);
    const follows = followsFrom(sheet, endState(events), row.rule, judgedOf(row, sign));
    const { signer, lastHash, rule, purpose } = row;
    updateEnd(store, id, { ...follows, signer: sign ? (sign.by ?? signer) : null, lastHash });
    project(store, id, projectionsOf({ sheet, rule, purpose, events, verdicts: follows.verdicts }));
    return [];
  } catch (error) {
    return [{ end: id, why: error instanceof Error ? error.message : String(error) }];
  }
}
