import { open } from "node:fs/promises";
import { Readable } from "node:stream";
import type { ReadableStream as WebStream } from "node:stream/web";
import { Decrypter, Encrypter } from "age-encryption";
import { InputError } from "@/core";
import { say } from "@/messages/service";

/** How a file begins that is encrypted in the age format, version 1. */
const AGE = "age-encryption.org/v1";

/** Whether a file is encrypted. */
export async function isEncrypted(path: string): Promise<boolean> {
  const file = await open(path, "r");
  try {
    const { buffer } = await file.read(Buffer.alloc(AGE.length), 0, AGE.length, 0);
    return buffer.toString("latin1") === AGE;
  } finally {
    await file.close();
  }
}

const web = (stream: Readable): ReadableStream<Uint8Array> =>
  Readable.toWeb(stream) as unknown as ReadableStream<Uint8Array>;
const node = (stream: ReadableStream<Uint8Array>): Readable =>
  Readable.fromWeb(stream as unknown as WebStream);

/**
 * A stream encrypted to a recipient (`age1…`): only whoever has its identity reads it.
 * @throws InputError `bad-input`: that is no recipient.
 */
export async function encryptedTo(stream: Readable, recipient: string): Promise<Readable> {
  const encrypter = new Encrypter();
  try {
    encrypter.addRecipient(recipient);
  } catch (cause) {
    stream.destroy();
    throw new InputError("bad-input", say("that-is-no-age-recipient"), ["recipient"], { cause });
  }
  return node(await encrypter.encrypt(web(stream)));
}

/**
 * A stream decrypted by an identity (`AGE-SECRET-KEY-1…`).
 * @throws InputError `not-a-backup`: it is not encrypted to that identity.
 */
export async function decryptedBy(stream: Readable, identity: string | null): Promise<Readable> {
  if (!identity) throw new InputError("bad-input", say("this-backup-is-encrypted"), ["identity"]);
  const decrypter = new Decrypter();
  try {
    decrypter.addIdentity(identity);
    return node(await decrypter.decrypt(web(stream)));
  } catch (cause) {
    stream.destroy();
    throw new InputError("not-a-backup", say("this-backup-is-not-encrypted-to-that"), ["identity"], {
      cause,
    });
  }
}
