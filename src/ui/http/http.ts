import { z } from "zod";
import { API, type ApiKey, isErrorCode, type Outcome, type Problem, type RouteParams } from "@/core";
import { t } from "@/messages/http";

const zComplaint = {
  code: z.string().transform((code) => (isErrorCode(code) ? code : ("strange" as const))),
  message: z.string(),
  path: z.array(z.union([z.string(), z.number()])),
};
export const zFailure = z.object({
  error: z.object({ ...zComplaint, also: z.array(z.object(zComplaint)).default([]) }),
});

/** Failures that never reached the server: what was sent may be sent again. */
const OFFLINE: Problem = {
  code: "offline",
  message: t("the-server-does-not-answer-nothing"),
  path: [],
};

/** The server answered something this page does not understand: it is of another version. */
const STRANGE: Problem = {
  code: "strange",
  message: t("the-server-answers-in-a-way"),
  path: [],
};

async function ask<S extends z.ZodType>(
  schema: S,
  url: string,
  init: RequestInit,
): Promise<Outcome<z.output<S>>> {
  let response: Response;
  let body: unknown;
  try {
    response = await fetch(url, { signal: AbortSignal.timeout(10_000), ...init });
    body = await response.json();
  } catch {
    return { ok: false, problem: OFFLINE };
  }
  if (response.ok) {
    const value = schema.safeParse(body);
    return value.success ? { ok: true, value: value.data } : { ok: false, problem: STRANGE };
  }
  const failure = zFailure.safeParse(body);
  return { ok: false, problem: failure.success ? failure.data.error : OFFLINE };
}

type Spec<K extends ApiKey> = (typeof API)[K];
/** Who acts goes with whatever is done. */
type Acting<K extends ApiKey> = Spec<K> extends { acts: true } ? { readonly by?: string | null } : unknown;
type Query<K extends ApiKey> = Spec<K> extends { query: infer Q extends z.ZodType } ? z.input<Q> : never;
type Body<K extends ApiKey> =
  Spec<K> extends { body: infer B extends z.ZodType }
    ? z.input<B> & Acting<K>
    : Spec<K> extends { body: object }
      ? Blob
      : never;
export type Answered<K extends ApiKey> =
  Spec<K> extends { answer: infer A extends z.ZodType } ? z.output<A> : unknown;

/** What is sent to a route: what its address names, its query, its body. */
export type Sent<K extends ApiKey> = (RouteParams<K> extends infer P
  ? unknown extends P
    ? unknown
    : { readonly params: P }
  : never) &
  ([Query<K>] extends [never]
    ? unknown
    : { readonly query?: Query<K> & (Body<K> extends Blob ? Acting<K> : unknown) }) &
  ([Body<K>] extends [never] ? unknown : { readonly body: Body<K> });

export interface Loose {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, unknown>>;
  readonly body?: unknown;
}

/** A document as its file: the address of one on the shelf answers any kind. */
const addressOf = (key: ApiKey, { params = {}, query = {} }: Loose): string => {
  const path = key
    .slice(key.indexOf(" ") + 1)
    .replaceAll(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(params[name] ?? ""));
  const pairs = Object.entries(query).flatMap(([name, value]) =>
    value === undefined || value === null ? [] : [[name, String(value)]],
  );
  return `/api/v1${path}${pairs.length > 0 ? `?${new URLSearchParams(pairs)}` : ""}`;
};

function initOf(key: ApiKey, { body }: Loose): RequestInit {
  if (key.startsWith("get ")) return { cache: "no-store" };
  return body instanceof Blob
    ? { method: "POST", headers: { "content-type": body.type || "application/octet-stream" }, body }
    : { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) };
}

/** Calls a route of the interface for programs; answers what it says, or why it was refused. Never throws. */
export function call<K extends ApiKey>(key: K, sent: Sent<K> & Loose): Promise<Outcome<Answered<K>>>;
export function call(key: ApiKey, sent: Loose): Promise<Outcome<unknown>> {
  const { answer } = API[key];
  return ask("media" in answer ? z.unknown() : answer, addressOf(key, sent), initOf(key, sent));
}

/** Asks for a document of the shelf and reads it by a schema. Never throws. */
export const getDocument = <S extends z.ZodType>(
  schema: S,
  params: { readonly kind: string; readonly id: string },
  revision?: number,
): Promise<Outcome<z.output<S>>> =>
  ask(schema, addressOf("get /shelf/{kind}/{id}", { params, query: { revision } }), { cache: "no-store" });

/** Runs one computation on the server and reads its answer by a schema. Never throws. */
export const computed = <S extends z.ZodType>(
  name: string,
  input: unknown,
  schema: S,
): Promise<Outcome<z.output<S>>> =>
  ask(schema, `/api/v1/compute/${encodeURIComponent(name)}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(input),
    signal: AbortSignal.timeout(30_000),
  });
