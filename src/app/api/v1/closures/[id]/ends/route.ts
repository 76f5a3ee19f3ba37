import { zAheadAnswer, zBegunAnswer } from "@/core";
import { aheadInClosure, beginClosure } from "@/service/job/begin-closure";
import { theStore } from "@/service/the-store";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

type Context = { params: Promise<{ id: string }> };

/** What begins for a cable of a closure. */
export const GET = (request: Request, { params }: Context) =>
  answerAs(zAheadAnswer, async () =>
    aheadInClosure(theStore(), (await params).id, Object.fromEntries(new URL(request.url).searchParams)),
  );

/** Begins a cable of a closure, or several like ones as a batch. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(
    zBegunAnswer,
    async () => {
      const { act, input } = await acting(request);
      return beginClosure(act, (await params).id, input);
    },
    201,
  );
