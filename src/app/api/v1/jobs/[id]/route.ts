import { zJobAnswer, zPiecesAnswer } from "@/core";
import { addPieces, getJob } from "@/service/job/jobs";
import { theStore } from "@/service/the-store";
import { acting } from "../../../acting";
import { answerAs } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** A job with its pieces, a page at a time. */
export const GET = (request: Request, { params }: Context) =>
  answerAs(zJobAnswer, async () =>
    getJob(theStore(), (await params).id, Object.fromEntries(new URL(request.url).searchParams)),
  );

/** Adds pieces to a job, all or none. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(
    zPiecesAnswer,
    async () => {
      const { act, input } = await acting(request);
      return { pieces: addPieces(act, (await params).id, input) };
    },
    201,
  );
