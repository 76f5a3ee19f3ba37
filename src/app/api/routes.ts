import type { z } from "zod";
import { API, type Media, operations, type RouteSpec, zBy } from "@/core";

/** One thing the interface for programs does, with its method and address: for its page, and for its tests. */
export interface Route extends Omit<RouteSpec, "body"> {
  readonly method: "get" | "post";
  /** As in the address, what varies in braces. */
  readonly path: string;
  readonly body?: z.ZodType | Media;
}

function routeOf(key: string, { acts, query, body, ...spec }: RouteSpec): Route {
  const [method, path = ""] = key.split(" ");
  const isFile = body !== undefined && "media" in body;
  return {
    ...spec,
    ...(acts && { acts }),
    method: method === "get" ? "get" : "post",
    path,
    ...(query && { query: acts && isFile ? query.extend(zBy.shape) : query }),
    ...(body && { body: acts && !isFile ? body.extend(zBy.shape) : body }),
  };
}

/** Everything the interface for programs does, computations first. */
export const ROUTES: readonly Route[] = [
  ...Object.entries(operations).map(
    ([name, { input, output }]): Route => ({
      method: "post",
      path: `/compute/${name}`,
      does: `Computes ${name}.`,
      body: input,
      answer: output,
    }),
  ),
  ...Object.entries(API).map(([key, spec]) => routeOf(key, spec)),
];
