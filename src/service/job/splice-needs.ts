import {
  type ClosureRecorded,
  closureWork,
  effortFor,
  type ItemCount,
  itemSums,
  type JobId,
  pooledRecords,
  type SpliceState,
  type Splicing,
  type StyleNeed,
  splicingFor,
  splicingUses,
} from "@/core";
import type { Store } from "@/store/database/store";
import { closuresOf } from "@/store/plan/closures";
import { shippedLibrary } from "@/store/shelf/shipped";
import { medianOf } from "../insight/insight";
import { findClosurePage } from "./closure-page";

/** A splice of a job, with the procedure it was tried by last, or would be. */
interface JobSplice {
  readonly procedure: Splicing;
  readonly standing: SpliceState["standing"];
  /** Tries on record, none of them simulated. */
  readonly tries: number;
  /** The first try was within the limit. */
  readonly good: boolean;
  /** Minutes of each try: since the last act at its closure. */
  readonly minutes: readonly number[];
}

/** After so long, the time since the last act is no work on a splice (common practice, no source). Minutes. */
const BREAK = 30;

/** Minutes of each try at a splice. */
const minutesOf = (events: readonly ClosureRecorded[], splice: string): number[] =>
  events.flatMap(({ at, event }, i) => {
    const before = events[i - 1];
    if (event.kind !== "splice" || event.splice !== splice || event.splicer?.simulated || !before) return [];
    const minutes = (Date.parse(at) - Date.parse(before.at)) / 60_000;
    return minutes < BREAK ? [minutes] : [];
  });

/** Procedure the last try of a splice named. */
const lastTried = (events: readonly ClosureRecorded[], splice?: string): Splicing | undefined => {
  const last = events.findLast(
    ({ event }) =>
      event.kind === "splice" && event.procedure && (splice === undefined || event.splice === splice),
  )?.event;
  const id = last?.kind === "splice" ? last.procedure?.id : undefined;
  return shippedLibrary().splicing.find((procedure) => procedure.id === id);
};

/** Every splice planned in the closures of a job. */
function jobSplices(store: Store, job: JobId): JobSplice[] {
  const pages = closuresOf(store, job).flatMap(({ closure }) => findClosurePage(store, job, closure) ?? []);
  const usual = lastTried(pages.flatMap(({ events }) => events).sort((a, b) => a.n - b.n));
  return pages.flatMap(({ at, events }) =>
    closureWork(at, events).splices.flatMap(({ splice, standing, estimates }): JobSplice[] => {
      const fitting = splicingFor(shippedLibrary().splicing, splice.count);
      const procedure =
        lastTried(events, splice.id) ?? fitting.find(({ id }) => id === usual?.id) ?? fitting[0];
      const good = (estimates[0] ?? Number.POSITIVE_INFINITY) <= at.plan.limitDb;
      const minutes = minutesOf(events, splice.id);
      return procedure ? [{ procedure, standing, tries: estimates.length, good, minutes }] : [];
    }),
  );
}

const isOpen = ({ standing }: JobSplice): boolean => standing === "open" || standing === "out";

/** Splices of a job still to be made, by procedure, and the consumables of those tried so far. */
export function spliceNeeds(
  store: Store,
  job: JobId,
  ways: Parameters<typeof pooledRecords>[0],
  risk: number,
): { readonly styles: readonly StyleNeed[]; readonly used: readonly ItemCount[] } {
  const splices = jobSplices(store, job);
  const procedures = [...new Set(splices.map(({ procedure }) => procedure))];
  const used = procedures.flatMap((procedure) => {
    const tried = splices.filter((splice) => splice.procedure === procedure && splice.tries > 0);
    const tries = tried.reduce((sum, splice) => sum + splice.tries, 0);
    const cleaves = procedure.steps.filter(({ act }) => act === "cleave").length * tries;
    return [
      ...splicingUses(procedure, { splices: tried.length, tries }),
      ...(cleaves > 0 ? [{ item: "cleave", count: cleaves }] : []),
    ];
  });
  const styles = procedures.flatMap((procedure): StyleNeed[] => {
    const own = splices.filter((splice) => splice.procedure === procedure);
    const left = own.filter(isOpen).length;
    if (left === 0) return [];
    const tried = own.filter(({ tries }) => tries > 0);
    const good = tried.filter((splice) => splice.good).length;
    const record = pooledRecords([...ways, { good, tried: tried.length }]).at(-1);
    const minutes = medianOf(own.flatMap((splice) => splice.minutes));
    const effort = record && record.tried > 0 ? effortFor(left, { ...record, minutes }, risk) : null;
    const tries = effort?.tries ?? null;
    return [
      {
        ...{
          of: "splice",
          style: `splicing/${procedure.id}`,
          name: procedure.name,
          hours: effort?.hours ?? null,
          tries,
        },
        ...{ left, planned: own.length, good, tried: tried.length },
        // A sleeve or joint stays on its fibre when a try fails.
        parts: left,
        consumables: splicingUses(procedure, { splices: left, tries: Math.ceil(tries?.most ?? left) }),
      },
    ];
  });
  return { styles, used: itemSums(used) };
}
