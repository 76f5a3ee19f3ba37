import { zEventsAnswer } from "@/core";
import { addPhoto, PHOTO_LIMIT } from "@/service/photos";
import { theStore } from "@/service/the-store";
import { answerAs, bytesBody } from "../../../../answer";

/** A photograph's bytes as the body; who sends it and its caption in the query. */
export const POST = (request: Request, { params }: { params: Promise<{ id: string }> }) => {
  const query = Object.fromEntries(new URL(request.url).searchParams);
  return answerAs(zEventsAnswer, async () => ({
    events: await addPhoto(theStore(), (await params).id, query, await bytesBody(request, PHOTO_LIMIT)),
  }));
};
