import { once } from "node:events";
import { mkdtempSync } from "node:fs";
import { type AddressInfo, connect, createServer, type Server } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import ssh2 from "ssh2";
import { afterAll, describe, expect, it } from "vitest";
import { sftpStorage } from "../harness/storage-sftp";
import { fingerprintOf, keysIn, pinnedTo } from "./pinned.mjs";

const open: Server[] = [];
afterAll(() => {
  for (const server of open) server.close();
  return storage.close();
});

async function listening(server: Server): Promise<number> {
  open.push(server.listen(0, "127.0.0.1"));
  await once(server, "listening");
  return (server.address() as AddressInfo).port;
}

const storage = await sftpStorage(mkdtempSync(join(tmpdir(), "arlent-pinned-")), "wyn", "word");

/** Goes to the storage by a pinned way. @returns what came of it, and what was said. */
async function by(fingerprint: string): Promise<{ outcome: string; said: readonly string[] }> {
  const said: string[] = [];
  const [host = "", port = ""] = storage.host.split(":");
  const way = await listening(pinnedTo(host, Number(port), fingerprint, (line) => said.push(line)));
  const outcome = await new Promise<string>((done) => {
    const client = new ssh2.Client();
    client.once("ready", () => {
      done("in");
      client.end();
    });
    for (const end of ["error", "close"]) client.once(end, () => done("refused"));
    client.connect({ host: "127.0.0.1", port: way, username: "wyn", password: "word" });
  });
  return { outcome, said };
}

describe("a way to an SSH server", () => {
  it("lets the server through whose key was named", async () => {
    expect(await by(storage.fingerprint)).toEqual({ outcome: "in", said: [] });
  });
  it("lets no other through, says which key it showed, and sends it no password", async () => {
    expect(await by(fingerprintOf(Buffer.from("another key")))).toEqual({
      outcome: "refused",
      said: [`The SFTP server shows another key than the one named: ${storage.fingerprint}.`],
    });
  });
});

const text = (value: string): Buffer => {
  const bytes = Buffer.from(value);
  const size = Buffer.alloc(4);
  size.writeUInt32BE(bytes.length);
  return Buffer.concat([size, bytes]);
};
/** A packet of RFC 4253, 6, in clear. */
function packet(...payload: readonly Uint8Array[]): Buffer {
  const body = Buffer.concat([Buffer.of(4), ...payload, Buffer.alloc(4)]);
  const size = Buffer.alloc(4);
  size.writeUInt32BE(body.length);
  return Buffer.concat([size, body]);
}
const keyOf = (name: string): Buffer => Buffer.concat([text("ssh-ed25519"), text(name)]);
const reply = (key: Buffer): Buffer => {
  const size = Buffer.alloc(4);
  size.writeUInt32BE(key.length);
  return packet(Buffer.of(31), size, key, text("rest"));
};
const HELLO = Buffer.from("a line before\r\nSSH-2.0-hall\r\n");
const INIT = packet(Buffer.of(20), Buffer.alloc(60));
const NEW_KEYS = packet(Buffer.of(21));

describe("the keys in what a server sends", () => {
  it("are found whole, however it is cut, and none before they are there", () => {
    const sent = Buffer.concat([HELLO, INIT, reply(keyOf("hall")), NEW_KEYS]);
    for (let size = 0; size < sent.length; size++) {
      const { keys, encrypted } = keysIn(sent.subarray(0, size));
      expect(encrypted).toBe(false);
      for (const key of keys) expect(key).toEqual(keyOf("hall"));
    }
    expect(keysIn(sent)).toEqual({ keys: [keyOf("hall")], encrypted: true });
  });
  it.each([
    [
      "the named key first and its own after it",
      [INIT, reply(keyOf("hall")), reply(keyOf("stranger")), NEW_KEYS],
    ],
    ["no key at all", [INIT, NEW_KEYS]],
    ["what is no packet", [Buffer.alloc(64, 0xff)]],
  ])("%s: the server is cut off, and its last words are not passed on", async (_, packets) => {
    const server = await listening(
      createServer((socket) => {
        socket.on("error", () => undefined);
        socket.write(Buffer.concat([HELLO, ...packets, Buffer.from("and now the rest")]));
      }),
    );
    const said: string[] = [];
    const named = fingerprintOf(keyOf("hall"));
    const way = await listening(pinnedTo("127.0.0.1", server, named, (line) => said.push(line)));
    const client = connect(way, "127.0.0.1");
    let heard = "";
    client.on("data", (bytes) => {
      heard += bytes.toString("latin1");
    });
    await once(client, "close");
    expect(said).toHaveLength(1);
    expect(heard).not.toContain("and now the rest");
  });
});
