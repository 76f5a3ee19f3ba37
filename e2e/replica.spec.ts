import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { randomUUID } from "node:crypto";
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import type { BrowserContext } from "@playwright/test";
import sharp from "sharp";
import { COPIED_WITHIN_S } from "@/service/keeping/replica";
import { served } from "../harness/command";
import { freePort } from "../harness/next-server";
import { expect, test, WEDGE } from "../harness/server";
import { s3Storage } from "../harness/storage-s3";
import { sftpStorage } from "../harness/storage-sftp";
import { litestream, WATCHED } from "../scripts/replica.mjs";

const folder = () => mkdtempSync(join(tmpdir(), "arlent-replica-"));

test.skip(litestream() === null, "the optional package brings no copier for this machine");

test("a copy that cannot be kept is refused in a line", async () => {
  await expect(served("start", join(folder(), "a.db"), [], { ARLENT_REPLICA: "copies" })).rejects.toThrow(
    "ARLENT_REPLICA is a whole path",
  );
});

/** Runs a command to its end, without holding up the storage that is served here. */
const ended = (command: readonly string[], settings: Readonly<Record<string, string>>) =>
  new Promise<{ status: number | null; stdout: string; stderr: string }>((done) => {
    const child = spawn(process.execPath, command, { env: { ...process.env, ...settings } });
    let [stdout, stderr] = ["", ""];
    child.stdout.on("data", (text) => {
      stdout += text;
    });
    child.stderr.on("data", (text) => {
      stderr += text;
    });
    child.once("close", (status) => done({ status, stdout, stderr }));
  });

/** What a server is given of the place for its copy, and what ends that place. */
interface Place {
  readonly settings: Readonly<Record<string, string>> & { readonly ARLENT_REPLICA: string };
  readonly close: () => Promise<unknown>;
}

/** Each place a copy can be kept in, made ready. */
const PLACES: Readonly<Record<string, () => Promise<Place>>> = {
  "a folder": async () => ({ settings: { ARLENT_REPLICA: folder() }, close: async () => {} }),
  "storage as S3's": async () => {
    const { endpoint, close } = await s3Storage("moor", "moor-key");
    const keys = { LITESTREAM_ACCESS_KEY_ID: "moor-key", LITESTREAM_SECRET_ACCESS_KEY: "secret" };
    const settings = { ARLENT_REPLICA: "s3://moor/copies", ARLENT_REPLICA_ENDPOINT: endpoint, ...keys };
    return { settings, close };
  },
  "a folder by SFTP": async () => {
    const { host, fingerprint, close } = await sftpStorage(folder(), "wyn", "pad$4 {word}");
    const settings = {
      ARLENT_REPLICA: `sftp://wyn@${host}/copies`,
      ARLENT_REPLICA_PASSWORD: "pad$4 {word}",
      ARLENT_REPLICA_HOST_KEY: fingerprint,
    };
    return { settings, close };
  },
};

/** What is served from here: each database by the leader of its processes. None outlives a test that fails on the way. */
const serving = new Map<number, string>();

/** Kills a server with all of its processes, whatever they are at. */
function killWhole(leader: number, database: string): void {
  serving.delete(leader);
  process.kill(-leader, "SIGKILL");
  // The copier has a group of its own.
  spawnSync("kill", ["-9", "--", `-${readFileSync(`${database}.copier`, "utf8")}`]);
}

test.afterAll(() => {
  for (const [leader, database] of serving) killWhole(leader, database);
});

/**
 * Serves a new record with a copy of it kept in a place, puts readings and a photograph in, kills all of it and takes its
 * disk away; makes a standby of the copy, twice, and asks the standby what it has. @returns what came of it.
 */
async function lostAndStoodBy(device: BrowserContext, { settings, close }: Place) {
  const { request } = device;
  const database = join(folder(), "moor.db");
  const url = `http://127.0.0.1:${await freePort()}`;
  const child: ChildProcess = spawn(process.execPath, ["scripts/start.mjs"], {
    stdio: ["ignore", "pipe", "inherit"],
    detached: true,
    env: { ...process.env, ...settings, ARLENT_DB: database, PORT: new URL(url).port },
  });
  if (!child.pid) throw new Error("the server did not start");
  serving.set(child.pid, database);
  await new Promise((ready) => child.stdout?.once("data", ready));

  const { id } = await (await request.post(`${url}/api/v1/ends`, { data: WEDGE })).json();
  const picture = await sharp({ create: { width: 300, height: 200, channels: 3, background: "#224466" } })
    .png()
    .toBuffer();
  const photo = await request.post(`${url}/api/v1/ends/${id}/photos?client=x`, {
    data: picture,
    headers: { "content-type": "image/png" },
  });
  expect(photo.status()).toBe(200);
  const page = await device.newPage();
  await page.goto(`${url}/setup`);
  const reported = page.getByText("A standing copy is kept in");
  await expect(reported).toHaveText(/is in it\.$/);
  const stored: { job: string; at: number }[] = [];
  const until = Date.now() + (COPIED_WITHIN_S + 3) * 1000;
  for (let n = 0; Date.now() < until; n++) {
    const job = `pad ${n}`;
    const answer = await request.post(`${url}/api/v1/ends/${id}/events`, {
      data: {
        client: "x",
        after: 99_999,
        events: [{ id: randomUUID(), event: { kind: "label", job, label: "" } }],
      },
    });
    if (answer.ok()) stored.push({ job, at: Date.now() });
    // As quick as hands at several benches; more would only keep the machine busy.
    await new Promise((later) => setTimeout(later, 150));
  }
  await expect(reported).toHaveText(/(is in it|: [0-5] s behind)\.$/);
  await page.close();

  const killed = Date.now();
  killWhole(child.pid, database);
  rmSync(dirname(database), { recursive: true, force: true });

  const there = join(folder(), "standby", "moor.db");
  const standing = () => ended(["scripts/standby.mjs", settings.ARLENT_REPLICA, there], settings);
  const [first, again] = [await standing(), await standing()];
  const files = readdirSync(dirname(there)).sort();

  const standby = await served("start", there);
  const { events } = await (await request.get(`${standby.url}api/v1/ends/${id}`)).json();
  await standby.stop();
  await close();
  const jobs = new Set(events.map(({ event }: { event: { job?: string } }) => event.job));
  const missing = stored.filter(({ job, at }) => !jobs.has(job) && killed - at > COPIED_WITHIN_S * 1000);
  const photographed = events.some(({ event }: { event: { kind: string } }) => event.kind === "photo");
  return { first, again, files, stored, missing, photographed };
}

test.describe("the server killed and its disk lost, a standby is made of the copy", () => {
  const places = new Map<string, Promise<Awaited<ReturnType<typeof lostAndStoodBy>>>>();

  // All at once: most of it is waiting until a copy is old enough to be held to what is stated.
  test.beforeAll(async ({ device }) => {
    test.setTimeout(240_000);
    for (const [place, create] of Object.entries(PLACES))
      places.set(
        place,
        create().then((settings) => lostAndStoodBy(device, settings)),
      );
    await Promise.allSettled(places.values());
  });

  for (const place of Object.keys(PLACES))
    test(`in ${place}: nothing older than is stated is missing`, async () => {
      const came = await places.get(place);
      expect(came?.first.stderr.replaceAll(/^npm warn.*\n?/gm, "")).toBe("");
      expect([came?.first.status, came?.first.stdout]).toEqual([0, expect.stringContaining("it is whole")]);
      expect([came?.again.status, came?.again.stderr]).toEqual([
        2,
        expect.stringContaining("Nothing was overwritten"),
      ]);
      expect(came?.files).toEqual(["moor.db", "photos"]);
      expect(came?.stored.length).toBeGreaterThan(10);
      expect(came?.missing).toEqual([]);
      expect(came?.photographed).toBe(true);
    });
});

test("stopped in good order, a server that is copied leaves its file whole by itself, and no copier behind", async ({
  request,
}) => {
  const [home, copy] = [folder(), folder()];
  const database = join(home, "moor.db");
  const { url, stop } = await served("start", database, [], { ARLENT_REPLICA: copy });
  expect((await request.post(`${url}api/v1/ends`, { data: WEDGE })).status()).toBe(201);
  await stop();
  for (const beside of ["-wal", "-shm", ".serving", ".copier", ".copier.yml"])
    expect(existsSync(database + beside), beside).toBe(false);
});

/** What a process was started as; empty for one that is gone. */
function commandOf(pid: string): string {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, "utf8");
  } catch {
    return "";
  }
}

test("a program that handles no signal yet stops with whoever holds it", async () => {
  const child = spawn("/bin/sh", ["-c", WATCHED, "sh", "sleep", "60"], {
    stdio: ["ignore", "ignore", "ignore", "pipe"],
  });
  const ended = new Promise((done) => child.once("exit", (code) => done(code)));
  child.stdio[3]?.destroy();
  // Ended by signal 15, as a shell tells it.
  expect(await ended).toBe(128 + 15);
});

test("a server that is killed takes its copier with it", async () => {
  const database = join(folder(), "moor.db");
  const child: ChildProcess = spawn(process.execPath, ["scripts/start.mjs"], {
    stdio: ["ignore", "pipe", "inherit"],
    detached: true,
    env: { ...process.env, ARLENT_REPLICA: folder(), ARLENT_DB: database, PORT: String(await freePort()) },
  });
  if (!child.pid) throw new Error("the server did not start");
  serving.set(child.pid, database);
  await new Promise((ready) => child.stdout?.once("data", ready));
  const copies = () =>
    readdirSync("/proc")
      .filter((name) => /^\d+$/.test(name))
      .filter((pid) => commandOf(pid).includes(`${database}.copier.yml`));
  await expect.poll(copies).not.toEqual([]);
  // The one that was started, and nothing of what it started itself.
  process.kill(child.pid, "SIGKILL");
  await expect.poll(copies).toEqual([]);
});
