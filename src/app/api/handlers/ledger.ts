import { printRecords } from "@/paper/paper-thread";
import { recordNow } from "@/service/clock";
import { runningTimers } from "@/service/end/timers";
import { yieldHere } from "@/service/insight/yield-here";
import { ledgerForPaper, ledgerPieces } from "@/service/ledger/ledger";
import { pulse } from "@/service/pulse";
import { aimsOf } from "@/service/workshop/aims";
import { addStudy, listStudies } from "@/service/workshop/studies";
import { blades, seeToBlade } from "@/service/workshop/tools";
import { inTurns, pdf, streamed } from "../answer";
import type { Handlers, Under } from "../handler";

type Keys =
  | Under<"/ledger">
  | Under<"/timers">
  | Under<"/aims">
  | Under<"/yields">
  | Under<"/studies">
  | Under<"/tools">
  | Under<"/pulse">;

export const LEDGER_HANDLERS: Handlers<Keys> = {
  "get /ledger": async ({ store, query: { format, ...query } }) => {
    if (format === "pdf")
      return pdf(await printRecords(inTurns(ledgerForPaper(store, query))), "arlent-ledger.pdf");
    const headers: Record<string, string> =
      format === "json"
        ? { "content-type": "application/json" }
        : {
            "content-type": "text/csv; charset=utf-8",
            "content-disposition": 'attachment; filename="arlent-ledger.csv"',
          };
    return streamed(ledgerPieces(store, format, query), headers);
  },
  "get /timers": ({ store }) => ({ now: recordNow(store).toISOString(), timers: runningTimers(store) }),
  "get /yields": ({ store, query }) => yieldHere(store, query),
  "get /aims": ({ store, query }) => aimsOf(store, query),
  "get /studies": ({ store }) => listStudies(store),
  "post /studies": ({ act, body }) => addStudy(act, body),
  "get /tools": ({ store }) => blades(store),
  "post /tools/{id}": ({ act, params, body }) => seeToBlade(act, params.id, body),
  "get /pulse": ({ store }) => pulse(store),
};
