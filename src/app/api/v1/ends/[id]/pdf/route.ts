import { check, drawnEnd, endState } from "@/core";
import { printRecords } from "@/paper/paper-thread";
import { getEnd } from "@/service/end/ends";
import { photosOf } from "@/service/end/photos";
import { endRecord, recordJson } from "@/service/end/record";
import { zPdfQuery } from "@/service/ledger/ledger";
import { theStore } from "@/service/the-store";
import { failure, inTurns, pdf } from "../../../../answer";

/** One end's record as a PDF: the whole log, or one page. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  try {
    const { form } = check(zPdfQuery, Object.fromEntries(new URL(request.url).searchParams));
    const end = getEnd(theStore(), (await params).id);
    const record = recordJson(endRecord(theStore(), end.id));
    const paper = {
      record,
      sheet: drawnEnd(end.sheet, endState(end.events), end.rule).sheet,
      photos: photosOf(theStore(), [record]),
      form,
    };
    return pdf(await printRecords(inTurns([paper].values())), `arlent-${record.id}.pdf`);
  } catch (error) {
    return failure(error);
  }
}
