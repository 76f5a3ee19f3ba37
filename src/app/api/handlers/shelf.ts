import { InputError, jsonSchemas } from "@/core";
import { say } from "@/messages/service";
import { confirmFigures, documentText, putAway, restoreRevision, saveDocument } from "@/service/shelf/shelf";
import type { Handlers, Under } from "../handler";
import { kindOf } from "../kind";

export const SHELF_HANDLERS: Handlers<Under<"/shelf"> | Under<"/schema">> = {
  "post /shelf/{kind}": ({ act, params, body }) => saveDocument(act, kindOf(params.kind), body),
  "get /shelf/{kind}/{id}": ({ store, params, query }) => {
    const text = documentText(store, kindOf(params.kind), params.id, query.revision);
    const name = String(JSON.parse(text).id).replaceAll(/[^a-z0-9.-]/g, "");
    return new Response(text, {
      headers: {
        "content-type": "application/json; charset=utf-8",
        "content-disposition": `attachment; filename="${name}.json"`,
        "cache-control": "no-store",
      },
    });
  },
  "post /shelf/{kind}/{id}/figures": ({ act, params, body }) => {
    if (kindOf(params.kind) !== "procedure")
      throw new InputError("not-found", say("figures-can-be-confirmed-for-procedures-only"));
    return confirmFigures(act, params.id, body);
  },
  "post /shelf/{kind}/{id}/restore": ({ act, params, body }) =>
    restoreRevision(act, kindOf(params.kind), params.id, body),
  "post /shelf/{kind}/{id}/away": ({ act, params, body }) =>
    putAway(act, kindOf(params.kind), params.id, body),
  "get /schema/{kind}": ({ params }) =>
    Response.json(jsonSchemas()[kindOf(params.kind)], { headers: { "cache-control": "no-store" } }),
};
