import { type NextRequest, NextResponse } from "next/server";

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;
const named = new Set(
  (process.env.ARLENT_HOSTS ?? "")
    .split(",")
    .map((host) => host.trim())
    .filter(Boolean),
);

/** Answers only under this machine's own names, or those in ARLENT_HOSTS: a page elsewhere cannot borrow one. */
export function proxy(request: NextRequest) {
  const host = request.headers.get("host") ?? "";
  if (LOCAL.test(host) || named.has(host)) return NextResponse.next();
  return new NextResponse("This server does not answer under that name. Set ARLENT_HOSTS to allow it.\n", {
    status: 421,
  });
}

export const config = { matcher: "/((?!_next/static).*)" };
