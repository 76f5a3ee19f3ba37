import { zPieceAnswer, zRevisionAnswer } from "@/core";
import { savePlan } from "@/service/job/jobs";
import { getPiece } from "@/service/job/places";
import { theStore } from "@/service/the-store";
import { acting } from "../../../acting";
import { answerAs } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

/** A piece with how each of its places stands. */
export const GET = (_: Request, { params }: Context) =>
  answerAs(zPieceAnswer, async () => getPiece(theStore(), (await params).id));

/** Keeps a change of a piece's plan, or takes the piece off its job. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(zRevisionAnswer, async () => {
    const { act, input } = await acting(request);
    return savePlan(act, (await params).id, input);
  });
