import { z } from "zod";
import { API, InputError } from "@/core";
import type { Act } from "@/service/act";
import { deviceOfSession, letDeviceIn, SESSION_COOKIE, SESSION_SECONDS } from "@/service/crew/crew";
import { enter, isCounted } from "@/service/crew/log";
import type { Site } from "@/service/crew/passkeys";
import { addPerson, mergePerson, people, renamePerson } from "@/service/crew/people";
import { changeCrew, crewLog, crewTold, makeToken } from "@/service/crew/rules";
import { type Credentials, credentialsOf, identityOf } from "@/service/crew/session";
import {
  type CookieGiven,
  passkeyAnswer,
  passkeyQuestion,
  proveAgain,
  SIGNED_OUT,
  setPinFor,
  signInByPin,
} from "@/service/crew/sign-in";
import type { Handlers, Under } from "../handler";

type Keys = Under<"/people"> | Under<"/crew"> | Under<"/session"> | Under<"/passkeys"> | Under<"/enter">;

/** The address of the client: the last one in X-Forwarded-For, which the nearest proxy or the server itself wrote. */
const addressOf = (headers: Headers): string =>
  headers.get("x-forwarded-for")?.split(",").at(-1)?.trim().slice(0, 60) ?? "";

const isSecure = ({ headers }: Request): boolean => headers.get("x-forwarded-proto") === "https";

/** The server as this device knows it. */
function siteOf(request: Request): Site {
  const host = request.headers.get("host") ?? "";
  return { host, origin: `${isSecure(request) ? "https" : "http"}://${host}` };
}

/**
 * A cookie no page can read; it comes with a link followed from elsewhere (a traveller's code, a message), and with nothing
 * another site sends.
 */
const setCookie = ({ name, value, seconds }: CookieGiven, request: Request): string =>
  `${name}=${value}; Path=/; HttpOnly; SameSite=Lax; Max-Age=${seconds}${isSecure(request) ? "; Secure" : ""}`;

function withCookies(body: unknown, cookies: readonly CookieGiven[], request: Request): Response {
  const headers = new Headers({ "cache-control": "no-store" });
  for (const cookie of cookies) headers.append("set-cookie", setCookie(cookie, request));
  return Response.json(body, { headers });
}

/** The crew as whoever asks sees it once their cookies are set. */
function crewSeen({ store }: Act, cookies: readonly CookieGiven[], request: Request): Response {
  const before = credentialsOf(request);
  const given = new Map(cookies.map(({ name, value }) => [name, value]));
  const shown: Credentials = { ...before, cookie: (name) => given.get(name) ?? before.cookie(name) };
  const crew = crewTold(store, identityOf(store, shown));
  return withCookies(z.encode(API["get /crew"].answer, crew), cookies, request);
}

/** Wrong crew keys since the server began, for its log. */
let wrongKeys = 0;

export const CREW_HANDLERS: Handlers<Keys> = {
  "get /people": ({ store }) => ({ people: people(store) }),
  "post /people": ({ act, body }) => ({ people: addPerson(act, body) }),
  "post /people/{id}/name": ({ act, params, body }) => ({ people: renamePerson(act, params.id, body) }),
  "post /people/{id}/merge": ({ act, params, body }) => ({ people: mergePerson(act, params.id, body) }),
  "get /crew": ({ act, request }) => crewSeen(act, [], request),
  "post /crew": ({ act, body, request }) => {
    changeCrew(act, body.change);
    return crewSeen(act, [], request);
  },
  "get /crew/log": ({ store, query }) => ({ events: crewLog(store, query.most) }),
  "post /crew/tokens": ({ act, body }) => makeToken(act, body),
  "post /crew/pins": async ({ act, body, request }) => crewSeen(act, await setPinFor(act, body), request),
  "post /session": async ({ act, body, request }) => crewSeen(act, await signInByPin(act, body), request),
  "post /session/again": async ({ act, body, request }) => {
    await proveAgain(act, body.pin);
    return crewSeen(act, [], request);
  },
  "post /session/end": ({ act, request }) => crewSeen(act, SIGNED_OUT, request),
  "post /passkeys/question": async ({ act, body, request }) => {
    const { options, cookies } = await passkeyQuestion(act, body, siteOf(request));
    return withCookies({ options }, cookies, request);
  },
  "post /passkeys": async ({ act, body, request }) =>
    crewSeen(act, await passkeyAnswer(act, body, siteOf(request)), request),
  "post /enter": async ({ act, body, request }) => {
    const file = process.env.ARLENT_CREW;
    try {
      const value = await letDeviceIn(file, body, addressOf(request.headers));
      const device = deviceOfSession(file, value);
      const identity = act.identity && { ...act.identity, device };
      enter({ ...act, identity }, { kind: "entered", how: "crew-key", person: null });
      return withCookies(
        { entered: true },
        [{ name: SESSION_COOKIE, value, seconds: SESSION_SECONDS }],
        request,
      );
    } catch (error) {
      if (error instanceof InputError && error.problem.code === "wrong-key" && file) {
        wrongKeys += 1;
        if (isCounted(wrongKeys))
          enter(act, { kind: "refused", how: "crew-key", person: null, count: wrongKeys });
      }
      throw error;
    }
  },
};
