import { generateKeyPairSync } from "node:crypto";
import * as fs from "node:fs";
import { join, posix } from "node:path";
import ssh2, { type SFTPWrapper } from "ssh2";
import { fingerprintOf } from "../scripts/pinned.mjs";

const { STATUS_CODE, OPEN_MODE } = ssh2.utils.sftp;

const attributes = ({ mode, size, mtimeMs, atimeMs, uid, gid }: fs.Stats) => ({
  mode,
  size,
  uid,
  gid,
  atime: Math.floor(atimeMs / 1000),
  mtime: Math.floor(mtimeMs / 1000),
});

type Opened = { fd: number } | { names: string[]; path: string };

/** The files and folders a client has opened, by the number it was given. */
function openHandles() {
  const open = new Map<number, Opened>();
  let next = 0;
  const handle = (opened: Opened): Buffer => {
    const name = Buffer.alloc(4);
    name.writeUInt32BE(next, 0);
    open.set(next, opened);
    next += 1;
    return name;
  };
  return {
    handle,
    of: (name: Buffer) => open.get(name.readUInt32BE(0)),
    close: (name: Buffer) => open.delete(name.readUInt32BE(0)),
  };
}

/** Does something with a file and answers that it was done, or why it failed. */
function answering(sftp: SFTPWrapper) {
  /** Does something with a file and answers it, or why that failed. */
  const answer = (id: number, work: () => void): void => {
    try {
      work();
    } catch (error) {
      const missing = error instanceof Error && "code" in error && error.code === "ENOENT";
      sftp.status(id, missing ? STATUS_CODE.NO_SUCH_FILE : STATUS_CODE.FAILURE);
    }
  };
  const done = (id: number, work: () => void) =>
    answer(id, () => {
      work();
      sftp.status(id, STATUS_CODE.OK);
    });
  return { answer, done };
}

/** Files of one folder, to be asked for as an SFTP server's (SSH File Transfer Protocol version 3, by the ssh2 package). */
function serveFiles(sftp: SFTPWrapper, root: string): void {
  const here = (path: string) => join(root, posix.normalize(`/${path}`));
  const { handle, of, close } = openHandles();
  const { answer, done } = answering(sftp);
  sftp.on("OPEN", (id, path, flags) =>
    answer(id, () => {
      const writes = (flags & OPEN_MODE.WRITE) !== 0;
      const how = writes ? ((flags & OPEN_MODE.TRUNC) !== 0 || !fs.existsSync(here(path)) ? "w" : "r+") : "r";
      sftp.handle(id, handle({ fd: fs.openSync(here(path), how) }));
    }),
  );
  sftp.on("READ", (id, name, offset, length) =>
    answer(id, () => {
      const file = of(name);
      const bytes = Buffer.alloc(length);
      const read = file && "fd" in file ? fs.readSync(file.fd, bytes, 0, length, offset) : 0;
      if (read === 0) sftp.status(id, STATUS_CODE.EOF);
      else sftp.data(id, bytes.subarray(0, read));
    }),
  );
  sftp.on("WRITE", (id, name, offset, data) =>
    done(id, () => {
      const file = of(name);
      if (file && "fd" in file) fs.writeSync(file.fd, data, 0, data.length, offset);
    }),
  );
  sftp.on("CLOSE", (id, name) =>
    done(id, () => {
      const file = of(name);
      if (file && "fd" in file) fs.closeSync(file.fd);
      close(name);
    }),
  );
  sftp.on("OPENDIR", (id, path) =>
    answer(id, () => sftp.handle(id, handle({ names: fs.readdirSync(here(path)), path }))),
  );
  sftp.on("READDIR", (id, name) =>
    answer(id, () => {
      const folder = of(name);
      if (!folder || !("names" in folder) || folder.names.length === 0)
        return sftp.status(id, STATUS_CODE.EOF);
      const names = folder.names.splice(0);
      sftp.name(
        id,
        names.map((filename) => ({
          filename,
          longname: filename,
          attrs: attributes(fs.statSync(join(here(folder.path), filename))),
        })),
      );
    }),
  );
  const stat = (id: number, path: string) =>
    answer(id, () => sftp.attrs(id, attributes(fs.statSync(here(path)))));
  sftp.on("STAT", stat).on("LSTAT", stat);
  sftp.on("FSTAT", (id, name) =>
    answer(id, () => {
      const file = of(name);
      if (file && "fd" in file) sftp.attrs(id, attributes(fs.fstatSync(file.fd)));
      else sftp.status(id, STATUS_CODE.FAILURE);
    }),
  );
  sftp.on("REALPATH", (id, path) =>
    sftp.name(id, [
      { filename: posix.normalize(`/${path}`), longname: "", attrs: attributes(fs.statSync(root)) },
    ]),
  );
  sftp.on("MKDIR", (id, path) => done(id, () => fs.mkdirSync(here(path))));
  sftp.on("RMDIR", (id, path) => done(id, () => fs.rmdirSync(here(path))));
  sftp.on("REMOVE", (id, path) => done(id, () => fs.rmSync(here(path))));
  sftp.on("RENAME", (id, from, to) => done(id, () => fs.renameSync(here(from), here(to))));
  sftp.on("SETSTAT", (id) => done(id, () => undefined));
  sftp.on("FSETSTAT", (id) => done(id, () => undefined));
}

/** An SFTP server over a folder, for one user by one password. */
export async function sftpStorage(root: string, user: string, password: string) {
  const { privateKey } = generateKeyPairSync("rsa", {
    modulusLength: 2048,
    publicKeyEncoding: { type: "pkcs1", format: "pem" },
    privateKeyEncoding: { type: "pkcs1", format: "pem" },
  });
  const server = new ssh2.Server({ hostKeys: [privateKey] }, (client) => {
    client.on("error", () => undefined);
    client.on("authentication", (attempt) => {
      if (attempt.method === "password" && attempt.username === user && attempt.password === password)
        attempt.accept();
      else attempt.reject(["password"]);
    });
    client.on("session", (accept) => accept().on("sftp", (begin) => serveFiles(begin(), root)));
  });
  const port = await new Promise<number>((ready) =>
    server.listen(0, "127.0.0.1", () => {
      const address = server.address();
      ready(typeof address === "object" && address ? address.port : 0);
    }),
  );
  const parsed = ssh2.utils.parseKey(privateKey);
  const key = parsed instanceof Error ? Buffer.alloc(0) : parsed.getPublicSSH();
  return {
    host: `127.0.0.1:${port}`,
    fingerprint: fingerprintOf(key),
    close: () => new Promise<void>((gone) => server.close(() => gone())),
  };
}
