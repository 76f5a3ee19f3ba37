import type { Entry, Problem, Recorded } from "@/core";
import { post } from "../words/api";
import { type Box, takeOut, waitingFor } from "./outbox";

/** What becomes of entries as they are sent. */
export interface Sending {
  readonly answered: (entries: readonly Recorded[]) => void;
  readonly refused: (problem: Problem, entry: Entry) => void | Promise<void>;
  /** After each try: whether the server could not be reached. */
  readonly reached: (offline: boolean) => void;
}

/** Failures that say nothing about the entry: it waits and is sent again. */
const waits = ({ code }: Problem): boolean => code === "offline" || code === "server";

/**
 * Sends what waits for an end, one at a time in the order it was made.
 * @returns true when nothing waits any more, false when the server could not take it now.
 */
export async function sendWaiting(
  box: Box,
  end: string,
  { answered, refused, reached }: Sending,
): Promise<boolean> {
  for (let [next] = waitingFor(box, end); next; [next] = waitingFor(box, end)) {
    const { id, client, after, entry } = next;
    const answer = await post<{ entries: readonly Recorded[] }>(`/api/v1/ends/${end}/entries`, {
      client,
      after,
      entries: [{ id, entry }],
    });
    reached(!answer.ok && waits(answer.problem));
    if (!answer.ok && waits(answer.problem)) return false;
    takeOut(box, end, id);
    if (answer.ok) answered(answer.value.entries);
    else await refused(answer.problem, entry);
  }
  return true;
}

/** Why an entry was not stored, in words that name what was typed. */
export const refusalText = (problem: Problem, entry: Entry): string =>
  entry.kind === "reading" ? `Reading ${entry.typed} was not stored. ${problem.message}` : problem.message;
