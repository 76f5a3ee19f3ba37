import { createHmac, hkdfSync, randomBytes } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { processWide } from "@/store/database/process-wide";
import type { Store } from "@/store/database/store";

/** Where a server keeps the secret its PINs and sessions are made with: beside its database, and in no backup of it. */
const siteSecretFile = (database: string): string => `${database}.secret`;

const BYTES = 32;
const held = processWide("site secrets", () => new Map<string, Buffer>());

/** A server's own secret: made once, read by nobody else on this machine. A record in memory has one as long as it lives. */
function siteSecret({ $client: { name } }: Store): Buffer {
  const before = held.get(name);
  if (before) return before;
  const file = siteSecretFile(name);
  const inMemory = name === ":memory:" || name === "";
  if (!inMemory && !existsSync(file))
    writeFileSync(file, randomBytes(BYTES), { mode: 0o600, flag: "wx", flush: true });
  const secret = inMemory ? randomBytes(BYTES) : readFileSync(file);
  held.set(name, secret);
  return secret;
}

/** A key for one purpose alone (HKDF, RFC 5869). */
const keyFor = (store: Store, purpose: string): Buffer =>
  Buffer.from(hkdfSync("sha256", siteSecret(store), "", `arlent ${purpose}`, BYTES));

/** What a PIN is hashed with besides its salt, and a short name of it that tells nothing. */
export function pinKey(store: Store): { readonly key: Buffer; readonly name: string } {
  const key = keyFor(store, "pin");
  return { key, name: createHmac("sha256", key).update("name").digest("hex").slice(0, 12) };
}

/** Signs what a device is given to show again: base64url. */
export const signedFor = (store: Store, purpose: string, text: string): string =>
  createHmac("sha256", keyFor(store, purpose)).update(text).digest("base64url");
