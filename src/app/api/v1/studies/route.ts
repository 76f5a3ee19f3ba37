import { addStudy, studies } from "@/service/studies";
import { theStore } from "@/service/the-store";
import { answer, jsonBody } from "../../answer";

export async function GET() {
  return answer(() => studies(theStore()));
}

export async function POST(request: Request) {
  return answer(async () => addStudy(theStore(), await jsonBody(request)), 201);
}
