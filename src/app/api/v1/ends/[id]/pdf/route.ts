import { getEnd } from "@/service/ends";
import { photosOf } from "@/service/photos";
import { endRecord, recordJson } from "@/service/record";
import { theStore } from "@/service/the-store";
import { printRecords } from "@/ui/paper/paper-thread";
import { failure, inTurns, pdf } from "../../../../answer";

/** One end's record as a PDF. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  try {
    const end = getEnd(theStore(), (await params).id);
    const record = recordJson(endRecord(theStore(), end.id));
    const paper = { record, sheet: end.sheet, photos: photosOf(theStore(), [record]) };
    return pdf(await printRecords(inTurns([paper].values())), `arlent-${record.id}.pdf`);
  } catch (error) {
    return failure(error);
  }
}
