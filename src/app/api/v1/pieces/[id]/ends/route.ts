import { zAheadAnswer, zBegunAnswer } from "@/core";
import { aheadAtPlace, beginPlaces } from "@/service/job/places";
import { theStore } from "@/service/the-store";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

type Context = { params: Promise<{ id: string }> };

/** What begins at a place of a piece. */
export const GET = (request: Request, { params }: Context) =>
  answerAs(zAheadAnswer, async () =>
    aheadAtPlace(theStore(), (await params).id, Object.fromEntries(new URL(request.url).searchParams)),
  );

/** Begins the end at a place of a piece, or several of one side as a batch. */
export const POST = (request: Request, { params }: Context) =>
  answerAs(
    zBegunAnswer,
    async () => {
      const { act, input } = await acting(request);
      return beginPlaces(act, (await params).id, input);
    },
    201,
  );
