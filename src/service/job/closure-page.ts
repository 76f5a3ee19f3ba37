import { type ClosureAnswer, type ClosureAtWork, type ClosureRecorded, problemOf } from "@/core";
import type { Store } from "@/store/database/store";
import { closureEventsOf } from "@/store/plan/closure-events";
import { closureAtWork } from "./closure-events";
import { getClosure } from "./closures";

/** A closure with all its work follows from. */
interface ClosurePage {
  readonly closure: ClosureAnswer;
  readonly at: ClosureAtWork;
  readonly events: readonly ClosureRecorded[];
}

/** A closure of a job to be worked at; null where there is none, or its entry or a cable is on the shelf no more. */
export function findClosurePage(store: Store, job: string, id: string): ClosurePage | null {
  try {
    const closure = getClosure(store, id);
    if (closure.job !== job) return null;
    return { closure, at: closureAtWork(store, closure), events: closureEventsOf(store, closure.id) };
  } catch (error) {
    if (problemOf(error)) return null;
    throw error;
  }
}
