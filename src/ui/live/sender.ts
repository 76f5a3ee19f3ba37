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
  /** After each try: who is away, if anybody. */
  readonly reached: (away: Away) => void;
}

/** Who must come back before what waits can be stored: the server, or a person who has to sign in; null where it goes on. */
export type Away = "server" | "person" | null;

/** Who is away by a failure that says nothing about the event: it waits and is sent again. */
function awayBy({ code }: Problem): Away {
  if (code === "signed-out") return "person";
  return code === "no-session" || STATUS_OF[code] >= 500 ? "server" : null;
}

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
    const away = answer.ok ? null : awayBy(answer.problem);
    reached(away);
    if (away) return false;
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
