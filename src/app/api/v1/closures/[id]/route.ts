import { zClosureAnswer, zRevisionAnswer } from "@/core";
import { getClosure, saveClosure } from "@/service/job/closures";
import { theStore } from "@/service/the-store";
import { acting } from "../../../acting";
import { answerAs } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** A closure with how each of its cables stands. */
export const GET = (_: Request, { params }: Context) =>
  answerAs(zClosureAnswer, async () => getClosure(theStore(), (await params).id));

/** Keeps a change of a closure, or takes it off its job. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(zRevisionAnswer, async () => {
    const { act, input } = await acting(request);
    return saveClosure(act, (await params).id, input);
  });
