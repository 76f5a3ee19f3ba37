import { putAway } from "@/service/shelf";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../../../../answer";
import { kindOf } from "../../../../../kind";

/** A document of the user's own is put away. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) {
  return answer(async () => {
    const { kind, id } = await params;
    return putAway(theStore(), kindOf(kind), id, await jsonBody(request));
  }, 201);
}
