import { randomUUID } from "node:crypto";
import type { z } from "zod";
import {
  type FeederAnswer,
  type FeederId,
  type FeederPlan,
  InputError,
  type JobId,
  problemOf,
  type zFeederSaved,
  type zNewFeeder,
  type zSaveFeeder,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { closureEventsOf } from "@/store/plan/closure-events";
import { closurePlanIn, latestClosure } from "@/store/plan/closures";
import { addFeederRow, type FeederRow, feederPlanIn, feedersOf, latestFeeder } from "@/store/plan/feeders";
import { findJob } from "@/store/plan/plans";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";

type FeederSaved = z.output<typeof zFeederSaved>;

/** The most feeders of one job. */
const MOST_FEEDERS = 100;

const feederOf = ({ feeder, revision, body }: FeederRow): FeederSaved => ({
  id: feeder,
  revision,
  plan: feederPlanIn({ body }),
});

function mustFindFeeder(store: Store, id: FeederId): FeederRow {
  const row = latestFeeder(store, id) ?? latestFeeder(store, id.toLowerCase());
  if (!row)
    throw new InputError("not-found", say("no-feeder-with-the-id-is-here", { id: id.slice(0, 60) }), ["id"]);
  return row;
}

/** @throws InputError `does-not-fit` for a joint in a closure of another job, or in one that was taken off. */
function mustJoin(store: Store, job: JobId, { joints }: FeederPlan): void {
  for (const [i, { closure }] of joints.entries()) {
    if (closure === null) continue;
    const row = latestClosure(store, closure);
    if (!row || row.body === null || row.job !== job)
      throw new InputError("does-not-fit", say("this-closure-is-not-in-the-job"), [
        "plan",
        "joints",
        i,
        "closure",
      ]);
    if (joints.findIndex((other) => other.closure === closure) !== i)
      throw new InputError("duplicate", say("a-closure-is-one-joint-of-a-feeder"), [
        "plan",
        "joints",
        i,
        "closure",
      ]);
  }
}

/** Feeders of a job, in the order they came. @throws InputError `not-found`. */
export function getFeeders(store: Store, job: string): FeederSaved[] {
  if (!findJob(store, job))
    throw new InputError("not-found", say("no-job-with-the-id-is-here", { id: job.slice(0, 60) }), ["id"]);
  return feedersOf(store, job).map(feederOf);
}

/** Adds a feeder to a job; one already there by its id is answered as it is. @throws InputError. */
export function addFeeder(
  act: Act,
  job: string,
  { id = randomUUID(), plan }: z.output<typeof zNewFeeder>,
): FeederSaved {
  const { store, actor, now } = act;
  return inTransaction(store, () => {
    mustBeKnown(act);
    const before = getFeeders(store, job);
    if (!latestFeeder(store, id)) {
      if (before.length >= MOST_FEEDERS)
        throw new InputError("limit", say("a-job-can-have-at-most-feeders", { most: MOST_FEEDERS }), [
          "plan",
        ]);
      mustJoin(store, job, plan);
      const row = { feeder: id, job, revision: 1, body: JSON.stringify(plan) };
      addFeederRow(store, { ...row, at: now.toISOString(), by: actor });
    }
    const row = mustFindFeeder(store, id);
    if (row.job !== job) throw new InputError("id-taken", say("another-job-already-has-a-feeder-of"), ["id"]);
    return feederOf(row);
  });
}

/** A feeder with the powers read at its joints. @throws InputError `not-found`. */
export function getFeeder(store: Store, id: FeederId): FeederAnswer {
  const row = mustFindFeeder(store, id);
  if (row.body === null)
    throw new InputError("not-found", say("no-feeder-with-the-id-is-here", { id: id.slice(0, 60) }), ["id"]);
  const feeder = feederOf(row);
  return { ...feeder, job: row.job, readings: readingsOf(store, feeder.plan) };
}

/** The newest power read at each output of the closures a feeder's joints are made in. */
function readingsOf(store: Store, { joints }: FeederPlan): FeederAnswer["readings"] {
  return joints.flatMap(({ closure }, joint) => {
    const row = closure && latestClosure(store, closure);
    if (!row || row.body === null) return [];
    const labels = new Map(
      closurePlanIn(row).splicing.devices.flatMap(({ id, ports }) =>
        ports.map(({ lead, label }): [string, string] => [`power ${id} ${lead}`, label]),
      ),
    );
    const newest = new Map<string, FeederAnswer["readings"][number]>();
    for (const { at, by, event } of closureEventsOf(store, row.closure)) {
      const label = "item" in event ? labels.get(event.item) : undefined;
      if (label === undefined) continue;
      if (event.kind === "undone") newest.delete(label);
      else if (event.kind === "power" && !event.simulated)
        newest.set(label, { joint, label, dBm: event.dBm, wavelength: event.wavelength, at, by });
    }
    return [...newest.values()];
  });
}

/** A feeder of a job; null where there is none. */
export function findFeeder(store: Store, job: JobId, id: FeederId): FeederAnswer | null {
  try {
    const feeder = getFeeder(store, id);
    return feeder.job === job ? feeder : null;
  } catch (error) {
    if (problemOf(error)) return null;
    throw error;
  }
}

/**
 * Stores a change of a feeder as its next revision, or takes it off the job.
 * @throws InputError `moved-on` where somebody else changed it since; `does-not-fit` for a closure of another job.
 */
export function saveFeeder(
  act: Act,
  id: FeederId,
  { basis, plan }: z.output<typeof zSaveFeeder>,
): { id: string; revision: number } {
  const { store, actor, now } = act;
  return inTransaction(store, () => {
    mustBeKnown(act);
    const latest = mustFindFeeder(store, id);
    if (latest.revision !== basis)
      throw new InputError("moved-on", say("somebody-else-has-changed-this-feeder-look"), ["basis"]);
    if (plan) mustJoin(store, latest.job, plan);
    const row = { feeder: latest.feeder, job: latest.job, revision: basis + 1 };
    addFeederRow(store, {
      ...{ ...row, body: plan && JSON.stringify(plan) },
      ...{ at: now.toISOString(), by: actor },
    });
    return { id: latest.feeder, revision: basis + 1 };
  });
}
