import { getEnd } from "@/service/ends";
import { endRecord } from "@/service/record";
import { theStore } from "@/service/the-store";
import { answer } from "../../../../answer";

/** One end's record as JSON, millimetres. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => endRecord(getEnd(theStore(), (await params).id)));
}
