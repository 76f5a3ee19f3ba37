import { recordNow } from "@/service/clock";
import { runningTimers } from "@/service/end/timers";
import { toolStandings } from "@/service/end/tool-standings";
import { insightCsv } from "@/service/insight/insight-csv";
import { yieldHere } from "@/service/insight/yield-here";
import { ledgerForPaper, ledgerPieces } from "@/service/ledger/ledger";
import { pulse } from "@/service/pulse";
import { aimsOf } from "@/service/workshop/aims";
import { addDrillResult, drillResultsOf, forgetDrills } from "@/service/workshop/drills";
import { lotsInUse, openLot } from "@/service/workshop/lots";
import { addStudy, listStudies } from "@/service/workshop/studies";
import { checkTool, takeBackCheck } from "@/service/workshop/tool-checks";
import { blades, seeToBlade } from "@/service/workshop/tools";
import { insightBeside } from "@/worker/insight-beside";
import { printRecords } from "@/worker/paper-beside";
import { inTurns, pdf, streamed } from "../answer";
import type { Handlers, Under } from "../handler";

type Keys =
  | Under<"/ledger">
  | Under<"/insight">
  | Under<"/timers">
  | Under<"/aims">
  | Under<"/yields">
  | Under<"/studies">
  | Under<"/tools">
  | Under<"/tool-checks">
  | Under<"/drills">
  | Under<"/lots">
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
  "get /insight": async ({ store, query: { format, ...query } }) => {
    const insight = await insightBeside(store, query);
    if (format === "json") return Response.json(insight);
    const headers = {
      "content-type": "text/csv; charset=utf-8",
      "content-disposition": 'attachment; filename="arlent-insight.csv"',
    };
    return new Response(insightCsv(insight), { headers });
  },
  "get /timers": ({ store }) => ({ now: recordNow(store).toISOString(), timers: runningTimers(store) }),
  "get /yields": ({ store, query }) => yieldHere(store, query),
  "get /aims": ({ store, query }) => aimsOf(store, query),
  "get /studies": ({ store }) => listStudies(store),
  "post /studies": ({ act, body }) => addStudy(act, body),
  "get /tools": ({ store }) => blades(store),
  "post /tools/{id}": ({ act, params, body }) => seeToBlade(act, params.id, body),
  "get /tool-checks": ({ store }) => ({
    tools: toolStandings(store, recordNow(store)),
    lots: lotsInUse(store),
  }),
  "post /tool-checks": ({ act, body }) => checkTool(act, body),
  "post /tool-checks/{id}/take-back": ({ act, params, body }) => takeBackCheck(act, params.id, body.id),
  "post /lots": ({ act, body }) => openLot(act, body),
  "get /drills": ({ store, query }) => ({ results: drillResultsOf(store, query.person) }),
  "post /drills": ({ act, body }) => addDrillResult(act, body),
  "post /drills/forget": ({ act }) => forgetDrills(act),
  "get /pulse": ({ store }) => pulse(store),
};
