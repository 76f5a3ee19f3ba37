import { z } from "zod";
import { isErrorCode, type Outcome, type Problem } from "@/core";
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
    response = await fetch(url, { ...init, signal: AbortSignal.timeout(10_000) });
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

/** Sends JSON; answers the body by its schema, or why it was refused. Never throws. */
export const post = <S extends z.ZodType>(
  url: string,
  schema: S,
  body: unknown,
): Promise<Outcome<z.output<S>>> =>
  ask(schema, url, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });

/** Sends a picture's bytes. Never throws. */
export const sendPhoto = <S extends z.ZodType>(
  url: string,
  schema: S,
  picture: Blob,
): Promise<Outcome<z.output<S>>> =>
  ask(schema, url, {
    method: "POST",
    headers: { "content-type": picture.type || "application/octet-stream" },
    body: picture,
  });

/** Asks for JSON. Never throws. */
export const get = <S extends z.ZodType>(url: string, schema: S): Promise<Outcome<z.output<S>>> =>
  ask(schema, url, { cache: "no-store" });
