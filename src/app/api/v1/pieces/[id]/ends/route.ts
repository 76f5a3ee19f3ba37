import { zBegunAnswer } from "@/core";
import { beginPlaces } from "@/service/places";
import { acting } from "../../../../acting";
import { answerAs } from "../../../../answer";

type Context = { params: Promise<{ id: string }> };

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
