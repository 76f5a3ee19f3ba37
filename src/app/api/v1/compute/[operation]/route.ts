import { computeBeside } from "@/worker/compute-beside";
import { answer, jsonBody } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ operation: string }> }) {
  return answer(async () => computeBeside((await params).operation, await jsonBody(request)));
}
