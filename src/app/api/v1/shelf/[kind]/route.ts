import { saveDocument } from "@/service/shelf/shelf";
import { acting } from "../../../acting";
import { answer } from "../../../answer";
import { kindOf } from "../../../kind";

/** Keeps a document as the next revision of the user's own. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string }> }) {
  return answer(async () => {
    const { act, input } = await acting(request);
    return saveDocument(act, kindOf((await params).kind), input);
  }, 201);
}
