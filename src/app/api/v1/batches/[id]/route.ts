import { addToBatch, batchEntries } from "@/service/batches";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../../answer";

type Context = { params: Promise<{ id: string }> };

export async function GET(_request: Request, { params }: Context) {
  return answer(async () => ({ ends: batchEntries(theStore(), (await params).id) }));
}

/** Adds entries to several ends at once, all or none. */
export async function POST(request: Request, { params }: Context) {
  return answer(async () => ({
    ends: addToBatch(theStore(), (await params).id, await jsonBody(request)),
  }));
}
