import { z } from "zod";
import { API, type ApiKey, check, InputError, type RouteSpec, zBy } from "@/core";
import { say } from "@/messages/service";
import type { Act } from "@/service/act";
import { recordNow } from "@/service/clock";
import { actorOf } from "@/service/crew/allowed";
import { logUse } from "@/service/crew/log";
import { credentialsOf, identityOf } from "@/service/crew/session";
import { type Store, theStore } from "@/service/the-store";
import { failure, jsonBody } from "./answer";
import type { Asked, Handlers } from "./handler";
import { CARD_HANDLERS } from "./handlers/cards";
import { CREW_HANDLERS } from "./handlers/crew";
import { END_HANDLERS } from "./handlers/ends";
import { KEEPING_HANDLERS } from "./handlers/keeping";
import { LEDGER_HANDLERS } from "./handlers/ledger";
import { LIGHT_HANDLERS } from "./handlers/light";
import { PLAN_HANDLERS } from "./handlers/plans";
import { SHELF_HANDLERS } from "./handlers/shelf";

const HANDLERS: Handlers<ApiKey> = {
  ...END_HANDLERS,
  ...PLAN_HANDLERS,
  ...SHELF_HANDLERS,
  ...LEDGER_HANDLERS,
  ...CARD_HANDLERS,
  ...KEEPING_HANDLERS,
  ...CREW_HANDLERS,
  ...LIGHT_HANDLERS,
};

type Params = Readonly<Record<string, string>>;

/** The most bytes of a body that is no small JSON: a seal of some 200,000 ends. */
const LARGE_LIMIT = 24 * 1024 * 1024;
/** Routes that take so much: the file of a seal, the plan of a whole job. */
const LARGE: readonly string[] = ["post /seal", "post /plans"];

/** A path's parts against an address with braces; null where they differ. */
function paramsIn(address: string, parts: readonly string[]): Params | null {
  const own = address.slice(1).split("/");
  if (own.length !== parts.length) return null;
  const params: Record<string, string> = {};
  for (const [i, part] of own.entries()) {
    const name = /^\{(\w+)\}$/.exec(part)?.[1];
    if (name) params[name] = parts[i] ?? "";
    else if (part !== parts[i]) return null;
  }
  return params;
}

const isKey = (key: string): key is ApiKey => key in API;
const KEYS = Object.keys(API).filter(isKey);

/** The route that answers a method at a path, with what its braces hold; or the methods there are at that path. */
function routeAt(method: string, parts: readonly string[]) {
  const allowed: string[] = [];
  for (const key of KEYS) {
    const [own, address = ""] = key.split(" ");
    const params = paramsIn(address, parts);
    if (params && own === method) return { key, params };
    if (params) allowed.push(String(own).toUpperCase());
  }
  return { key: undefined, allowed };
}

/** Whoever asks: by their session or token where names are proven, else as named beside the body or in the query of a file. */
function actBy(store: Store, spec: RouteSpec, request: Request, by: string | null): Act {
  const identity = identityOf(store, credentialsOf(request));
  return { store, actor: actorOf(store, spec, identity, by), now: recordNow(store), identity };
}

const zAnyActing = z.looseObject(zBy.shape);

/** Reads a request by the schemas of its route. @throws InputError for whatever is not as they say. */
async function askedBy(key: ApiKey, request: Request, params: Params): Promise<Asked<ApiKey>> {
  const spec: RouteSpec = API[key];
  const isFile = spec.body !== undefined && "media" in spec.body;
  const json =
    spec.body && !isFile ? await jsonBody(request, LARGE.includes(key) ? LARGE_LIMIT : undefined) : undefined;
  let given: unknown = json;
  let search: unknown = Object.fromEntries(new URL(request.url).searchParams);
  let by: string | null = null;
  if (spec.acts) {
    const { by: person, ...rest } = check(zAnyActing, isFile ? search : json);
    by = person;
    if (isFile) search = rest;
    else given = rest;
  }
  // Roles are checked before the body is.
  let act = spec.acts || spec.roles ? actBy(theStore(), spec, request, by) : undefined;
  const call = {
    get store() {
      return theStore();
    },
    get act() {
      act ??= actBy(theStore(), spec, request, by);
      return act;
    },
    params,
    query: spec.query ? check(spec.query, search) : undefined,
    body: spec.body && !("media" in spec.body) ? check(spec.body, given) : undefined,
    request,
  };
  return call as unknown as Asked<ApiKey>;
}

/** The id of what a route was used on: the one in its address, else of what it made, else what was asked for. */
function refOf(params: Params, request: Request, answer: unknown): string {
  const document = z.looseObject({ id: z.string() }).safeParse(answer);
  const address = Object.values(params).join(" ");
  return address || (document.success ? document.data.id : new URL(request.url).search.slice(1, 200));
}

/** Answers a request by the table of routes. */
export async function dispatch(request: Request, parts: readonly string[]): Promise<Response> {
  try {
    const method = request.method === "HEAD" ? "get" : request.method.toLowerCase();
    const match = routeAt(method, parts);
    if (match.key === undefined) {
      if (match.allowed.length > 0)
        return new Response(null, { status: 405, headers: { allow: match.allowed.join(", ") } });
      throw new InputError("not-found", say("there-is-no-such-address-the-addresses"));
    }
    const { key, params } = match;
    const spec: RouteSpec = API[key];
    const handler = HANDLERS[key] as (call: Asked<ApiKey>) => unknown;
    const call = await askedBy(key, request, params);
    const answer = await handler(call);
    if (spec.logged && !(answer instanceof Response && !answer.ok))
      logUse(call.act, key, refOf(params, request, answer));
    if (answer instanceof Response) return answer;
    const body = "media" in spec.answer ? answer : z.encode(spec.answer, answer);
    return Response.json(body, { status: spec.status ?? 200, headers: { "cache-control": "no-store" } });
  } catch (error) {
    return failure(error);
  }
}
