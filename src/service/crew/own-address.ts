/** A name no server has (RFC 2606): an address that stays under it is a page of this server. */
const HERE = "http://here.invalid";

/**
 * Where somebody wanted to go, where that is a page of this server; else its first page. It is read as a browser reads it:
 * tabs and line ends are left out, a backslash is a slash (WHATWG URL).
 */
export function ownAddress(to: string): string {
  if (!to.startsWith("/") || !URL.canParse(to, HERE)) return "/";
  const { origin, pathname, search, hash } = new URL(to, HERE);
  // Written out again, a path may begin with two slashes: another server's name.
  return origin === HERE && !pathname.startsWith("//") ? `${pathname}${search}${hash}` : "/";
}
