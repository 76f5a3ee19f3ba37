import { InputError, problemOf, STATUS_OF } from "@/core";
import { say } from "@/messages/service";
import { troubleOf } from "@/service/the-store";

/** The largest body taken: far above anything a bench or a planner sends. */
export const BODY_LIMIT = 512 * 1024;

/** Answers JSON; bad input becomes `{error:{code,message,path}}` with a fitting status, anything else a plain 500. */
export async function answer(work: () => unknown | Promise<unknown>, status = 200): Promise<Response> {
  try {
    return Response.json(await work(), { status, headers: { "cache-control": "no-store" } });
  } catch (error) {
    return failure(error);
  }
}

/** A PDF file under a name of our own making. */
export const pdf = (bytes: Uint8Array, name: string): Response =>
  new Response(new Uint8Array(bytes), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="${name}"`,
      "cache-control": "no-store",
    },
  });

/** So long at most is worked at a piece before others have their turn, milliseconds. */
const TURN_MS = 8;

const turn = () => new Promise((next) => setImmediate(next));

/** Takes what is ready of a long work within one turn. @returns it, and whether that was all. */
function oneTurn<T>(pieces: Iterator<T>): { readonly ready: readonly T[]; readonly ended: boolean } {
  const until = performance.now() + TURN_MS;
  const ready: T[] = [];
  while (performance.now() < until) {
    const piece = pieces.next();
    if (piece.done) return { ready, ended: true };
    ready.push(piece.value);
  }
  return { ready, ended: false };
}

/** A long work piece by piece, worked at in turns with whatever else the server is asked. */
export async function* inTurns<T>(pieces: Iterator<T>): AsyncGenerator<T> {
  for (;;) {
    await turn();
    const { ready, ended } = oneTurn(pieces);
    yield* ready;
    if (ended) return;
  }
}

/** A text sent piece by piece as it is taken: none of it is held, and other requests have their turn between. */
export function streamed(pieces: Iterator<string>, headers: Readonly<Record<string, string>>): Response {
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      await turn();
      const { ready, ended } = oneTurn(pieces);
      if (ready.length > 0) controller.enqueue(encoder.encode(ready.join("")));
      if (ended) controller.close();
    },
    cancel() {
      pieces.return?.();
    },
  });
  return new Response(body, { headers: { "cache-control": "no-store", ...headers } });
}

/** The response for something thrown. */
export function failure(error: unknown): Response {
  const problem = problemOf(error) ?? troubleOf(error)?.problem;
  if (problem) return Response.json({ error: problem }, { status: STATUS_OF[problem.code] });
  console.error(error);
  const message =
    "Something went wrong in Arlent on the server. Check whether the change was made before you try again.";
  return Response.json({ error: { code: "server", message, path: [] } }, { status: 500 });
}

/**
 * The JSON body of a request from this same site.
 * @throws InputError: from another site, not JSON, or over the limit (read no further than that).
 */
export async function jsonBody(request: Request, limit = BODY_LIMIT): Promise<unknown> {
  mustBeOwnSite(request);
  if (!/^application\/json\b/i.test(request.headers.get("content-type") ?? ""))
    throw new InputError("not-json-type", say("send-json-with-content-type-application-json"));
  const text = (await limitedBody(request, limit)).toString("utf8");
  try {
    return JSON.parse(text);
  } catch (cause) {
    throw new InputError(
      "not-json",
      text.trim() === "" ? say("the-body-is-empty-send-json") : say("the-body-is-not-json"),
      [],
      { cause },
    );
  }
}

/**
 * The bytes of a request from this same site, at most so many.
 * @throws InputError: from another site, or over the limit (read no further than that).
 */
export async function bytesBody(request: Request, limit: number): Promise<Buffer> {
  mustBeOwnSite(request);
  return limitedBody(request, limit);
}

/**
 * Another site may have a browser ask, and not for what is long to make.
 * @throws InputError `foreign-origin`, by the request's origin or, where a browser says it, by the site it came from.
 */
export function mustBeOwnSite(request: Request): void {
  const origin = request.headers.get("origin");
  const site = request.headers.get("sec-fetch-site");
  if ((origin && hostOf(origin) !== request.headers.get("host")) || site === "cross-site")
    throw new InputError("foreign-origin", say("this-request-comes-from-another-site"));
}

async function limitedBody(request: Request, limit: number): Promise<Buffer> {
  const tooLarge = new InputError("too-large", say("the-body-must-be-at-most-kb", { value: limit / 1024 }));
  if (Number(request.headers.get("content-length") ?? 0) > limit) throw tooLarge;
  const chunks: Uint8Array[] = [];
  let size = 0;
  if (request.body === null) return Buffer.alloc(0);
  for await (const chunk of request.body) {
    size += chunk.byteLength;
    if (size > limit) throw tooLarge;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

const hostOf = (origin: string): string | null => (URL.canParse(origin) ? new URL(origin).host : null);
