import { addPhoto, PHOTO_LIMIT } from "@/service/photos";
import { theStore } from "@/service/the-store";
import { answer, bytesBody } from "../../../../answer";

/** A photograph's bytes as the body; who sends it and its caption in the query. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const query = Object.fromEntries(new URL(request.url).searchParams);
  return answer(async () => ({
    entries: await addPhoto(theStore(), (await params).id, query, await bytesBody(request, PHOTO_LIMIT)),
  }));
}
