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
  renameSync,
  statSync,
  truncateSync,
  writeFileSync,
} from "node:fs";
import { sql } from "drizzle-orm";
import { problemOf, type RecordFinding } from "@/core";
import { t } from "@/messages/service";
import type { Store } from "@/store/database/store";
import { registerHead } from "@/store/record/register";
import { readAheadRegister, registerTree, registerTreeAnew } from "@/store/record/register-tree";
import type { HashTree } from "@/store/record/tree";
import { checkSeal } from "./seal";

/** Where a site's own key lies: beside its database, and in no backup of it. */
export const siteKeyFile = (database: string): string => `${database}.site-key`;

/** Where the seals lie that a server takes by itself: a line each, its signature last. */
export const sealsFile = (database: string): string => `${database}.seals`;

/** A seal is taken by itself at least so often while the record grows, milliseconds. */
const SEAL_EVERY_MS = 86_400_000;
/** How often it is looked whether a job was signed off. */
const JOB_LOOK_MS = 60_000;
/** How often it is looked whether one is due. */
const LOOK_MS = 3_600_000;
/** Whoever comes as the server starts is answered first: a seal reads the whole record. */
const FIRST_LOOK_MS = 60_000;

/** Stands over a key until the first seal signed with it lies on the disk (RFC 7468 allows text before the key). */
const UNUSED = "No seal was signed with this key yet.\n";

/** Writes a site's key whole or not at all: a check beside the server may read it at any time. */
function writeKey(database: string, text: string): void {
  const file = siteKeyFile(database);
  const draft = `${file}.part`;
  writeFileSync(draft, text, { mode: 0o600, flush: true });
  renameSync(draft, file);
}

/** The key a site signs its seals with (Ed25519, RFC 8032): made once, read by nobody else on this machine. */
function siteKey(database: string): KeyObject {
  const file = siteKeyFile(database);
  if (!existsSync(file)) {
    const { privateKey } = generateKeyPairSync("ed25519");
    writeKey(database, `${UNUSED}${privateKey.export({ type: "pkcs8", format: "pem" })}`);
  }
  return createPrivateKey(readFileSync(file));
}

/** Whether no seal was signed with a site's key yet, as far as the disk has it. */
const isUnused = (database: string): boolean =>
  !existsSync(siteKeyFile(database)) || readFileSync(siteKeyFile(database), "utf8").startsWith(UNUSED);

function markUsed(database: string): void {
  const text = readFileSync(siteKeyFile(database), "utf8");
  if (text.startsWith(UNUSED)) writeKey(database, text.slice(UNUSED.length));
}

/** Version 1: a seal over every end, its signature last. */
const SIGNED_1 = /^(arlent-seal 1 (\S{1,40}) \d+ \d+ [0-9a-f]{64}) (\S+)$/;
/** Version 2: the register's size and root, the key it is signed by, the signature. */
const SIGNED_2 =
  /^(arlent-seal 2 (\S{1,40}) (\d{1,15}) ([0-9a-f]{64})) ([A-Za-z0-9_-]{43}) ([A-Za-z0-9_-]{86})$/;

/** A signed seal over the register: its one line says when, over how many lines, their root, whose key, the signature. */
export interface SignedSeal {
  readonly v: 2;
  /** All of it in one line. */
  readonly text: string;
  /** The part that is signed. */
  readonly line: string;
  readonly at: string;
  readonly size: number;
  readonly root: string;
  /** The raw Ed25519 public key (RFC 8032), base64url. */
  readonly key: string;
  readonly signature: string;
}

/** A seal of version 1 that was taken by itself: its line, when, and the signature. */
interface SignedSeal1 {
  readonly v: 1;
  readonly line: string;
  readonly at: string;
  readonly signature: string;
}

/** Reads a signed seal of version 2 from its line; null where it is none. */
export function signedSealIn(text: string): SignedSeal | null {
  const [, line, at, size, root, key, signature] = SIGNED_2.exec(text.trim()) ?? [];
  return line && at && size && root && key && signature
    ? { v: 2, text: text.trim(), line, at, size: Number(size), root, key, signature }
    : null;
}

function signedSeal1In(text: string): SignedSeal1 | null {
  const [, line, at, signature] = SIGNED_1.exec(text) ?? [];
  return line && at && signature ? { v: 1, line, at, signature } : null;
}

/** The seals taken so far, the oldest first; a line that cannot be read is null. */
function keptSeals(database: string): (SignedSeal | SignedSeal1 | null)[] {
  const file = sealsFile(database);
  if (!existsSync(file)) return [];
  return readFileSync(file, "utf8")
    .split("\n")
    .filter(Boolean)
    .map((text) => signedSealIn(text) ?? signedSeal1In(text));
}

/** The whole lines of the file the seals lie in. */
export const sealLines = (database: string): string[] =>
  existsSync(sealsFile(database)) ? readFileSync(sealsFile(database), "utf8").split("\n").slice(0, -1) : [];

/** The newest signed seals of a record, the oldest of them first. */
export const newestSeals = (database: string, most: number): SignedSeal[] =>
  keptSeals(database)
    .filter((seal) => seal?.v === 2)
    .slice(-most);

/** A public key as a seal has it: its 32 bytes, base64url. */
const rawKey = (key: KeyObject): string => String(key.export({ format: "jwk" }).x);

/** Seals the record as it is, signed by the site's key; nothing is kept of it. */
function signSeal(store: Store, database: string, now: Date): SignedSeal {
  const tree = registerTree(store);
  const key = siteKey(database);
  const line = `arlent-seal 2 ${now.toISOString()} ${tree.size} ${tree.root()}`;
  const signature = sign(null, Buffer.from(line), key).toString("base64url");
  const seal = signedSealIn(`${line} ${rawKey(key)} ${signature}`);
  if (!seal) throw new Error("a seal is read as it is written");
  return seal;
}

/** Whether the last line was cut short: the server was killed as it wrote it, and nobody was given that seal. */
function isTorn(database: string): boolean {
  const file = sealsFile(database);
  return existsSync(file) && statSync(file).size > 0 && !readFileSync(file, "utf8").endsWith("\n");
}

function dropTornSeal(database: string): void {
  if (!isTorn(database)) return;
  const file = sealsFile(database);
  truncateSync(file, readFileSync(file).lastIndexOf("\n") + 1);
}

/** Takes a seal, signs it and adds it to those there are, on the disk before this returns. */
export function keepSeal(store: Store, database: string, now = new Date()): SignedSeal {
  const seal = signSeal(store, database, now);
  dropTornSeal(database);
  const file = openSync(sealsFile(database), "a", 0o600);
  try {
    appendFileSync(file, `${seal.text}\n`);
    fsyncSync(file);
  } finally {
    closeSync(file);
  }
  markUsed(database);
  return seal;
}

/** The newest seal where it is over all there is; else one that is taken now. */
export function sealNow(store: Store, database: string, now = new Date()): SignedSeal {
  const newest = newestSeals(database, 1).at(-1);
  const tree = registerTree(store);
  return newest?.size === tree.size && newest.root === tree.root() ? newest : keepSeal(store, database, now);
}

/** Takes a seal where the last one is a day old and the record has grown since. @returns whether one was taken. */
export function sealIfDue(store: Store, database: string, now = new Date()): boolean {
  const last = keptSeals(database).at(-1);
  if (last && now.getTime() - Date.parse(last.at) < SEAL_EVERY_MS) return false;
  if (last?.v === 2 && last.root === registerTree(store).root()) return false;
  keepSeal(store, database, now);
  return true;
}

/** Takes a seal where the last open end of a job was signed since the newest one. @returns whether one was taken. */
export function sealIfJobDone(store: Store, database: string, now = new Date()): boolean {
  const sealed = newestSeals(database, 1).at(-1)?.size ?? 0;
  const done = store.get<{ n: number }>(sql`
    SELECT r.n FROM register r JOIN ends e ON e.id = r.ref
    WHERE r.n > ${sealed} AND r.kind = 'signed' AND e.job <> ''
      AND NOT EXISTS (SELECT 1 FROM ends o WHERE o.signed_at IS NULL AND o.job = e.job) LIMIT 1`);
  if (done) keepSeal(store, database, now);
  return done !== undefined;
}

/** Takes seals for as long as the server runs. */
export function keepSeals(store: Store, database: string): void {
  const look = () =>
    readAheadRegister(store)
      .then(() => sealIfDue(store, database))
      .catch((error: unknown) =>
        console.error(`No seal could be taken: ${problemOf(error)?.message ?? error}`),
      );
  const lookAtJobs = () => {
    try {
      sealIfJobDone(store, database);
    } catch (error) {
      console.error(`No seal could be taken: ${problemOf(error)?.message ?? error}`);
    }
  };
  setInterval(lookAtJobs, JOB_LOOK_MS).unref();
  setTimeout(look, FIRST_LOOK_MS).unref();
  setInterval(look, LOOK_MS).unref();
}

/** Of seals of version 1 the newest are all held against the record, of older ones each so many-th: each takes a tree. */
const NEWEST = 10;
const EACH = 30;

const alteredSeal = (detail: string): RecordFinding => ({
  end: "",
  name: t("a-kept-seal"),
  seq: null,
  what: detail,
  note: false,
});

/** Holds a tree over the register against a signed seal. @returns findings, none where it holds. */
function sealOff(tree: HashTree, seal: SignedSeal): RecordFinding[] {
  const holds = seal.size <= tree.size && tree.root(seal.size) === seal.root;
  return holds
    ? []
    : [{ ...alteredSeal(t("it-is-not-as-it-was-sealed", { at: seal.at })), name: t("the-record") }];
}

/**
 * Holds the record against a signed seal from wherever it was: a printed record, a device, a backup.
 * @returns findings: it is not signed by this site, or the record is not as it was sealed.
 */
export function checkSignedSeal(store: Store, seal: SignedSeal): RecordFinding[] {
  const key = createPublicKey(siteKey(store.$client.name));
  if (seal.key !== rawKey(key) || !isSigned(seal, key))
    return [alteredSeal(t("a-seal-is-not-signed-by-this-site", { at: seal.at }))];
  return sealOff(registerTreeAnew(store), seal);
}

const isSigned = ({ line, signature }: SignedSeal | SignedSeal1, key: KeyObject): boolean =>
  verify(null, Buffer.from(line), key, Buffer.from(signature, "base64"));

/**
 * Holds a record that was carried elsewhere against the seals that came with it, each signed by the key it names: whether
 * that is the key of the site it came from, whoever carries it must say.
 */
export function checkCarriedSeals(store: Store, texts: readonly string[]): RecordFinding[] {
  const tree = registerTreeAnew(store);
  return texts.flatMap((text, i) => {
    const seal = signedSealIn(text);
    if (seal === null) return [alteredSeal(t("a-seal-cannot-be-read", { line: i + 1 }))];
    const key = createPublicKey({ key: { kty: "OKP", crv: "Ed25519", x: seal.key }, format: "jwk" });
    return isSigned(seal, key)
      ? sealOff(tree, seal)
      : [alteredSeal(t("a-seal-is-not-signed-by-this-site", { at: seal.at }))];
  });
}

/**
 * The same for a standing copy, which may end before its newest seals.
 * @returns findings, and how many seals are over more than the record has.
 */
export function checkCopiedSeals(store: Store, texts: readonly string[]) {
  const { n } = registerHead(store);
  const held = texts.filter((text) => (signedSealIn(text)?.size ?? 0) <= n);
  return { findings: checkCarriedSeals(store, held), over: texts.length - held.length };
}

/**
 * Holds the record against the seals that were taken of it by itself: each must be signed by this site and hold.
 * @param seenAt the moment the file is seen at; a seal that was taken later says nothing of it.
 * @returns findings; none for a file that was never served.
 */
export function checkKeptSeals(store: Store, seenAt: Date | null = null): RecordFinding[] {
  const database = store.$client.name;
  // The key is looked at first: the first seal may come between the two looks.
  if (isUnused(database)) return [];
  const seals = keptSeals(database);
  if (seals.length === 0) return [alteredSeal(t("the-seals-are-gone"))];
  const key = createPublicKey(siteKey(database));
  const tree = registerTreeAnew(store);
  const torn = isTorn(database) ? seals.length - 1 : -1;
  return seals.flatMap((seal, i) => {
    if (seal === null)
      return [{ ...alteredSeal(t("a-seal-cannot-be-read", { line: i + 1 })), note: i === torn }];
    if (!isSigned(seal, key) || (seal.v === 2 && seal.key !== rawKey(key)))
      return [alteredSeal(t("a-seal-is-not-signed-by-this-site", { at: seal.at }))];
    if (seenAt !== null && Date.parse(seal.at) > seenAt.getTime())
      return [{ ...alteredSeal(t("a-seal-was-taken-after-this-look", { at: seal.at })), note: true }];
    if (seal.v === 2) return sealOff(tree, seal);
    return i >= seals.length - NEWEST || i % EACH === 0 ? checkSeal(store, seal.line) : [];
  });
}
