import { InputError } from "@/core";
import { ledgerCsv, ledgerJson } from "@/service/ledger";
import { theStore } from "@/service/the-store";
import { answer, failure } from "../../answer";

/** The ledger as a file: `format=csv` or `format=json`, with the ledger's own filters. */
export async function GET(request: Request) {
  const { format = "json", ...query } = Object.fromEntries(new URL(request.url).searchParams);
  if (format === "json") return answer(() => ledgerJson(theStore(), query));
  try {
    if (format !== "csv")
      throw new InputError("unknown-format", "The ledger comes as csv or json.", ["format"]);
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
