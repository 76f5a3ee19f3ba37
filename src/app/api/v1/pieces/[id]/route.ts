import { zRevisionAnswer } from "@/core";
import { savePlan } from "@/service/jobs";
import { acting } from "../../../acting";
import { answerAs } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** Keeps a change of a piece's plan, or takes the piece off its job. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(zRevisionAnswer, async () => {
    const { act, input } = await acting(request);
    return savePlan(act, (await params).id, input);
  });
