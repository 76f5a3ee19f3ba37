import { check, zAdd, zEventsAnswer } from "@/core";
import { addEvents } from "@/service/end/ends";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

/** Adds events to an end, all or none. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zEventsAnswer, async () => {
    const { act, input } = await acting(request);
    return { events: addEvents(act, (await params).id, check(zAdd, input)) };
  });
