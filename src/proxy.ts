import { randomBytes } from "node:crypto";
import { type NextRequest, NextResponse } from "next/server";
import { AT_THE_DOOR, mayComeIn, SESSION_COOKIE } from "@/service/crew/crew";
import { tokenShown } from "@/service/crew/door";

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;
const named = new Set(
  (process.env.ARLENT_HOSTS ?? "")
    .split(",")
    .map((host) => host.trim().toLowerCase())
    .filter(Boolean),
);
const development = process.env.NODE_ENV === "development";

/** A name set without a port holds for every port. */
const isNamed = (host: string): boolean => named.has(host) || named.has(host.replace(/:\d+$/, ""));

/** Where a device that has no session yet may go: to be asked for the key. */
const DOOR = /^\/(enter|api\/v1\/enter|icon\.svg)$/;

/**
 * Stands before every request. Answers only under this machine's own names, or those in ARLENT_HOSTS: a page elsewhere
 * cannot borrow one. Refuses an address that cannot be read. Asks for the crew's key where the server listens wider than
 * this machine. Lets a page run the scripts it was sent with, and no other.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = (request.headers.get("host") ?? "").toLowerCase();
  if (!LOCAL.test(host) && !isNamed(host))
    return plain("This server does not answer under that name. Set ARLENT_HOSTS to allow it.\n", 421);
  const { pathname, search } = request.nextUrl;
  const forPrograms = pathname.startsWith("/api/");
  if (!isReadable(pathname))
    return forPrograms ? refused("bad-input", UNREADABLE, 400) : plain(`${UNREADABLE}\n`, 400);
  if (!DOOR.test(pathname) && !isLetIn(request))
    return forPrograms ? refused("no-session", NO_SESSION, 401) : atTheDoor(request, host, pathname + search);
  const nonce = randomBytes(16).toString("base64");
  const policy = policyWith(nonce);
  const headers = new Headers(request.headers);
  // Next puts the nonce it finds here on its own scripts.
  headers.set("content-security-policy", policy);
  headers.delete(AT_THE_DOOR);
  if (pathname === "/enter") headers.set(AT_THE_DOOR, "yes");
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set("content-security-policy", policy);
  // Only where it came in by TLS does the rest of the way have to (RFC 6797, 7.2).
  if (isSecure(request)) answer.headers.set("strict-transport-security", `max-age=${YEAR_SECONDS}`);
  return answer;
}

/** By the session the device was given, or by the token a program shows. */
const isLetIn = ({ cookies, headers, nextUrl }: NextRequest): boolean =>
  mayComeIn(process.env.ARLENT_CREW, cookies.get(SESSION_COOKIE)?.value) ||
  (nextUrl.pathname.startsWith("/api/") && tokenShown(headers.get("authorization")) !== null);

const YEAR_SECONDS = 31_536_000;

/** Whether whatever stands in front speaks TLS with the device. */
const isSecure = ({ headers }: NextRequest): boolean => headers.get("x-forwarded-proto") === "https";

/** The one style sheet a package of the pages puts in by itself, without a nonce: that of the messages at the foot. */
export const MESSAGE_STYLE = "sha256-StEaX+se6YS7pqjzrzMIA0KaX9zF/8zAhvQXZAe5epY=";

/** It is put in empty first, then filled, and held against its hash each time. */
const EMPTY_STYLE = "sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU=";

const policyWith = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${development ? " 'unsafe-eval'" : ""}`,
    // For browsers that do not know the two below (CSP 3, 6.1.15 and 6.1.16).
    "style-src 'self' 'unsafe-inline'",
    `style-src-elem 'self' 'nonce-${nonce}' '${MESSAGE_STYLE}' '${EMPTY_STYLE}'`,
    // React and Radix place things by style attributes: these can hold no selector, and ask for nothing.
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "base-uri 'self'",
    "form-action 'self'",
  ].join("; ");

const SAFE = {
  "content-security-policy": "default-src 'none'; frame-ancestors 'none'",
  "x-content-type-options": "nosniff",
  "x-frame-options": "DENY",
  "referrer-policy": "same-origin",
  "cache-control": "no-store",
};

const plain = (text: string, status: number): NextResponse =>
  new NextResponse(text, { status, headers: { ...SAFE, "content-type": "text/plain; charset=utf-8" } });

const UNREADABLE = "This address cannot be read: it has a wrong percent sign.";
const NO_SESSION = "This device has not been let in yet. Open a page and enter the crew key.";

const refused = (code: "bad-input" | "no-session", message: string, status: number): NextResponse =>
  NextResponse.json({ error: { code, message, path: [] } }, { status, headers: SAFE });

/** Under the very name it was asked by, behind whatever stands in front. */
function atTheDoor(request: NextRequest, host: string, to: string): NextResponse {
  const door = new URL("/enter", `${isSecure(request) ? "https" : "http"}://${host}`);
  if (to !== "/") door.searchParams.set("to", to);
  return NextResponse.redirect(door, { status: 307, headers: SAFE });
}

function isReadable(pathname: string): boolean {
  try {
    return !decodeURIComponent(pathname).includes("\0");
  } catch {
    return false;
  }
}

export const config = { matcher: "/((?!_next/static).*)" };
