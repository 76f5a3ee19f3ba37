import { randomUUID } from "node:crypto";
import type { z } from "zod";
import type { JobId, PieceId } from "@/core";
import {
  InputError,
  type Job,
  type Piece,
  type PiecePlan,
  type Progress,
  progressOf,
  type zJobQuery,
  type zJobsAnswer,
  type zJobsQuery,
  type zNewJob,
  type zNewPieces,
  type zSavePlan,
} from "@/core";
import { say } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { inTransaction } from "@/store/database/transaction";
import {
  addPlan,
  countPlanned,
  endCountsOf,
  findJob,
  insertJob,
  jobsFrom,
  latestPlan,
  type PlanRow,
  piecesFrom,
  planIn,
  planText,
} from "@/store/plan/plans";
import { wholeLibrary } from "@/store/shelf/shelf";
import type { Act } from "../act";
import { mustBeKnown } from "../crew/signer";
import { sinceChanged } from "../since-changed";
import { mustWork, needsOf } from "./planning";
import { straysOf } from "./strays";

/** A page of the list of jobs. */
export const JOBS_PAGE = 60;

/** A page of a job's pieces. */
export const PIECES_PAGE = 30;

/** The most pieces one job holds. */
const MOST_PIECES = 2_000;

/** What somebody typed to look for, word by word. */
const wordsOf = (text = ""): string[] => text.split(/\s+/).filter(Boolean).slice(0, 12);

/**
 * Begins a job, empty or with the pieces of one like it; asking again with the same id answers the same job.
 * @throws InputError `not-found` for a job to be like that is not here.
 */
export function newJob(
  act: Act,
  { id = randomUUID(), name, like }: z.output<typeof zNewJob>,
): { id: string } {
  const { store, actor, now } = act;
  inTransaction(store, () => {
    mustBeKnown(act);
    if (findJob(store, id)) return;
    const pieces = like === undefined ? [] : allPlans(store, mustFindJob(store, like).id);
    insertJob(store, { id, createdAt: now.toISOString(), name, by: actor });
    for (const row of pieces)
      addPlan(store, {
        piece: randomUUID(),
        job: id,
        revision: 1,
        name: row.name,
        ends: row.ends,
        body: planText(withoutFound(pieceOf(row).plan)),
        at: now.toISOString(),
        by: actor,
      });
  });
  return { id };
}

/** A plan without what somebody found where it was planned for: slack is of a place, and there it lies no more. */
const withoutFound = (plan: PiecePlan): PiecePlan => ({
  ...plan,
  sides: { A: { ...plan.sides.A, slack: null }, B: { ...plan.sides.B, slack: null } },
});

/** Jobs, newest first, a page at a time. @throws InputError for a query it cannot read. */
export function jobsPage(
  store: Store,
  { before, words }: z.output<typeof zJobsQuery>,
): z.output<typeof zJobsAnswer> {
  const [createdAt, id] = before?.split("~") ?? [];
  const jobs = jobsFrom(
    store,
    createdAt && id ? { createdAt, id } : undefined,
    wordsOf(words),
    JOBS_PAGE + 1,
  );
  const rows = jobs.slice(0, JOBS_PAGE);
  const last = rows.at(-1);
  return {
    rows: rows.map((row) => {
      const { pieces, ends } = countPlanned(store, row.id);
      return {
        id: row.id,
        name: row.name,
        createdAt: row.createdAt,
        pieces,
        progress: jobProgress(store, row.id, ends),
      };
    }),
    next: jobs.length > JOBS_PAGE && last ? `${last.createdAt}~${last.id}` : null,
  };
}

/** How those begun of a job stand. */
const begunOf = sinceChanged(
  (store: Store, job: JobId): Progress =>
    Object.fromEntries(endCountsOf(store, job, straysOf(store, job)).map(({ standing, n }) => [standing, n])),
);

/** How many places of a job stand how. */
const jobProgress = (store: Store, job: JobId, planned: number): Progress =>
  progressOf(planned, begunOf(store, job));

export const pieceOf = ({ piece, revision, body }: PlanRow): Piece => ({
  id: piece,
  revision,
  plan: planIn({ body }),
});

function mustFindJob(store: Store, id: JobId) {
  const job = findJob(store, id) ?? findJob(store, id.toLowerCase());
  if (!job)
    throw new InputError("not-found", say("no-job-with-the-id-is-here", { id: id.slice(0, 60) }), ["id"]);
  return job;
}

/** A job with its pieces, in the order they came, a page at a time. @throws InputError `not-found`. */
export function getJob(store: Store, id: JobId, { words, after }: z.output<typeof zJobQuery> = {}): Job {
  const job = mustFindJob(store, id);
  const looked = { words: wordsOf(words), after: after === undefined ? undefined : Number(after) };
  const match = piecesFrom(store, job.id, looked, PIECES_PAGE + 1);
  const rows = match.slice(0, PIECES_PAGE);
  const { pieces, ends } = countPlanned(store, job.id);
  return {
    id: job.id,
    name: job.name,
    createdAt: job.createdAt,
    count: pieces,
    found: looked.words.length > 0 ? countPlanned(store, job.id, looked.words).pieces : pieces,
    progress: jobProgress(store, job.id, ends),
    pieces: rows.map(pieceOf),
    next: match.length > PIECES_PAGE ? String(rows.at(-1)?.first) : null,
  };
}

const allPlans = (store: Store, job: JobId) =>
  piecesFrom(store, job, { words: [], after: undefined }, MOST_PIECES);

/** Every piece of a job, whatever their number. */
export const allPieces = (store: Store, job: JobId): Piece[] => allPlans(store, job).map(pieceOf);

export const findJobById = (store: Store, id: JobId, query: z.output<typeof zJobQuery> = {}): Job | null =>
  findJob(store, id) ? getJob(store, id, query) : null;

/** Adds pieces to a job, all or none; one already there by its id is answered as it is. @throws InputError. */
export function addPieces(act: Act, job: string, { pieces }: z.output<typeof zNewPieces>): readonly Piece[] {
  const { store, actor, now } = act;
  const ends = pieces.map(({ plan }, i) => mustWork(store, plan, ["pieces", i, "plan"]));
  return inTransaction(store, () => {
    mustBeKnown(act);
    const { id: jobId } = mustFindJob(store, job);
    if (countPlanned(store, jobId).pieces + pieces.length > MOST_PIECES)
      throw new InputError("limit", say("a-job-can-have-at-most-pieces", { mostPieces: MOST_PIECES }), [
        "pieces",
      ]);
    return pieces.map(({ id = randomUUID(), plan }, i) => {
      if (!latestPlan(store, id))
        addPlan(store, {
          piece: id,
          job: jobId,
          revision: 1,
          name: plan.name,
          ends: ends[i] ?? 0,
          body: planText(plan),
          at: now.toISOString(),
          by: actor,
        });
      const row = latestPlan(store, id);
      if (!row || row.job !== jobId)
        throw new InputError("id-taken", say("another-job-already-has-a-piece-of"), ["pieces"]);
      return pieceOf(row);
    });
  });
}

/**
 * Keeps a change of a piece's plan as its next revision, or takes the piece off the job.
 * @throws InputError: `moved-on` where somebody else changed it since; whatever makes the plan one that cannot be.
 */
export function savePlan(
  act: Act,
  piece: PieceId,
  { basis, plan }: z.output<typeof zSavePlan>,
): { id: string; revision: number } {
  const { store, actor, now } = act;
  const ends = plan ? mustWork(store, plan, ["plan"]) : 0;
  return inTransaction(store, () => {
    mustBeKnown(act);
    const latest = latestPlan(store, piece);
    if (!latest)
      throw new InputError("not-found", say("no-piece-with-the-id-is-here", { piece: piece.slice(0, 60) }), [
        "id",
      ]);
    if (latest.revision !== basis)
      throw new InputError("moved-on", say("somebody-else-has-changed-this-piece-look"), ["basis"]);
    const revision = basis + 1;
    addPlan(store, {
      piece,
      job: latest.job,
      revision,
      name: plan?.name ?? latest.name,
      ends,
      body: plan && planText(plan),
      at: now.toISOString(),
      by: actor,
    });
    return { id: piece, revision };
  });
}

/** A piece of a job with its cable, and why it cannot be worked out where it cannot; null where there is none. */
export function findPiece(store: Store, job: JobId, piece: PieceId) {
  const match = findJob(store, job);
  const row = latestPlan(store, piece);
  if (!match || !row || row.job !== match.id || row.body === null) return null;
  const first = pieceOf(row);
  const needs = needsOf(store, first.plan);
  return {
    job: { id: match.id, name: match.name },
    piece: first,
    cable: wholeLibrary(store).cables.find(({ id }) => id === first.plan.cable) ?? null,
    problem: "problem" in needs ? needs.problem : null,
  };
}
