import { check, zAddMany, zMembersAnswer } from "@/core";
import { addToBatch, batchEvents } from "@/service/end/batches";
import { theStore } from "@/service/the-store";
import { acting } from "../../../acting";
import { answerAs } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** What happened to each end of a batch; with `seen`, only what is new, of the ends that have any. */
export const GET = (request: Request, { params }: Context) =>
  answerAs(zMembersAnswer, async () => ({
    ends: batchEvents(theStore(), (await params).id, Object.fromEntries(new URL(request.url).searchParams)),
  }));

/** Adds events to several ends at once, all or none. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(zMembersAnswer, async () => {
    const { act, input } = await acting(request);
    return { ends: addToBatch(act, (await params).id, check(zAddMany, input)) };
  });
