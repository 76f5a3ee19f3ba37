import { zEventsAnswer } from "@/core";
import { addPhoto, PHOTO_LIMIT } from "@/service/end/photos";
import { actingByAddress } from "../../../../acting";
import { answerAs, bytesBody } from "../../../../answer";

/** A photograph's bytes as the body; who sends it and its caption in the query. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) =>
  answerAs(zEventsAnswer, async () => {
    const { act, input } = actingByAddress(request);
    return { events: await addPhoto(act, (await params).id, input, await bytesBody(request, PHOTO_LIMIT)) };
  });
