import { z } from "zod";
import { type PiecePlan, zPiecePlan } from "@/core";
import { call } from "../http/http";

/** A change of a piece's plan, made on a revision; without a plan, the piece is taken off its job. */
export interface PlanChange {
  readonly id: string;
  readonly basis: number;
  readonly plan: PiecePlan | null;
}

/** What came of changes kept one after the other. */
interface Saved {
  /** Those kept, each with its revision now. */
  readonly saved: readonly { readonly id: string; readonly revision: number }[];
  /** What stopped the rest, or null. */
  readonly problem: string | null;
}

/** Keeps a change of a plan as the piece's next revision. */
export const sendPlan = ({ id, basis, plan }: PlanChange, by: string | null) =>
  call("post /pieces/{id}", {
    params: { id },
    body: { basis, plan: plan && z.encode(zPiecePlan, plan), by },
  });

/** Keeps changes one after the other, until one is refused or the caller stops them. */
export async function savePlans(
  changes: readonly PlanChange[],
  by: string | null,
  { onStep, stopped }: { readonly onStep: (done: number) => void; readonly stopped: () => boolean },
): Promise<Saved> {
  const saved: { id: string; revision: number }[] = [];
  for (const change of changes) {
    if (stopped()) break;
    onStep(saved.length);
    const answer = await sendPlan(change, by);
    if (!answer.ok) return { saved, problem: answer.problem.message };
    saved.push({ id: change.id, revision: answer.value.revision });
  }
  return { saved, problem: null };
}
