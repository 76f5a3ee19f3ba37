import { endRecord, recordJson } from "@/service/end/record";
import { theStore } from "@/service/the-store";
import { answer } from "../../../../answer";

/** One end's record as JSON, millimetres. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answer(async () => recordJson(endRecord(theStore(), (await params).id)));
}
