import { randomUUID } from "node:crypto";
import type { z } from "zod";
import { InputError, type JobPlan, type zOpenPlan } from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { findJob } from "@/store/plan/plans";
import type { Act } from "../act";
import { addClosure, getClosures } from "./closures";
import { addFeeder, getFeeders } from "./feeders";
import { addPieces, allPieces, newJob } from "./jobs";

/** Pieces added at a time. */
const AT_A_TIME = 300;

/** A job as it is planned now. @throws InputError `not-found`. */
export function getJobPlan(store: Store, id: string): JobPlan {
  const job = findJob(store, id);
  if (!job)
    throw new InputError("not-found", say("no-job-with-the-id-is-here", { id: id.slice(0, 60) }), ["id"]);
  return {
    ...{ plan: 1, name: job.name },
    pieces: allPieces(store, job.id).map(({ id: piece, plan }) => ({ id: piece, plan })),
    closures: getClosures(store, job.id).map(({ id: closure, plan }) => ({ id: closure, plan })),
    feeders: getFeeders(store, job.id).map(({ id: feeder, plan }) => ({ id: feeder, plan })),
  };
}

/**
 * Begins a job from a plan, all of it or nothing. Everything in it gets a new id, so that a plan can be opened where it came
 * from, and twice; what is joined stays joined. Asking again with the same id answers the same job.
 * @throws InputError for a cable or entry that is not on this shelf, and whatever makes a plan one that cannot be.
 */
export function openJobPlan(
  act: Act,
  { id = randomUUID(), plan: { name, pieces, closures, feeders } }: z.output<typeof zOpenPlan>,
): { id: string } {
  const { store } = act;
  return inTransaction(store, () => {
    if (findJob(store, id)) return { id };
    newJob(act, { id, name });
    const pieceIds = newIds(pieces);
    const closureIds = newIds(closures);
    const added = pieces.map(({ id: piece, plan }) => ({
      id: mustJoin(pieceIds, piece, ["plan", "pieces"]),
      plan,
    }));
    for (let i = 0; i < added.length; i += AT_A_TIME)
      addPieces(act, id, { pieces: added.slice(i, i + AT_A_TIME) });
    closures.forEach(({ id: closure, plan }, i) => {
      const cables = plan.cables.map((cable) =>
        cable.joins
          ? {
              ...cable,
              joins: {
                ...cable.joins,
                piece: mustJoin(pieceIds, cable.joins.piece, ["plan", "closures", i]),
              },
            }
          : cable,
      );
      addClosure(act, id, { id: closureIds.get(closure), plan: { ...plan, cables } });
    });
    feeders.forEach(({ plan }, i) => {
      const joints = plan.joints.map((joint) => ({
        ...joint,
        closure: joint.closure === null ? null : mustJoin(closureIds, joint.closure, ["plan", "feeders", i]),
      }));
      addFeeder(act, id, { plan: { ...plan, joints } });
    });
    return { id };
  });
}

const newIds = (items: readonly { readonly id: string }[]): ReadonlyMap<string, string> =>
  new Map(items.map(({ id }) => [id, randomUUID()]));

/** The new id of what is joined. @throws InputError `not-found` where the plan does not have it. */
function mustJoin(ids: ReadonlyMap<string, string>, id: string, path: readonly (string | number)[]): string {
  const joined = ids.get(id);
  if (joined === undefined)
    throw new InputError("not-found", say("the-plan-joins-what-it-does-not-have", { id }), [...path]);
  return joined;
}
