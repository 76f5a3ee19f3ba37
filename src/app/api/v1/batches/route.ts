import { startBatch } from "@/service/batches";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../answer";

export async function POST(request: Request) {
  return answer(async () => startBatch(theStore(), await jsonBody(request)), 201);
}
