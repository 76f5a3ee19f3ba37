import { InputError } from "@/core";
import { say } from "@/messages/service";
import { printRecords } from "@/paper/paper-thread";
import { ledgerForPaper, ledgerPieces } from "@/service/ledger/ledger";
import { theStore } from "@/service/the-store";
import { failure, inTurns, pdf, streamed } from "../../answer";

/** The ledger as a file: `format=csv`, `format=json` or `format=pdf`, with the ledger's own filters. */
export async function GET(request: Request) {
  const { format = "json", ...query } = Object.fromEntries(new URL(request.url).searchParams);
  try {
    if (format === "json")
      return streamed(ledgerPieces(theStore(), format, query), { "content-type": "application/json" });
    if (format === "csv")
      return streamed(ledgerPieces(theStore(), format, query), {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="arlent-ledger.csv"',
      });
    if (format !== "pdf")
      throw new InputError("unknown-format", say("the-ledger-comes-as-csv-json-or"), ["format"]);
    return pdf(await printRecords(inTurns(ledgerForPaper(theStore(), query))), "arlent-ledger.pdf");
  } catch (error) {
    return failure(error);
  }
}
