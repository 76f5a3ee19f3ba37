import { recordNow } from "@/service/clock";
import { addFeeder, getFeeder, getFeeders, saveFeeder } from "@/service/job/feeders";
import { shareReference, usableReferences } from "@/service/workshop/light-references";
import type { Handlers, Under } from "../handler";

export const LIGHT_HANDLERS: Handlers<Under<"/feeders"> | Under<"/light"> | Under<"/jobs/{id}/feeders">> = {
  "get /jobs/{id}/feeders": ({ store, params }) => ({ feeders: getFeeders(store, params.id) }),
  "post /jobs/{id}/feeders": ({ act, params, body }) => addFeeder(act, params.id, body),
  "get /feeders/{id}": ({ store, params }) => getFeeder(store, params.id),
  "post /feeders/{id}": ({ act, params, body }) => saveFeeder(act, params.id, body),
  "get /light/references": ({ store }) => ({ references: usableReferences(store, recordNow(store)) }),
  "post /light/references": ({ act, body }) => shareReference(act, body),
};
