import { restoreRevision } from "@/service/shelf/shelf";
import { acting } from "../../../../../acting";
import { answer } from "../../../../../answer";
import { kindOf } from "../../../../../kind";

/** An earlier revision becomes the newest again. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string; id: string }> }) {
  return answer(async () => {
    const { kind, id } = await params;
    const { act, input } = await acting(request);
    return restoreRevision(act, kindOf(kind), id, input);
  }, 201);
}
