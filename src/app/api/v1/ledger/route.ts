import { InputError } from "@/core";
import { ledgerCsv, ledgerForPaper, ledgerJson } from "@/service/ledger";
import { photosOf } from "@/service/photos";
import { recordJson } from "@/service/record";
import { theStore } from "@/service/the-store";
import { printRecords } from "@/ui/paper/paper-thread";
import { answer, failure, pdf } from "../../answer";

/** The ledger as a file: `format=csv`, `format=json` or `format=pdf`, with the ledger's own filters. */
export async function GET(request: Request) {
  const { format = "json", ...query } = Object.fromEntries(new URL(request.url).searchParams);
  if (format === "json") return answer(() => ledgerJson(theStore(), query));
  try {
    if (format === "pdf") {
      const ends = ledgerForPaper(theStore(), query);
      const records = ends.map(({ record }) => recordJson(record));
      const sheets = new Map(ends.map(({ record, sheet }) => [record.id, sheet]));
      return pdf(await printRecords(records, photosOf(theStore(), records), sheets), "arlent-ledger.pdf");
    }
    if (format !== "csv")
      throw new InputError("unknown-format", "The ledger comes as csv, json or pdf.", ["format"]);
    return new Response(ledgerCsv(theStore(), query), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="arlent-ledger.csv"',
        "cache-control": "no-store",
      },
    });
  } catch (error) {
    return failure(error);
  }
}
