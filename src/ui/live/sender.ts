import { z } from "zod";
import type { EndId } from "@/core";
import { type EndEvent, type Problem, STATUS_OF, zAdd } from "@/core";
import { t } from "@/messages/live";
import { call } from "../http/http";
import { isTold, setAside } from "./aside";
import { tell } from "./end-news";
import { type Box, takeOut, waitingFor } from "./outbox";

/** What becomes of events as they are sent. */
interface Sending {
  readonly answered: () => void;
  readonly refused: (problem: Problem, event: EndEvent) => void | Promise<void>;
  /** After each try: whether the server could not be reached. */
  readonly reached: (offline: boolean) => void;
}

/** Failures that say nothing about the event: it waits and is sent again. */
const waits = ({ code }: Problem): boolean => code === "no-session" || STATUS_OF[code] >= 500;

/**
 * Sends what waits for an end, one at a time in the order it was made.
 * @returns true when nothing waits any more, false when the server could not take it now.
 */
export async function sendWaiting(
  box: Box,
  end: EndId,
  { answered, refused, reached }: Sending,
): Promise<boolean> {
  for (let [next] = waitingFor(box, end); next; [next] = waitingFor(box, end)) {
    const { id, client, after, by, event } = next;
    const answer = await call("post /ends/{id}/events", {
      params: { id: end },
      body: {
        by,
        ...z.encode(zAdd, { client, after, events: [{ id, event }] }),
      },
    });
    reached(!answer.ok && waits(answer.problem));
    if (!answer.ok && waits(answer.problem)) return false;
    if (!answer.ok && isTold(event)) setAside(box, end, next, answer.problem);
    else takeOut(box, end, id);
    if (answer.ok) {
      tell(end, answer.value.events);
      answered();
    } else await refused(answer.problem, event);
  }
  return true;
}

/** Why an event was not stored, in words that name what was typed. */
export const refusalText = (problem: Problem, event: EndEvent): string =>
  event.kind === "reading"
    ? t("reading-was-not-stored-it-is", { typed: event.typed, message: problem.message })
    : isTold(event)
      ? t("it-is-set-aside", { message: problem.message })
      : problem.message;
