import { z } from "zod";
import type { Outcome, Problem } from "@/core";

const zFailure = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    path: z.array(z.union([z.string(), z.number()])),
  }),
});

/** Failures that never reached the server: what was sent may be sent again. */
export const OFFLINE: Problem = {
  code: "offline",
  message: "The server does not answer. Nothing was lost.",
  path: [],
};

async function ask<T>(url: string, init: RequestInit): Promise<Outcome<T>> {
  try {
    const response = await fetch(url, { ...init, signal: AbortSignal.timeout(10_000) });
    const body: unknown = await response.json();
    if (response.ok) return { ok: true, value: body as T };
    const failure = zFailure.safeParse(body);
    return { ok: false, problem: failure.success ? failure.data.error : OFFLINE };
  } catch {
    return { ok: false, problem: OFFLINE };
  }
}

/** Sends JSON; answers the body, or why it was refused. Never throws. */
export const post = <T>(url: string, body: unknown): Promise<Outcome<T>> =>
  ask(url, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) });

/** Sends a picture's bytes. Never throws. */
export const sendPhoto = <T>(url: string, picture: Blob): Promise<Outcome<T>> =>
  ask(url, {
    method: "POST",
    headers: { "content-type": picture.type || "application/octet-stream" },
    body: picture,
  });

/** Asks for JSON. Never throws. */
export const get = <T>(url: string): Promise<Outcome<T>> => ask(url, { cache: "no-store" });
