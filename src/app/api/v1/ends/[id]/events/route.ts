import { check, zAdd, zEventsAnswer } from "@/core";
import { addEvents } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { answerAs, jsonBody } from "../../../../answer";

/** Adds events to an end, all or none. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zEventsAnswer, async () => {
    const events = check(zAdd, await jsonBody(request));
    return { events: addEvents(theStore(), (await params).id, events) };
  });
