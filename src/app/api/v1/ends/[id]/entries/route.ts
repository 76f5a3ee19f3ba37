import { addEntries } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => ({
    entries: addEntries(theStore(), (await params).id, await jsonBody(request)),
  }));
}
