import { compute } from "@/core";
import { answer, jsonBody } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ operation: string }> }) {
  return answer(async () => compute((await params).operation, await jsonBody(request)));
}
