import { endsAtBench, startEnd } from "@/service/ends";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../answer";

export async function GET() {
  return answer(() => endsAtBench(theStore()));
}

export async function POST(request: Request) {
  return answer(async () => startEnd(theStore(), await jsonBody(request)), 201);
}
