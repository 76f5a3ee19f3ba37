// A way to an SSH server that lets through only the server whose key was named: the copier does not look at it itself.
// `node scripts/pinned.mjs HOST:PORT FINGERPRINT` prints the port of this machine to connect to, and serves until its
// standard input ends. Needs nothing but Node.
import { createHash } from "node:crypto";
import { connect, createServer } from "node:net";
import { fileURLToPath } from "node:url";

/** No first messages of a server are longer, bytes: who sends more has not shown a key. */
const LONGEST = 256 * 1024;
/** Replies of a key exchange, each with the server's key first: RFC 4253, 8; RFC 5656, 4; RFC 4419, 3. */
const REPLIES = [31, 33];
/** From here on what a server sends is encrypted (RFC 4253, 7.3). */
const NEW_KEYS = 21;

/** A key's fingerprint as `ssh-keygen -l` prints it: SHA-256 of the key as it is sent, base64 without its end. */
export const fingerprintOf = (key) =>
  `SHA256:${createHash("sha256").update(key).digest("base64").replace(/=+$/, "")}`;

/**
 * The keys an SSH server has shown in what it sent so far (RFC 4253: lines, then its version, then packets, in clear until
 * the new keys are taken in use). That the last one is its own, it proves to the client itself.
 * @returns the keys, and whether all that comes is encrypted from here on. Throws where the bytes are no such beginning.
 */
export function keysIn(bytes) {
  const keys = [];
  let at = 0;
  for (;;) {
    const end = bytes.indexOf("\n", at, "latin1");
    if (end < 0) return { keys, encrypted: false };
    const isVersion = bytes.subarray(at, at + 4).toString("latin1") === "SSH-";
    at = end + 1;
    if (isVersion) break;
  }
  while (bytes.length >= at + 5) {
    const length = bytes.readUInt32BE(at);
    if (length < 2 || length > LONGEST) throw new Error("that is no SSH server");
    if (bytes.length < at + 4 + length) break;
    const payload = bytes.subarray(at + 5, at + 4 + length - bytes[at + 4]);
    at += 4 + length;
    if (payload[0] === NEW_KEYS) return { keys, encrypted: true };
    if (!REPLIES.includes(payload[0]) || payload.length < 5) continue;
    // A group exchange (RFC 4419) sends its group under the same number: that is no key.
    const key = payload.subarray(5, 5 + payload.readUInt32BE(1));
    if (isKey(key)) keys.push(key);
  }
  return { keys, encrypted: false };
}

/** A key says first what it is: ssh-ed25519, ecdsa-…, rsa-…, ssh-rsa. */
function isKey(key) {
  if (key.length < 8) return false;
  const size = key.readUInt32BE(0);
  return size < 64 && /^[a-z0-9@.-]+$/.test(key.subarray(4, 4 + size).toString("latin1"));
}

/** Passes connections on to a host for as long as its key is the one named. @returns the server that listens. */
export function pinnedTo(host, port, fingerprint, report) {
  return createServer((client) => {
    const server = connect(port, host);
    let said = Buffer.alloc(0);
    let trusted = false;
    const end = () => {
      client.destroy();
      server.destroy();
    };
    client.on("error", end).on("close", end).pipe(server);
    server.on("error", end).on("close", end);
    const refuse = (why) => {
      report(`The SFTP server ${why}.`);
      end();
    };
    server.on("data", (bytes) => {
      if (!trusted) {
        said = Buffer.concat([said, bytes]);
        if (said.length > LONGEST) return refuse("shows no key");
        try {
          const { keys, encrypted } = keysIn(said);
          // Each key it shows: one that is not used may come before the one that is.
          const other = keys.map(fingerprintOf).find((shown) => shown !== fingerprint);
          if (other) return refuse(`shows another key than the one named: ${other}`);
          if (encrypted && keys.length === 0) return refuse("shows no key");
          trusted = encrypted;
        } catch ({ message }) {
          return refuse(`cannot be read: ${message}`);
        }
      }
      client.write(bytes);
    });
  });
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [address = "", fingerprint = ""] = process.argv.slice(2);
  const [, host = "", port = ""] = /^(.*):(\d+)$/.exec(address) ?? [];
  const server = pinnedTo(host, Number(port), fingerprint, (line) => console.error(line));
  server.listen(0, "127.0.0.1", () => process.stdout.write(`${server.address().port}\n`));
  // Whoever began it holds its input open.
  process.stdin.resume().on("end", () => process.exit(0));
}
