import {
  type ClosureAnswer,
  type ClosureAtWork,
  type ClosureRecorded,
  closureWork,
  type FailedClosureTool,
  failedClosureTools,
  openInside,
  problemOf,
  type Splicing,
} from "@/core";
import type { Store } from "@/store/database/store";
import { closureEventsOf } from "@/store/plan/closure-events";
import { latestClosures } from "@/store/plan/closures";
import { shippedLibrary } from "@/store/shelf/shipped";
import { checksOfClosureEvent } from "../workshop/closure-checks";
import { closureAtWork } from "./closure-at-work";
import { getClosure } from "./closures";
import { jobName } from "./places";

/** A closure with all its work follows from. */
export interface ClosurePage {
  readonly closure: ClosureAnswer;
  readonly at: ClosureAtWork;
  readonly events: readonly ClosureRecorded[];
  /** The ways fibres can be joined. */
  readonly splicing: readonly Splicing[];
  readonly failedTools: readonly FailedClosureTool[];
}

/** A closure of a job to be worked at; null where there is none, or its entry or a cable is on the shelf no more. */
export function findClosurePage(store: Store, job: string, id: string): ClosurePage | null {
  try {
    const closure = getClosure(store, id);
    if (closure.job !== job) return null;
    const at = closureAtWork(store, closure);
    const events = closureEventsOf(store, closure.id);
    return {
      ...{ closure, at, events },
      splicing: shippedLibrary().splicing,
      failedTools: failedClosureTools(at.plan.splices, events, (recorded) =>
        checksOfClosureEvent(store, recorded),
      ),
    };
  } catch (error) {
    if (problemOf(error)) return null;
    throw error;
  }
}

/** A closure among others: where it is, and how much is to be done at it. */
interface ClosureListed {
  readonly id: string;
  readonly job: string;
  readonly name: string;
  readonly jobName: string;
  /** Things to do, closing and all; null where its entry or a cable is on the shelf no more. */
  readonly open: number | null;
}

/** The most closures listed at once. */
const MOST_LISTED = 40;

/** The closures changed last, each with what is still to be done at it. */
export const listClosures = (store: Store): ClosureListed[] =>
  latestClosures(store, MOST_LISTED).map(({ closure, job }) => {
    const page = findClosurePage(store, job, closure);
    const work = page && closureWork(page.at, page.events);
    return {
      id: closure,
      job,
      name: page?.closure.plan.name ?? "",
      jobName: jobName(store, job),
      open: work && openInside(work) + work.open.closing,
    };
  });
