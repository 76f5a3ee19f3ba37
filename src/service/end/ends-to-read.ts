import type { EndId, Purpose, Rule } from "@/core";
import type { Store } from "@/store/database/store";
import { endsAtBench } from "@/store/record/ends";
import { sheetOf } from "./kept-sheets";
import { placeOfEnd } from "./place-of-end";

/** An end at the bench that light may be read through: what a file may call it by, and what it is judged by. */
interface EndToRead {
  readonly id: EndId;
  readonly job: string;
  readonly label: string;
  /** The piece it is of; empty for an end by itself. */
  readonly piece: string;
  readonly family: string;
  readonly rule: Rule;
  readonly purpose: Purpose;
}

/** The most ends a file of readings is held against. */
const MOST_ENDS = 1_000;

/** Every end at the bench, newest first. */
export const endsToRead = (store: Store): EndToRead[] =>
  endsAtBench(store, MOST_ENDS).map((end) => ({
    ...{ id: end.id, job: end.job, label: end.label, rule: end.rule, purpose: end.purpose },
    piece: placeOfEnd(store, end)?.name ?? "",
    family: sheetOf(store, end).procedure.family,
  }));
