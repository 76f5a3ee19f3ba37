import { zClosure, zClosuresAnswer } from "@/core";
import { addClosure, getClosures } from "@/service/job/closures";
import { theStore } from "@/service/the-store";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

type Context = { params: Promise<{ id: string }> };

/** Closures of a job. */
export const GET = (_: Request, { params }: Context) =>
  answerAs(zClosuresAnswer, async () => ({ closures: getClosures(theStore(), (await params).id) }));

/** Adds a closure to a job. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(
    zClosure,
    async () => {
      const { act, input } = await acting(request);
      return addClosure(act, (await params).id, input);
    },
    201,
  );
