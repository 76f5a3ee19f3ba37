import Database from "better-sqlite3";
import fc from "fast-check";
import { z } from "zod";
import { ROUTES, type Route } from "@/app/api/routes";
import { STATUS_OF } from "@/core";
import { fromSchema } from "./from-schema";

const zRefusal = z.strictObject({
  error: z.strictObject({
    code: z.enum(Object.keys(STATUS_OF) as [keyof typeof STATUS_OF]),
    message: z.string().min(1),
    key: z.string().min(1).optional(),
    params: z.record(z.string(), z.union([z.string(), z.number()])).optional(),
    path: z.array(z.union([z.string(), z.number()])),
    also: z.array(z.unknown()).optional(),
  }),
});

/** What a server answered to a route. */
export interface Answered {
  readonly status: number;
  readonly text: string;
  readonly type: string;
}

/** Why an answer is none its route says: neither done and by its schema, nor refused by the closed list. `null` where it is. */
export function unlikeItsPage(route: Route, { status, text, type }: Answered): string | null {
  const where = `${route.method} ${route.path}: ${status} ${text.slice(0, 200)}`;
  if (status >= 500) return where;
  if (status >= 400) {
    const refusal = zRefusal.safeParse(parsed(text));
    return refusal.success && STATUS_OF[refusal.data.error.code] === status ? null : where;
  }
  if (status !== (route.status ?? 200)) return where;
  if ("media" in route.answer)
    return route.answer.media.some((media) => type.startsWith(media)) ? null : `${where} ${type}`;
  const read = route.answer.safeParse(parsed(text));
  return read.success ? null : `${where} ${read.error.message.slice(0, 300)}`;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Ids of what is there, to be put into addresses and bodies. */
export interface Known {
  readonly ends: readonly string[];
  readonly batches: readonly string[];
  readonly people: readonly string[];
  readonly jobs: readonly string[];
  readonly pieces: readonly string[];
  readonly closures: readonly string[];
}

const NOWHERE = ["nowhere", "constructor", "%2e%2e", "%00", "x".repeat(400), "0".repeat(64)];

/** Routes that go through the whole record: asked seldom, so that what writes is asked more. */
const HEAVY = /^\/(backup|seal|record-check|ledger|ends\/\{id\}\/pdf|schema)/;
const HEAVY_EVERY = 40;

function idsFor(path: string, { ends, batches, people, jobs, pieces, closures }: Known): readonly string[] {
  if (path.startsWith("/batches")) return batches;
  if (path.startsWith("/people")) return people;
  if (path.startsWith("/jobs")) return jobs;
  if (path.startsWith("/pieces")) return pieces;
  if (path.startsWith("/closures")) return closures;
  if (path.startsWith("/tools")) return ["cleaver"];
  return path.startsWith("/shelf") ? ["simplex-3.0", "stub-cam-crimp-900"] : ends;
}

/** One request made up for a route. */
interface Asked {
  readonly id: string;
  readonly kind: string;
  readonly query: unknown;
  readonly body: unknown;
}

/** Requests for a route by its own schemas; ids are known ones more often than not. */
function requestsFor(route: Route, existing: Known): fc.Arbitrary<Asked> {
  const ids = idsFor(route.path, existing);
  const queries = route.query ? fromSchema(route.query) : fc.constant({});
  const bodies =
    route.body && !("media" in route.body) ? fromSchema(route.body) : fc.string({ maxLength: 300 });
  return fc.record({
    id: fc.oneof(
      { arbitrary: fc.constantFrom(...ids), weight: 8 },
      { arbitrary: fc.constantFrom(...NOWHERE), weight: 1 },
    ),
    kind: fc.constantFrom("procedures", "cables", "entries", "procedures", "cables", "toString"),
    query: queries,
    body: bodies,
  });
}

const queryText = (query: unknown): string => {
  if (typeof query !== "object" || query === null) return "";
  const pairs = Object.entries(query).map(([key, value]): [string, string] => [
    key,
    typeof value === "string" ? value : JSON.stringify(value),
  ]);
  return pairs.length > 0
    ? `?${new URLSearchParams(pairs.map(([key, value]) => [key, value.toWellFormed()]))}`
    : "";
};

export interface Fuzzed {
  readonly requests: number;
  readonly done: number;
  readonly refused: number;
  /** What went wrong, each with what was asked. */
  readonly wrong: readonly string[];
}

/** So many requests at most are made up for a route in one draw. */
const DRAWN = 50;

/**
 * Asks a running server what its routes' own schemas make up, one request after the other: each must be answered as its
 * page says, never by a fault of the server, and whatever is refused must have written nothing.
 * @param database the file it serves, looked at beside it.
 */
export async function fuzz(
  { url, database, known: ids }: { readonly url: string; readonly database: string; readonly known: Known },
  { requests, seed }: { readonly requests: number; readonly seed: number },
  onProgress: (askedAt: number) => void = () => undefined,
): Promise<Fuzzed> {
  const beside = new Database(database, { readonly: true });
  // Another number as soon as any other connection has written to the file.
  const version = () => beside.pragma("data_version", { simple: true });
  const routes = ROUTES.map((route) => ({ route, requests: requestsFor(route, ids), drawn: [] as Asked[] }));
  // No more than will be asked: a draw costs about as much as an answer.
  const numRuns = Math.min(DRAWN, Math.ceil(requests / routes.length) + 1);
  const wrong: string[] = [];
  let done = 0;
  let askedAt = 0;
  for (let round = 0; askedAt < requests; round++)
    for (const [at, first] of routes.entries()) {
      if (askedAt >= requests) break;
      if (HEAVY.test(first.route.path) && round % HEAVY_EVERY !== 0) continue;
      if (first.drawn.length === 0)
        first.drawn = fc.sample(first.requests, { numRuns, seed: seed + at * 7_919 + round });
      const request = first.drawn.pop();
      if (!request) continue;
      const before = version();
      const answer = await ask(url, first.route, request);
      const odd =
        unlikeItsPage(first.route, answer) ??
        (answer.status >= 400 && version() !== before ? "refused, and something was written" : null);
      if (odd) wrong.push(`${odd}\n  asked: ${JSON.stringify(request).slice(0, 600)}`);
      if (answer.status < 400) done += 1;
      askedAt += 1;
      onProgress(askedAt);
    }
  beside.close();
  return { requests: askedAt, done, refused: askedAt - done, wrong };
}

async function ask(url: string, route: Route, { id, kind, query, body }: Asked): Promise<Answered> {
  const path = route.path.replace("{id}", id).replace("{kind}", kind).replace("{sha256}", id);
  const media = route.body && "media" in route.body ? route.body.media[0] : undefined;
  const answer = await fetch(`${url}/api/v1${path}${queryText(query)}`, {
    method: route.method,
    ...(route.method === "post"
      ? {
          headers: { "content-type": media ?? "application/json" },
          body: media ? String(body) : JSON.stringify(body),
        }
      : {}),
  });
  return {
    status: answer.status,
    text: await answer.text(),
    type: answer.headers.get("content-type") ?? "",
  };
}
