import { saveDocument } from "@/service/shelf";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../../answer";
import { kindOf } from "../../../kind";

/** Keeps a document as the next revision of the user's own. */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string }> }) {
  return answer(
    async () => saveDocument(theStore(), kindOf((await params).kind), await jsonBody(request)),
    201,
  );
}
