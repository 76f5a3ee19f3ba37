import type { z } from "zod";
import type { API, ApiKey, Media, RouteParams } from "@/core";
import type { Act } from "@/service/act";
import type { Store } from "@/service/the-store";

type Spec<K extends ApiKey> = (typeof API)[K];
type Parsed<S> = S extends z.ZodType ? z.output<S> : undefined;
type Answer<K extends ApiKey> =
  Spec<K> extends { answer: infer A extends z.ZodType }
    ? z.output<A>
    : Spec<K> extends { answer: Media }
      ? Response
      : never;

/** A request parsed by the schemas of its route. */
export interface Asked<K extends ApiKey> {
  readonly store: Store;
  /** The person who acts, and the time. Read it only on a route whose spec says `acts`. */
  readonly act: Act;
  readonly params: RouteParams<K>;
  readonly query: Spec<K> extends { query: infer Q } ? Parsed<Q> : undefined;
  readonly body: Spec<K> extends { body: infer B } ? Parsed<B> : undefined;
  readonly request: Request;
}

export type Handlers<K extends ApiKey> = {
  readonly [Key in K]: (call: Asked<Key>) => Answer<Key> | Response | Promise<Answer<Key> | Response>;
};

/** The routes whose address begins so. */
export type Under<Start extends string> = Extract<ApiKey, `get ${Start}${string}` | `post ${Start}${string}`>;
