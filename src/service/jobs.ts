import { randomUUID } from "node:crypto";
import { z } from "zod";
import {
  type Cable,
  check,
  compileRunSheet,
  InputError,
  type Job,
  misfits,
  type Piece,
  type PieceNeeds,
  type PieceParts,
  type PiecePlan,
  pieceNeeds,
  problemOf,
  proceduresFor,
  SIDES,
  type SideName,
  type zJobsAnswer,
  zName,
  zPiecePlan,
  zUuid,
} from "@/core";
import {
  addPlan,
  countPieces,
  findJob,
  insertJob,
  jobsFrom,
  latestPlan,
  type PlanRow,
  plansOf,
} from "@/store/plans";
import { wholeLibrary } from "@/store/shelf";
import type { Store } from "@/store/store";
import { inTransaction } from "@/store/transaction";
import type { Act } from "./act";
import { mustBeKnown } from "./signer";

/** A page of the list of jobs. */
export const JOBS_PAGE = 60;

/** The most pieces one job holds. */
export const MOST_PIECES = 2_000;

export const zNewJob = z.strictObject({
  id: zUuid("A job's id is a UUID").optional(),
  name: z.string("A job has a name").trim().pipe(zName),
});

export const zNewPieces = z.strictObject({
  pieces: z
    .array(z.strictObject({ id: zUuid("A piece's id is a UUID").optional(), plan: zPiecePlan }))
    .min(1, "At least one piece")
    .max(300, "At most 300 pieces at a time"),
});

export const zSavePlan = z.strictObject({
  /** The revision the change was made on. */
  basis: z.int().min(1),
  /** Null takes the piece off the job; a plan puts it back. */
  plan: zPiecePlan.nullable(),
});

export const zJobsQuery = z.strictObject({
  before: z
    .string()
    .regex(/^[0-9TZ:.-]{1,40}~[0-9a-f-]{36}$/i, "The place to go on from is not one this list gave")
    .optional(),
});

/** Begins a job; asking again with the same id answers the same job. */
export function newJob(act: Act, input: unknown): { id: string } {
  const { store, actor, now } = act;
  const { id = randomUUID(), name } = check(zNewJob, input);
  inTransaction(store, () => {
    mustBeKnown(act);
    if (!findJob(store, id)) insertJob(store, { id, createdAt: now.toISOString(), name, by: actor });
  });
  return { id };
}

/** Jobs, newest first, a page at a time. @throws InputError for a query it cannot read. */
export function jobsPage(store: Store, query: unknown): z.output<typeof zJobsAnswer> {
  const [createdAt, id] = check(zJobsQuery, query).before?.split("~") ?? [];
  const found = jobsFrom(store, createdAt && id ? { createdAt, id } : undefined, JOBS_PAGE + 1);
  const rows = found.slice(0, JOBS_PAGE);
  const last = rows.at(-1);
  return {
    rows: rows.map((row) => ({
      id: row.id,
      name: row.name,
      createdAt: row.createdAt,
      pieces: countPieces(store, row.id),
    })),
    next: found.length > JOBS_PAGE && last ? `${last.createdAt}~${last.id}` : null,
  };
}

const pieceOf = ({ piece, revision, body }: PlanRow): Piece => ({
  id: piece,
  revision,
  plan: check(zPiecePlan, JSON.parse(body ?? "null")),
});

/** A job with its pieces, in the order they came. @throws InputError `not-found`. */
export function getJob(store: Store, id: string): Job {
  const job = findJob(store, id) ?? findJob(store, id.toLowerCase());
  if (!job) throw new InputError("not-found", `No job with the id “${id.slice(0, 60)}” is here.`, ["id"]);
  return {
    id: job.id,
    name: job.name,
    createdAt: job.createdAt,
    pieces: plansOf(store, job.id).map(pieceOf),
  };
}

export const findJobById = (store: Store, id: string): Job | null =>
  findJob(store, id) ? getJob(store, id) : null;

/** Adds pieces to a job, all or none; one already there by its id is answered as it is. @throws InputError. */
export function addPieces(act: Act, job: string, input: unknown): readonly Piece[] {
  const { store, actor, now } = act;
  const { pieces } = check(zNewPieces, input);
  pieces.forEach(({ plan }, i) => {
    mustWork(store, plan, ["pieces", i, "plan"]);
  });
  return inTransaction(store, () => {
    mustBeKnown(act);
    const { id: found, pieces: there } = getJob(store, job);
    if (there.length + pieces.length > MOST_PIECES)
      throw new InputError("limit", `A job holds at most ${MOST_PIECES} pieces.`, ["pieces"]);
    return pieces.map(({ id = randomUUID(), plan }) => {
      if (!latestPlan(store, id))
        addPlan(store, {
          piece: id,
          job: found,
          revision: 1,
          body: textOf(plan),
          at: now.toISOString(),
          by: actor,
        });
      const row = latestPlan(store, id);
      if (!row || row.job !== found)
        throw new InputError("id-taken", "Another job already has a piece of this id.", ["pieces"]);
      return pieceOf(row);
    });
  });
}

const textOf = (plan: PiecePlan): string => JSON.stringify(z.encode(zPiecePlan, plan));

/**
 * Keeps a change of a piece's plan as its next revision, or takes the piece off the job.
 * @throws InputError: `moved-on` where somebody else changed it since; whatever makes the plan one that cannot be.
 */
export function savePlan(act: Act, piece: string, input: unknown): { id: string; revision: number } {
  const { store, actor, now } = act;
  const { basis, plan } = check(zSavePlan, input);
  if (plan) mustWork(store, plan, ["plan"]);
  return inTransaction(store, () => {
    mustBeKnown(act);
    const latest = latestPlan(store, piece);
    if (!latest)
      throw new InputError("not-found", `No piece with the id “${piece.slice(0, 60)}” is here.`, ["id"]);
    if (latest.revision !== basis)
      throw new InputError(
        "moved-on",
        "Somebody else changed this piece since. Look at how it is planned now, then go on.",
        ["basis"],
      );
    const revision = basis + 1;
    const body = plan && textOf(plan);
    addPlan(store, { piece, job: latest.job, revision, body, at: now.toISOString(), by: actor });
    return { id: piece, revision };
  });
}

/**
 * What a plan is worked out from. @throws InputError for a cable or procedure that is not on the shelf, or a pair that
 * does not go together.
 */
export function partsOf(store: Store, plan: PiecePlan): PieceParts {
  const { cables, procedures, tools } = wholeLibrary(store);
  const cable = cables.find(({ id }) => id === plan.cable);
  if (!cable) throw new InputError("unknown-cable", `No cable called “${plan.cable}”.`, ["cable"]);
  const sheetAt = (side: SideName) => {
    const { procedure: id, choices } = plan.sides[side];
    if (id === null) return null;
    const procedure = procedures.find((one) => one.id === id);
    if (!procedure)
      throw new InputError("unknown-procedure", `No procedure called “${id}”.`, ["sides", side, "procedure"]);
    const [why] = misfits(procedure, cable, plan.core);
    if (why)
      throw new InputError("does-not-fit", `${procedure.name} does not go on ${cable.name}. ${why.message}`, [
        "sides",
        side,
        "procedure",
      ]);
    return compileRunSheet({ procedure, cable, core: plan.core, choices, tools });
  };
  return { cable, sheets: { A: sheetAt("A"), B: sheetAt("B") } };
}

function mustWork(store: Store, plan: PiecePlan, at: readonly (string | number)[]): void {
  try {
    pieceNeeds(plan, partsOf(store, plan));
  } catch (error) {
    const problem = problemOf(error);
    throw problem ? new InputError(problem.code, problem.message, [...at, ...problem.path]) : error;
  }
}

/** What a piece needs as it is planned, or why that cannot be told any more. */
export function needsOf(store: Store, plan: PiecePlan): { needs: PieceNeeds } | { problem: string } {
  try {
    return { needs: pieceNeeds(plan, partsOf(store, plan)) };
  } catch (error) {
    const problem = problemOf(error);
    if (!problem) throw error;
    return { problem: problem.message };
  }
}

/** A piece of a job with its cable, and why it cannot be worked out where it cannot; null where there is none. */
export function findPiece(store: Store, job: string, piece: string) {
  const found = findJobById(store, job);
  const one = found?.pieces.find(({ id }) => id === piece);
  if (!found || !one) return null;
  const told = needsOf(store, one.plan);
  return {
    job: { id: found.id, name: found.name },
    piece: one,
    cable: wholeLibrary(store).cables.find(({ id }) => id === one.plan.cable) ?? null,
    problem: "problem" in told ? told.problem : null,
  };
}

/** Every procedure that goes on a piece's cable, with what of its sheet the plan is worked out from. */
export function stylesFor(store: Store, { core, sides }: PiecePlan, cable: Cable) {
  const { procedures, tools } = wholeLibrary(store);
  return proceduresFor(procedures, cable, core).flatMap((procedure) => {
    const side = SIDES.find((name) => sides[name].procedure === procedure.id);
    try {
      const { uses, procedure: of } = compileRunSheet({
        procedure,
        cable,
        core,
        choices: side ? sides[side].choices : {},
        tools,
      });
      return [{ id: procedure.id, name: procedure.name, sheet: { uses, procedure: of } }];
    } catch (error) {
      // One that does not compile on this cable is not offered.
      if (problemOf(error)) return [];
      throw error;
    }
  });
}
