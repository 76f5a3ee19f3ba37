import { theStore } from "@/service/the-store";
import { seeToBlade } from "@/service/tools";
import { answer, jsonBody } from "../../../answer";

/** A blade was wiped, turned or changed. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => seeToBlade(theStore(), (await params).id, await jsonBody(request)), 201);
}
