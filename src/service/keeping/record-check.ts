import type { z } from "zod";
import type { RecordChecked, RecordFinding, zRecordCheck } from "@/core";
import type { Store } from "@/store/database/store";
import { eventRows } from "@/store/record/chain";
import { countEnds, endIdsFrom, findEnd } from "@/store/record/ends";
import { checkEnd } from "./check-end";
import { checkDocuments, checkFile, checkLoose, checkRegister } from "./check-file";
import { checkKeptSeals } from "./kept-seals";

/** Ends checked in one stretch, so that a long record shows how far it is and can be stopped. */
export const STRETCH = 50;

/** What is looked at beside the ends, before and after them. */
const STAGES = {
  file: checkFile,
  documents: checkDocuments,
  register: checkRegister,
  loose: checkLoose,
  seals: (store: Store, seenAt: Date | null) => checkKeptSeals(store, seenAt),
} as const;

const isStage = (after: string): after is keyof typeof STAGES => Object.hasOwn(STAGES, after);

const NEXT = {
  file: "documents",
  documents: "register",
  register: "loose",
  loose: "seals",
  seals: "ends:",
} as const;

/**
 * Checks a stretch of the record: the file itself and its guards; the documents; the register of all that is only ever
 * added; what belongs to no end; the seals this server took; then end after end. A finding stops nothing: the rest is checked all the same.
 * Nothing is written.
 * @param seenAt the moment a file beside its server is seen at; null for the record as it is.
 */
export function checkRecord(
  store: Store,
  { after }: z.output<typeof zRecordCheck>,
  seenAt: Date | null = null,
): RecordChecked {
  const of = countEnds(store);
  if (isStage(after))
    return {
      ends: 0,
      events: 0,
      findings: surely({ end: "", name: "the file" }, () => STAGES[after](store, seenAt)),
      next: NEXT[after],
      of,
    };
  const ids = endIdsFrom(store, after.slice("ends:".length), STRETCH);
  let count = 0;
  const findings = ids.flatMap((id) =>
    surely({ end: id, name: "" }, () => {
      const row = findEnd(store, id);
      if (!row) return [];
      const events = eventRows(store, id);
      count += events.length;
      const name = [row.job, row.label].filter(Boolean).join(" · ");
      return checkEnd(store, row, events).map(
        ({ seq = null, what: detail, note = false }): RecordFinding => ({
          end: id,
          name,
          seq,
          what: detail,
          note,
        }),
      );
    }),
  );
  const last = ids.at(-1);
  return {
    ends: ids.length,
    events: count,
    findings,
    next: ids.length === STRETCH && last !== undefined ? `ends:${last}` : null,
    of,
  };
}

/** What is found, or that it could not be looked at and why: the check goes on. */
function surely(
  about: Pick<RecordFinding, "end" | "name">,
  look: () => readonly RecordFinding[],
): readonly RecordFinding[] {
  try {
    return look();
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return [{ ...about, seq: null, what: `It cannot be read: ${why}`, note: false }];
  }
}

/** Checks the whole record, stretch by stretch. */
export function* checkWholeRecord(store: Store, seenAt: Date | null = null): Generator<RecordChecked> {
  for (let after: string | null = "file"; after !== null; ) {
    const stretch: RecordChecked = checkRecord(store, { after }, seenAt);
    yield stretch;
    after = stretch.next;
  }
}
