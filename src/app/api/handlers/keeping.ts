import type { Readable } from "node:stream";
import { backupName, backupStream } from "@/service/keeping/backup";
import { checkSignedSeal, newestSeals, signedSealIn } from "@/service/keeping/kept-seals";
import { checkRecord } from "@/service/keeping/record-check";
import { scheduled } from "@/service/keeping/schedule";
import { checkSeal, makeSeal } from "@/service/keeping/seal";
import { growthSince } from "@/service/proof/growth";
import { proofName, proofStream } from "@/service/proof/prove";
import { mustBeOwnSite } from "../answer";
import type { Handlers, Under } from "../handler";
import { openApi } from "../openapi";

type Keys = Under<"/proof"> | Under<"/seal"> | Under<"/record-check"> | Under<"/backup"> | Under<"/openapi">;

/** A stream of the server as a response sends it, read only as fast as the client takes it. */
const asWebStream = (stream: Readable): ReadableStream<Uint8Array> => {
  const chunks = stream[Symbol.asyncIterator]();
  return new ReadableStream({
    async pull(controller) {
      const { done, value } = await chunks.next();
      if (done) controller.close();
      else controller.enqueue(value);
    },
    async cancel() {
      await chunks.return?.();
    },
  });
};

export const KEEPING_HANDLERS: Handlers<Keys> = {
  "get /seal/latest": ({ store }) => ({ seal: newestSeals(store.$client.name, 1).at(-1)?.text ?? null }),
  "get /seal/growth": ({ store, query }) => growthSince(store, query.lines, new Date()),
  "get /proof": ({ store, query, request }) => {
    mustBeOwnSite(request);
    const at = new Date();
    return new Response(asWebStream(proofStream(store, query, at)), {
      headers: {
        "content-type": "application/x-tar",
        "content-disposition": `attachment; filename="${proofName(query, at)}"`,
        "cache-control": "no-store",
      },
    });
  },
  "get /seal": ({ store }) => makeSeal(store),
  "post /seal": ({ store, body }) => {
    const signed = signedSealIn(body.seal);
    return { findings: signed ? checkSignedSeal(store, signed) : checkSeal(store, body.seal) };
  },
  "get /record-check": ({ store, query }) => checkRecord(store, query),
  "get /backups": () => scheduled(),
  "get /backup": async ({ store, request }) => {
    mustBeOwnSite(request);
    const at = new Date();
    return new Response(asWebStream(await backupStream(store, at)), {
      headers: {
        "content-type": "application/x-tar",
        "content-disposition": `attachment; filename="${backupName(at)}"`,
        "cache-control": "no-store",
      },
    });
  },
  "get /openapi": () => Response.json(openApi(), { headers: { "cache-control": "no-store" } }),
};
