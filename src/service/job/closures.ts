import { randomUUID } from "node:crypto";
import type { z } from "zod";
import type { ClosureId, JobId, PieceId } from "@/core";
import {
  type Cable,
  type Closure,
  type ClosureAnswer,
  type ClosureCable,
  type ClosurePlan,
  closureWork,
  type Entry,
  InputError,
  isSide,
  mustHoldAt,
  NO_SPLICES,
  type PiecePlan,
  type Place,
  type PlaceSide,
  partedAt,
  placeCables,
  placeKey,
  placeText,
  SIDES,
  standingOfEnd,
  throughId,
  type zNewClosure,
  type zSaveClosure,
} from "@/core";
import { say } from "@/messages/service";
import { canonical } from "@/store/database/hash";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import { closureEventsOf } from "@/store/plan/closure-events";
import {
  addClosureRow,
  type ClosureRow,
  closurePlanIn,
  closuresOf,
  closureText,
  latestClosure,
} from "@/store/plan/closures";
import { addPlan, findJob, latestPlan, planText } from "@/store/plan/plans";
import { endsOfPieces } from "@/store/record/ends";
import { wholeLibrary } from "@/store/shelf/shelf";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";
import { closureAtWork } from "./closure-at-work";
import { allPieces, pieceOf } from "./jobs";
import { newestAt } from "./placed";
import { mustWork } from "./planning";

/** The most closures of one job. */
const MOST_CLOSURES = 300;

const closureOf = ({ closure, revision, body }: ClosureRow): Closure => ({
  id: closure,
  revision,
  plan: closurePlanIn({ body }),
});

/** What a cable that comes in is a part of: the entry's own sheet, or the one of a cable that goes through. */
export const styleIn = (entry: string, { through }: Pick<ClosureCable, "through">): string =>
  through ? throughId(entry) : entry;

/**
 * Why a cable is not the place of a piece it is said to be, in words; null where it is, or is of no piece.
 * @param job the closure's own: its pieces alone are joined.
 */
export function joinTrouble(store: Store, job: JobId, entry: string, cable: ClosureCable): string | null {
  if (!cable.joins) return null;
  const { piece, side } = cable.joins;
  const row = latestPlan(store, piece);
  if (!row || row.body === null || row.job !== job) return "That piece is no longer in this job.";
  const { plan } = pieceOf(row);
  if (plan.cable !== cable.cable) return `${plan.name} is a different cable.`;
  const wanted = styleIn(entry, cable);
  if (isSide(side)) {
    if (cable.through) return `${plan.name} ends at side ${side}: it does not go through there.`;
    const { procedure } = plan.sides[side];
    return procedure === wanted || procedure === null
      ? null
      : `Side ${side} of ${plan.name} is planned to end in another way.`;
  }
  const station = plan.stations.find(({ id }) => id === side);
  if (!station) return `${plan.name} is not opened there any more.`;
  return station.procedure === wanted && cable.through
    ? null
    : `${plan.name} is opened there by another procedure.`;
}

function mustFindEntry(store: Store, plan: ClosurePlan): Entry {
  const entry = wholeLibrary(store).entries.find(({ id }) => id === plan.entry);
  if (!entry)
    throw new InputError("not-found", say("no-entry-called-is-on-the-shelf", { entry: plan.entry }), [
      "entry",
    ]);
  return entry;
}

/** @throws InputError for whatever makes the plan one that cannot be. */
function mustClose(store: Store, job: JobId, plan: ClosurePlan): void {
  const entry = mustFindEntry(store, plan);
  const { cables } = wholeLibrary(store);
  const named = plan.cables.map((cable, i) => {
    const of = cables.find(({ id }) => id === cable.cable);
    if (!of)
      throw new InputError("unknown-cable", say("no-cable-called-2", { cable: cable.cable }), [
        "plan",
        "cables",
        i,
        "cable",
      ]);
    if (!entry.takes.includes(of.construction))
      throw new InputError("does-not-fit", say("is-not-made-for", { entry: entry.name, of: of.name }), [
        "plan",
        "cables",
        i,
        "cable",
      ]);
    const trouble = joinTrouble(store, job, plan.entry, cable);
    if (trouble !== null) throw new InputError("does-not-fit", trouble, ["plan", "cables", i, "joins"]);
    return { ...cable, of, id: `${of.name} (${i + 1})` };
  });
  const joined = new Set<string>();
  plan.cables.forEach(({ joins }, i) => {
    if (!joins) return;
    const key = `${joins.piece} ${joins.side}`;
    if (joined.has(key))
      throw new InputError("duplicate", say("a-place-of-a-piece-can-be"), ["plan", "cables", i, "joins"]);
    joined.add(key);
  });
  const placed = placeCables(
    entry.ports,
    named.map(({ id, of, role, through, fixed }) => ({ id, role, through, fixed, diameter: sheathOf(of) })),
  );
  if (!placed.possible)
    throw new InputError(
      "does-not-fit",
      say("these-do-not-all-fit-too-few", { cannot: placed.cannot.join(", ") }),
      ["plan", "cables"],
    );
}

/** A side nothing was planned at ends in the closure that takes it: its piece's plan says so from then on. */
function planJoined({ store, actor, now }: Act, { entry, cables }: ClosurePlan): void {
  for (const { joins } of cables) {
    const row = joins && latestPlan(store, joins.piece);
    if (!row?.body || !joins || !isSide(joins.side)) continue;
    const { plan } = pieceOf(row);
    const side = plan.sides[joins.side];
    if (side.procedure !== null) continue;
    const sides = { ...plan.sides, [joins.side]: { ...side, procedure: entry, ends: 1 } };
    const next: PiecePlan = { ...plan, sides };
    addPlan(store, {
      piece: row.piece,
      job: row.job,
      name: row.name,
      revision: row.revision + 1,
      ends: mustWork(store, next, ["plan", "cables"]),
      body: planText(next),
      at: now.toISOString(),
      by: actor,
    });
  }
}

const sheathOf = ({ layers }: Cable) => mustHoldAt(layers, 0).diameter;

function mustFindJob(store: Store, id: JobId) {
  const job = findJob(store, id) ?? findJob(store, id.toLowerCase());
  if (!job)
    throw new InputError("not-found", say("no-job-with-the-id-is-here", { id: id.slice(0, 60) }), ["id"]);
  return job;
}

/** Adds a closure to a job; one already there by its id is answered as it is. @throws InputError. */
export function addClosure(
  act: Act,
  job: string,
  { id = randomUUID(), plan }: z.output<typeof zNewClosure>,
): Closure {
  const { store, actor, now } = act;
  return inTransaction(store, () => {
    mustBeKnown(act);
    const { id: jobId } = mustFindJob(store, job);
    if (!latestClosure(store, id)) {
      if (closuresOf(store, jobId).length >= MOST_CLOSURES)
        throw new InputError(
          "limit",
          say("a-job-can-have-at-most-closures", { mostClosures: MOST_CLOSURES }),
          ["plan"],
        );
      mustClose(store, jobId, plan);
      planJoined(act, plan);
      addClosureRow(store, {
        closure: id,
        job: jobId,
        revision: 1,
        body: closureText(plan),
        at: now.toISOString(),
        by: actor,
      });
    }
    const row = latestClosure(store, id);
    if (!row || row.job !== jobId)
      throw new InputError("id-taken", say("another-job-already-has-a-closure-of"), ["id"]);
    return closureOf(row);
  });
}

function mustFindClosure(store: Store, id: ClosureId): ClosureRow {
  const row = latestClosure(store, id) ?? latestClosure(store, id.toLowerCase());
  if (!row)
    throw new InputError("not-found", say("no-closure-with-the-id-is-here", { id: id.slice(0, 60) }), ["id"]);
  return row;
}

/**
 * Keeps a change of a closure as its next revision, or takes it off the job.
 * @throws InputError: `moved-on` where somebody else changed it since; whatever makes it one that cannot be.
 */
export function saveClosure(
  act: Act,
  id: string,
  { basis, plan: changed }: z.output<typeof zSaveClosure>,
): { id: string; revision: number } {
  const { store, actor, now } = act;
  return inTransaction(store, () => {
    mustBeKnown(act);
    const latest = mustFindClosure(store, id);
    if (latest.revision !== basis)
      throw new InputError("moved-on", say("somebody-else-has-changed-this-closure-look"), ["basis"]);
    const before = latest.body === null ? null : closurePlanIn(latest);
    const plan = changed && { ...changed, splicing: changed.splicing ?? before?.splicing ?? NO_SPLICES };
    if (plan) {
      if (before) {
        mustBeOpen(store, latest.closure, before, plan);
        mustKeepSplices(store, latest.closure, before, plan);
      }
      mustClose(store, latest.job, plan);
      planJoined(act, plan);
    }
    const revision = basis + 1;
    addClosureRow(store, {
      closure: latest.closure,
      job: latest.job,
      revision,
      body: plan && closureText(plan),
      at: now.toISOString(),
      by: actor,
    });
    return { id: latest.closure, revision };
  });
}

/** @throws InputError `gate`: once closing has begun, only the name changes until the closure is opened again. */
function mustBeOpen(store: Store, id: ClosureId, before: ClosurePlan, plan: ClosurePlan): void {
  const inside = ({ entry, cables, splicing }: ClosurePlan) => canonical({ entry, cables, splicing });
  const events = closureEventsOf(store, id);
  if (events.length === 0 || inside(before) === inside(plan)) return;
  if (closureWork(closureAtWork(store, getClosure(store, id)), events).closing)
    throw new InputError("gate", say("closing-of-this-closure-has-begun"), ["plan"]);
}

/** @throws InputError `gate`: a splice that was tried keeps its fibres, so that its tries stay what they were of. */
function mustKeepSplices(store: Store, id: ClosureId, before: ClosurePlan, { splicing }: ClosurePlan): void {
  const tried = new Set(
    closureEventsOf(store, id).flatMap(({ event }) => (event.kind === "splice" ? [event.splice] : [])),
  );
  const fibresOf = ({ a, b, count }: ClosurePlan["splicing"]["splices"][number]) =>
    canonical({ a, b, count });
  for (const [i, splice] of before.splicing.splices.entries()) {
    if (!tried.has(splice.id)) continue;
    const now = splicing.splices.find((other) => other.id === splice.id);
    if (!now || fibresOf(now) !== fibresOf(splice))
      throw new InputError("gate", say("splice-was-tried-its-fibres-stay", { splice: i + 1 }), [
        "plan",
        "splicing",
      ]);
  }
}

/** Every closure of a job, in the order they came. @throws InputError `not-found`. */
export const getClosures = (store: Store, job: JobId): Closure[] =>
  closuresOf(store, mustFindJob(store, job).id).map(closureOf);

/** A closure with how each of its cables stands. @throws InputError `not-found`. */
export function getClosure(store: Store, id: ClosureId): ClosureAnswer {
  const row = mustFindClosure(store, id);
  if (row.body === null) throw new InputError("not-found", say("this-closure-was-taken-off-its-job"), ["id"]);
  const closure = closureOf(row);
  const pieces = [...new Set(closure.plan.cables.flatMap(({ joins }) => (joins ? [joins.piece] : [])))];
  const there = newestAtOf(store, [...pieces, closure.id]);
  return {
    ...closure,
    job: row.job,
    cables: closure.plan.cables.map((cable) => {
      const { joins } = cable;
      const plan = joins && latestPlan(store, joins.piece);
      const place = { side: joins?.side ?? cable.id, address: [] };
      const end = there.get(joins?.piece ?? closure.id)?.get(placeKey(place));
      return {
        ...cable,
        at: plan?.body ? saidAt(pieceOf(plan).plan, place) : "",
        standing: standingOfEnd(end),
        end: end?.id ?? null,
        batch: end?.batchId ?? null,
        trouble: joinTrouble(store, row.job, closure.plan.entry, cable),
        parted: plan?.body && joins ? partedAt(pieceOf(plan).plan, joins.side) : [],
      };
    }),
  };
}

const saidAt = (plan: PiecePlan, place: Place): string => `${plan.name}, ${placeText(place, plan)}`;

function newestAtOf(store: Store, pieces: readonly PieceId[]) {
  const rows = endsOfPieces(store, pieces);
  return new Map(pieces.map((piece) => [piece, newestAt(rows.filter((row) => row.piece === piece))]));
}

/** A place of a piece that can come into an entry. */
interface JoinablePlace {
  readonly piece: PieceId;
  readonly side: PlaceSide;
  /** The piece and the place, as they are said. */
  readonly text: string;
  readonly cable: string;
  readonly through: boolean;
}

/**
 * Every place of a job's pieces that can come into an entry: sides that end in it or end nowhere yet, stations opened by its
 * sheet for cables that go through.
 */
export function joinablePlaces(store: Store, job: JobId, entry: Entry): JoinablePlace[] {
  const taken = new Set(
    wholeLibrary(store)
      .cables.filter(({ construction }) => entry.takes.includes(construction))
      .map(({ id }) => id),
  );
  return allPieces(store, job).flatMap(({ id: piece, plan }): JoinablePlace[] => {
    if (!taken.has(plan.cable)) return [];
    const here = { piece, cable: plan.cable };
    const at = (side: PlaceSide, through: boolean): JoinablePlace => ({
      ...here,
      side,
      through,
      text: saidAt(plan, { side, address: [] }),
    });
    const ends = SIDES.filter((side) => [null, entry.id].includes(plan.sides[side].procedure));
    const opened = plan.stations.filter(({ procedure }) => procedure === throughId(entry.id));
    return [...ends.map((side) => at(side, false)), ...opened.map(({ id }) => at(id, true))];
  });
}
