import { putAway } from "@/service/shelf/shelf";
import { acting } from "../../../../../acting";
import { answer } from "../../../../../answer";
import { kindOf } from "../../../../../kind";

/** A document of the user's own is put away. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) {
  return answer(async () => {
    const { kind, id } = await params;
    const { act, input } = await acting(request);
    return putAway(act, kindOf(kind), id, input);
  }, 201);
}
