import {
  createPrivateKey,
  createPublicKey,
  generateKeyPairSync,
  type KeyObject,
  sign,
  verify,
} from "node:crypto";
import {
  appendFileSync,
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readFileSync,
  writeFileSync,
} from "node:fs";
import { problemOf, type RecordFinding } from "@/core";
import { t } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { checkSeal, makeSeal } from "./seal";

/** Where a site's own key lies: beside its database, and in no backup of it. */
export const siteKeyFile = (database: string): string => `${database}.site-key`;

/** Where the seals lie that a server takes by itself: a line each, its signature last. */
export const sealsFile = (database: string): string => `${database}.seals`;

/** A seal is taken by itself at least so often while the record grows, milliseconds. */
const SEAL_EVERY_MS = 86_400_000;
/** How often it is looked whether one is due. */
const LOOK_MS = 3_600_000;
/** Whoever comes as the server starts is answered first: a seal reads the whole record. */
const FIRST_LOOK_MS = 60_000;

/** The key a site signs its seals with (Ed25519, RFC 8032): made once, read by nobody else on this machine. */
function siteKey(database: string): KeyObject {
  const file = siteKeyFile(database);
  if (!existsSync(file)) {
    const { privateKey } = generateKeyPairSync("ed25519");
    writeFileSync(file, privateKey.export({ type: "pkcs8", format: "pem" }), { mode: 0o600, flush: true });
  }
  return createPrivateKey(readFileSync(file));
}

const SIGNED = /^(arlent-seal 1 (\S+) \d+ \d+ [0-9a-f]{64}) (\S+)$/;

/** A seal that was taken by itself: its line, when, and the signature. */
interface KeptSeal {
  readonly line: string;
  readonly at: string;
  readonly signature: Buffer;
}

/** The seals taken so far, the oldest first; a line that cannot be read is null. */
function keptSeals(database: string): (KeptSeal | null)[] {
  const file = sealsFile(database);
  if (!existsSync(file)) return [];
  return readFileSync(file, "utf8")
    .split("\n")
    .filter(Boolean)
    .map((text) => {
      const [, line, at, signature] = SIGNED.exec(text) ?? [];
      return line === undefined || at === undefined || signature === undefined
        ? null
        : { line, at, signature: Buffer.from(signature, "base64") };
    });
}

/** Takes a seal, signs it and adds it to those there are, on the disk before this returns. @returns its line. */
export function keepSeal(store: Store, database: string, now = new Date()): string {
  const { short } = makeSeal(store, now);
  const signature = sign(null, Buffer.from(short), siteKey(database)).toString("base64");
  const file = openSync(sealsFile(database), "a", 0o600);
  try {
    appendFileSync(file, `${short} ${signature}\n`);
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  return short;
}

/** Takes a seal where the last one is a day old and the record has grown since. @returns whether one was taken. */
export function sealIfDue(store: Store, database: string, now = new Date()): boolean {
  const last = keptSeals(database).at(-1);
  const isFresh = last && now.getTime() - Date.parse(last.at) < SEAL_EVERY_MS;
  const stateOf = (line: string) => line.split(" ").slice(3).join(" ");
  if (isFresh || (last && stateOf(last.line) === stateOf(makeSeal(store, now).short))) return false;
  keepSeal(store, database, now);
  return true;
}

/** Takes seals for as long as the server runs. */
export function keepSeals(store: Store, database: string): void {
  const look = () => {
    try {
      sealIfDue(store, database);
    } catch (error) {
      console.error(`No seal could be taken: ${problemOf(error)?.message ?? error}`);
    }
  };
  setTimeout(look, FIRST_LOOK_MS).unref();
  setInterval(look, LOOK_MS).unref();
}

/** The newest are all held against the record, and of the older ones each so many-th: a tree is worked out for each. */
const NEWEST = 10;
const EACH = 30;

/**
 * Holds the record against the seals that were taken of it by itself: each must be signed by this site and hold.
 * @param seenAt the moment the file is seen at; a seal that was taken later says nothing of it.
 * @returns findings; none for a file that was never served.
 */
export function checkKeptSeals(store: Store, seenAt: Date | null = null): RecordFinding[] {
  const database = store.$client.name;
  if (!existsSync(siteKeyFile(database))) return [];
  const altered = (detail: string): RecordFinding => ({
    end: "",
    name: t("a-kept-seal"),
    seq: null,
    what: detail,
    note: false,
  });
  const seals = keptSeals(database);
  if (seals.length === 0) return [altered(t("the-seals-are-gone"))];
  const key = createPublicKey(siteKey(database));
  return seals.flatMap((seal, i) => {
    if (seal === null) return [altered(t("a-seal-cannot-be-read", { line: i + 1 }))];
    if (!verify(null, Buffer.from(seal.line), key, seal.signature))
      return [altered(t("a-seal-is-not-signed-by-this-site", { at: seal.at }))];
    if (seenAt !== null && Date.parse(seal.at) > seenAt.getTime())
      return [{ ...altered(t("a-seal-was-taken-after-this-look", { at: seal.at })), note: true }];
    return i >= seals.length - NEWEST || i % EACH === 0 ? checkSeal(store, seal.line) : [];
  });
}
