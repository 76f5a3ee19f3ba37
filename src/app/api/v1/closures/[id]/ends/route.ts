import { zBegunAnswer } from "@/core";
import { beginClosure } from "@/service/begin-closure";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

type Context = { params: Promise<{ id: string }> };

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
