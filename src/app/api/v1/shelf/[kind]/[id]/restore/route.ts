import { restoreRevision } from "@/service/shelf";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../../../../answer";
import { kindOf } from "../../../../../kind";

/** An earlier revision becomes the newest again. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) {
  return answer(async () => {
    const { kind, id } = await params;
    return restoreRevision(theStore(), kindOf(kind), id, await jsonBody(request));
  }, 201);
}
