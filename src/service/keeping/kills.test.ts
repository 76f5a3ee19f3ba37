import { spawn } from "node:child_process";
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import sharp from "sharp";
import { beforeAll, expect, it } from "vitest";
import { check, zPhotoQuery, zStart } from "@/core";
import { goldenFile } from "@/store/fixtures/golden";
import { openStore } from "@/store/opening/open";
import { keepPhoto } from "@/store/record/photos";
import { copierSettings, litestream, replicaTarget, writeSettings } from "../../../scripts/replica.mjs";
import { actOn } from "../act";
import { startEnd } from "../end/ends";
import { addPhoto } from "../end/photos";
import { checkWholeRecord } from "./record-check";
import { copyPhotographs } from "./replica";
import { restore } from "./restore";

/** So many times each command is killed, at moments spread over the time it takes. */
const KILLS = 6;

const folder = () => mkdtempSync(join(tmpdir(), "arlent-kills-"));
const home = folder();
const database = join(home, "a.db");
const backup = join(home, "whole.tar");

/** Runs a program, killed as a power cut would after so long; `null` lets it end, and end well. @returns how long it ran. */
const run = (program: string, args: readonly string[], killAfter: number | null): Promise<number> =>
  new Promise((done, failed) => {
    const start = performance.now();
    const child = spawn(process.execPath, [program, ...args], {
      stdio: "ignore",
      detached: true,
      env: { ...process.env, ARLENT_DB: database },
    });
    const timer =
      killAfter === null
        ? undefined
        : setTimeout(() => {
            // The whole group: what a command starts is killed with it.
            if (child.pid) process.kill(-child.pid, "SIGKILL");
          }, killAfter);
    child.once("exit", (code) => {
      clearTimeout(timer);
      if (killAfter === null && code !== 0) failed(new Error(`${program} ended with ${code}`));
      done(performance.now() - start);
    });
  });

const command = (name: string) => `.arlent/run/${name}.mjs`;

const moments = (whole: number) =>
  Array.from({ length: KILLS }, (_, i) => whole * (0.45 + (0.6 * i) / KILLS));

let whole: number;
beforeAll(async () => {
  const store = openStore(database);
  for (let i = 0; i < 60; i++)
    startEnd(
      actOn(store),
      check(zStart, { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" }),
    );
  const { id } = startEnd(
    actOn(store),
    check(zStart, {
      cable: "distribution-900",
      procedure: "stub-cam-crimp-900",
      core: "9/125",
    }),
  );
  for (let i = 0; i < 12; i++) {
    const noise = {
      create: {
        width: 900 + i,
        height: 700,
        channels: 3,
        background: "#000",
        noise: { type: "gaussian", mean: 128, sigma: 60 },
      },
    } as const;
    await addPhoto(
      actOn(store),
      id,
      check(zPhotoQuery, { client: "x" }),
      await sharp(noise).jpeg().toBuffer(),
    );
  }
  store.$client.close();
  whole = await run(command("backup"), [backup], null);
}, 60_000);

it(`a backup killed ${KILLS} times is there whole or not there at all`, async () => {
  for (const after of moments(whole)) {
    const file = join(folder(), "b.tar");
    await run(command("backup"), [file], after);
    if (existsSync(file)) {
      const { manifest } = await restore(file, join(folder(), "b.db"));
      expect(manifest).toMatchObject({ ends: 61, photographs: 12 });
    }
  }
}, 120_000);

it(`a restore killed ${KILLS} times leaves the whole record or none, and another begins once its rest is taken away`, async () => {
  for (const after of moments(whole * 1.2)) {
    const target = join(folder(), "b.db");
    await run(command("restore"), [backup, target], after);
    if (!existsSync(target)) {
      rmSync(`${target}.restoring`, { recursive: true, force: true });
      await restore(backup, target);
    }
    const store = openStore(target);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
    store.$client.close();
    expect(readdirSync(join(target, "..", "photos"))).toHaveLength(12);
  }
}, 120_000);

it(`a record of an older Arlent, lifted and killed ${KILLS} times, is lifted whole the next time, nothing of it changed`, async () => {
  const lift = command("open-once");
  const old = (): string => {
    const file = join(folder(), "old.db");
    writeFileSync(file, goldenFile(6));
    return file;
  };
  const entries = new Database(old(), { readonly: true }).prepare("SELECT entry FROM entries ORDER BY rowid");
  const before = entries.pluck().all();
  const takes = await run(lift, [old()], null);
  for (const after of moments(takes)) {
    const file = old();
    await run(lift, [file], after);
    const store = openStore(file);
    expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
    expect(store.$client.prepare("SELECT body FROM events ORDER BY n").pluck().all()).toEqual(before);
    store.$client.close();
  }
}, 120_000);

/** Cuts short the first photograph beside a database, as a kill in the middle of a copy would. @returns its name. */
function cutShort(target: string): string {
  const [name = ""] = readdirSync(join(home, "photos"));
  mkdirSync(join(target, "..", "photos"), { recursive: true });
  writeFileSync(join(target, "..", "photos", name), readFileSync(join(home, "photos", name)).subarray(0, 99));
  return name;
}

const isAsTaken = (target: string, name: string): boolean =>
  readFileSync(join(target, "..", "photos", name)).equals(readFileSync(join(home, "photos", name)));

it("a photograph that was cut short is put right by a restore, and by taking it again", async () => {
  const target = join(folder(), "b.db");
  const name = cutShort(target);
  await restore(backup, target);
  expect(isAsTaken(target, name)).toBe(true);
  cutShort(target);
  const store = openStore(target);
  expect(keepPhoto(store, readFileSync(join(home, "photos", name))).sha256).toBe(
    name.slice(0, -".jpg".length),
  );
  store.$client.close();
  expect(isAsTaken(target, name)).toBe(true);
});

it.skipIf(litestream() === null)(
  `a standby made and killed ${KILLS} times is there whole or not there at all, and made by another try`,
  async () => {
    const copy = folder();
    const settings = join(copy, "copier.yml");
    writeSettings(settings, copierSettings(replicaTarget(copy), database));
    const copier = spawn(litestream() ?? "", ["replicate", "-config", settings], { stdio: "ignore" });
    await expect.poll(() => existsSync(join(copy, "record", "generations")), { timeout: 20_000 }).toBe(true);
    copier.kill("SIGINT");
    await new Promise((ended) => copier.once("exit", ended));
    await copyPhotographs(database, copy);
    const takes = await run(command("standby"), [copy, join(folder(), "a.db")], null);
    const again = join(folder(), "b.db");
    const cut = cutShort(again);
    await run(command("standby"), [copy, again], null);
    expect(isAsTaken(again, cut)).toBe(true);
    for (const after of moments(takes)) {
      const target = join(folder(), "b.db");
      await run(command("standby"), [copy, target], after);
      if (!existsSync(target)) await run(command("standby"), [copy, target], null);
      const store = openStore(target);
      expect([...checkWholeRecord(store)].flatMap(({ findings }) => findings)).toEqual([]);
      store.$client.close();
      expect(readdirSync(join(target, "..", "photos"))).toHaveLength(12);
    }
  },
  120_000,
);
