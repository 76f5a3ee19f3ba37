import type { JobId } from "@/core";
import { type CutGroup, type CutLine, cutGroups, type Piece } from "@/core";
import type { Store } from "@/store/database/store";
import { findJob } from "@/store/plan/plans";
import { allPieces } from "./jobs";
import { needsOf } from "./planning";

/** What is cut for a job, by cable. */
interface CutList {
  readonly job: { readonly id: string; readonly name: string };
  readonly groups: readonly CutGroup[];
}

function lineOf(store: Store, { id, plan }: Piece): CutLine {
  const { needs, problem } = { needs: null, problem: null, ...needsOf(store, plan) };
  return { id, plan, cut: needs?.cut ?? null, unsaid: needs?.unsaid ?? [], problem };
}

/** Null where there is no such job. */
export function findCutList(store: Store, id: JobId): CutList | null {
  const job = findJob(store, id);
  if (!job) return null;
  const lines = allPieces(store, id).map((piece) => lineOf(store, piece));
  return { job: { id: job.id, name: job.name }, groups: cutGroups(lines) };
}
