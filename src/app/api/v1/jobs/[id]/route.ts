import { zJobAnswer, zPiecesAnswer } from "@/core";
import { addPieces, getJob } from "@/service/jobs";
import { theStore } from "@/service/the-store";
import { acting } from "../../../acting";
import { answerAs } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** A job with its pieces. */
export const GET = (_: Request, { params }: Context) =>
  answerAs(zJobAnswer, async () => getJob(theStore(), (await params).id));

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
