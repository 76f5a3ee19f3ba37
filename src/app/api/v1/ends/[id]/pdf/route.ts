import { getEnd } from "@/service/ends";
import { photosOf } from "@/service/photos";
import { endRecord, recordJson } from "@/service/record";
import { theStore } from "@/service/the-store";
import { printRecords } from "@/ui/paper/paper-thread";
import { failure, pdf } from "../../../../answer";

/** One end's record as a PDF. */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  try {
    const end = getEnd(theStore(), (await params).id);
    const record = recordJson(endRecord(theStore(), end.id));
    const sheets = new Map([[record.id, end.sheet]]);
    return pdf(
      await printRecords([record], photosOf(theStore(), [record]), sheets),
      `arlent-${record.id}.pdf`,
    );
  } catch (error) {
    return failure(error);
  }
}
