import type { Readable } from "node:stream";
import { letDeviceIn, SESSION_COOKIE, SESSION_SECONDS } from "@/service/crew/crew";
import { addPerson, mergePerson, people, renamePerson } from "@/service/crew/people";
import { backupName, backupStream } from "@/service/keeping/backup";
import { checkRecord } from "@/service/keeping/record-check";
import { scheduled } from "@/service/keeping/schedule";
import { checkSeal, makeSeal } from "@/service/keeping/seal";
import { mustBeOwnSite } from "../answer";
import type { Handlers, Under } from "../handler";
import { openApi } from "../openapi";

type Keys =
  | Under<"/people">
  | Under<"/seal">
  | Under<"/record-check">
  | Under<"/backup">
  | Under<"/enter">
  | Under<"/openapi">;

/** The address of the client: the last one in X-Forwarded-For, which the nearest proxy or the server itself wrote. */
const addressOf = (headers: Headers): string =>
  headers.get("x-forwarded-for")?.split(",").at(-1)?.trim().slice(0, 60) ?? "";

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
  "get /people": ({ store }) => ({ people: people(store) }),
  "post /people": ({ act, body }) => ({ people: addPerson(act, body) }),
  "post /people/{id}/name": ({ act, params, body }) => ({ people: renamePerson(act, params.id, body) }),
  "post /people/{id}/merge": ({ act, params, body }) => ({ people: mergePerson(act, params.id, body) }),
  "get /seal": ({ store }) => makeSeal(store),
  "post /seal": ({ store, body }) => ({ findings: checkSeal(store, body.seal) }),
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
  /**
   * The session is kept in a cookie no page can read; it comes with a link followed from elsewhere (a traveller's code, a
   * message), and with nothing another site sends.
   */
  "post /enter": async ({ body, request }) => {
    const session = await letDeviceIn(process.env.ARLENT_CREW, body, addressOf(request.headers));
    const secure = request.headers.get("x-forwarded-proto") === "https" ? "; Secure" : "";
    return Response.json(
      { entered: true },
      {
        headers: {
          "cache-control": "no-store",
          "set-cookie": `${SESSION_COOKIE}=${session}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${SESSION_SECONDS}${secure}`,
        },
      },
    );
  },
  "get /openapi": () => Response.json(openApi(), { headers: { "cache-control": "no-store" } }),
};
