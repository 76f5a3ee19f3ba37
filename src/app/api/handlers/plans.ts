import { aheadInClosure, beginClosure } from "@/service/job/begin-closure";
import { addClosureEvents, getClosureEvents } from "@/service/job/closure-events";
import { closureCsv, closureRecordOf } from "@/service/job/closure-record";
import { addClosure, getClosure, getClosures, saveClosure } from "@/service/job/closures";
import { getJobPlan, openJobPlan } from "@/service/job/job-plan";
import { addPieces, getJob, jobsPage, newJob, savePlan } from "@/service/job/jobs";
import { linkOf } from "@/service/job/link";
import { aheadAtPlace, beginPlaces, getPiece } from "@/service/job/places";
import { onPaper } from "@/service/ledger/ledger";
import { printRecords } from "@/worker/paper-beside";
import { inTurns, pdf } from "../answer";
import type { Handlers, Under } from "../handler";

export const PLAN_HANDLERS: Handlers<
  | Exclude<Under<"/jobs">, Under<"/jobs/{id}/feeders"> | Under<"/jobs/{id}/print">>
  | Under<"/plans">
  | Under<"/pieces">
  | Under<"/closures">
> = {
  "get /jobs/{id}/plan": ({ store, params }) => getJobPlan(store, params.id),
  "post /plans": ({ act, body }) => openJobPlan(act, body),
  "get /jobs": ({ store, query }) => jobsPage(store, query),
  "post /jobs": ({ act, body }) => newJob(act, body),
  "get /jobs/{id}": ({ store, params, query }) => getJob(store, params.id, query),
  "post /jobs/{id}": ({ act, params, body }) => ({ pieces: addPieces(act, params.id, body) }),
  "get /jobs/{id}/closures": ({ store, params }) => ({ closures: getClosures(store, params.id) }),
  "post /jobs/{id}/closures": ({ act, params, body }) => addClosure(act, params.id, body),
  "get /pieces/{id}": ({ store, params }) => getPiece(store, params.id),
  "post /pieces/{id}": ({ act, params, body }) => savePlan(act, params.id, body),
  "get /pieces/{id}/link": ({ store, params, query }) => linkOf(store, params.id, query),
  "get /pieces/{id}/ends": ({ store, params, query }) => aheadAtPlace(store, params.id, query),
  "post /pieces/{id}/ends": ({ act, params, body }) => beginPlaces(act, params.id, body),
  "get /closures/{id}": ({ store, params }) => getClosure(store, params.id),
  "post /closures/{id}": ({ act, params, body }) => saveClosure(act, params.id, body),
  "get /closures/{id}/record": ({ store, params }) => closureRecordOf(store, params.id),
  "get /closures/{id}/file": async ({ store, params, query }) => {
    const closure = closureRecordOf(store, params.id);
    if (query.format === "pdf") {
      const ends = closure.cables.flatMap(({ end }) => (end === null ? [] : [onPaper(store, end)]));
      return pdf(
        await printRecords(inTurns([{ closure }, ...ends].values())),
        `arlent-closure-${closure.id}.pdf`,
      );
    }
    return new Response(closureCsv(closure), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="arlent-closure-${closure.id}.csv"`,
        "cache-control": "no-store",
      },
    });
  },
  "get /closures/{id}/events": ({ store, params }) => ({ events: getClosureEvents(store, params.id) }),
  "post /closures/{id}/events": ({ act, params, body }) => ({
    events: addClosureEvents(act, params.id, body),
  }),
  "get /closures/{id}/ends": ({ store, params, query }) => aheadInClosure(store, params.id, query),
  "post /closures/{id}/ends": ({ act, params, body }) => beginClosure(act, params.id, body),
};
