import { createHash } from "node:crypto";
import canonicalize from "canonicalize";

/** SHA-256 of a text's UTF-8 bytes, hexadecimal. */
export const sha256 = (of: string | Uint8Array): string => createHash("sha256").update(of).digest("hex");

/** A value as canonical JSON (RFC 8785): the same value always gives the same text. */
export function canonical(value: unknown): string {
  const text = canonicalize(value);
  if (text === undefined) throw new Error("only what JSON can say has a canonical text");
  return text;
}

/** Hash of a link: canonical JSON of the pair of the hash before it and what it says. */
export const linkHash = (before: string, body: string): string => sha256(`["${before}",${body}]`);
