import { addToBatch, batchEvents, startBatch } from "@/service/end/batches";
import { benchPage } from "@/service/end/bench-page";
import { addEvents, newEvents, startEnd } from "@/service/end/ends";
import { addPhoto, PHOTO_LIMIT, photoOf } from "@/service/end/photos";
import { endRecord } from "@/service/end/record";
import { onPaper } from "@/service/ledger/ledger";
import { proofToAttach } from "@/service/proof/prove";
import { printRecords } from "@/worker/paper-beside";
import { bytesBody, inTurns, pdf } from "../answer";
import type { Handlers, Under } from "../handler";

export const END_HANDLERS: Handlers<Under<"/ends"> | Under<"/batches"> | Under<"/photos">> = {
  "get /ends": ({ store, query }) => benchPage(store, query),
  "post /ends": ({ act, body }) => startEnd(act, body),
  "get /ends/{id}": ({ store, params, query }) => ({ events: newEvents(store, params.id, query.after) }),
  "post /ends/{id}/events": ({ act, params, body }) => ({ events: addEvents(act, params.id, body) }),
  "get /ends/{id}/record": ({ store, params }) => endRecord(store, params.id),
  "get /ends/{id}/pdf": async ({ store, params, query }) => {
    const paper = onPaper(store, params.id, query.form);
    const { id } = paper.record;
    const proof = await proofToAttach(store, id, new Date());
    return pdf(await printRecords(inTurns([{ ...paper, proof }].values())), `arlent-${id}.pdf`);
  },
  "post /ends/{id}/photos": async ({ act, params, query, request }) => ({
    events: await addPhoto(act, params.id, query, await bytesBody(request, PHOTO_LIMIT)),
  }),
  "get /photos/{sha256}": async ({ store, params }) => {
    const { bytes, type } = await photoOf(store, params.sha256);
    return new Response(new Uint8Array(bytes), {
      headers: {
        "content-type": `image/${type}`,
        "cache-control": "private, max-age=31536000, immutable",
        "x-content-type-options": "nosniff",
      },
    });
  },
  "post /batches": ({ act, body }) => startBatch(act, body),
  "get /batches/{id}": ({ store, params, query }) => ({ ends: batchEvents(store, params.id, query) }),
  "post /batches/{id}": ({ act, params, body }) => ({ ends: addToBatch(act, params.id, body) }),
};
