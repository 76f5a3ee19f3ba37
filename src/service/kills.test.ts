import { spawn } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { beforeAll, expect, it } from "vitest";
import { openStore } from "@/store/database";
import { actOn } from "./act";
import { startEnd } from "./ends";
import { addPhoto } from "./photos";
import { checkWholeRecord } from "./record-check";
import { restore } from "./restore";

/** So many times each command is killed, at moments spread over the time it takes. */
const KILLS = 6;

const folder = () => mkdtempSync(join(tmpdir(), "arlent-kills-"));
const home = folder();
const database = join(home, "a.db");
const backup = join(home, "whole.tar");

/** Runs a command, killed as a power cut would after so long; `null` lets it end. @returns how long it ran. */
const run = (command: string, args: readonly string[], killAfter: number | null): Promise<number> =>
  new Promise((done) => {
    const start = performance.now();
    const child = spawn(
      process.execPath,
      ["node_modules/tsx/dist/cli.mjs", `src/cli/${command}.ts`, ...args],
      {
        stdio: "ignore",
        detached: true,
        env: { ...process.env, ARLENT_DB: database },
      },
    );
    const timer =
      killAfter === null
        ? undefined
        : setTimeout(() => {
            // The whole group: the command runs in a child of its own.
            if (child.pid) process.kill(-child.pid, "SIGKILL");
          }, killAfter);
    child.once("exit", () => {
      clearTimeout(timer);
      done(performance.now() - start);
    });
  });

const moments = (whole: number) =>
  Array.from({ length: KILLS }, (_, i) => whole * (0.45 + (0.6 * i) / KILLS));

let whole: number;
beforeAll(async () => {
  const store = openStore(database);
  for (let i = 0; i < 60; i++)
    startEnd(actOn(store), { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" });
  const { id } = startEnd(actOn(store), {
    cable: "distribution-900",
    procedure: "stub-cam-crimp-900",
    core: "9/125",
  });
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
    await addPhoto(actOn(store), id, { client: "x" }, await sharp(noise).jpeg().toBuffer());
  }
  store.$client.close();
  whole = await run("backup", [backup], null);
}, 60_000);

it(`a backup killed ${KILLS} times is there whole or not there at all`, async () => {
  for (const after of moments(whole)) {
    const file = join(folder(), "b.tar");
    await run("backup", [file], after);
    if (existsSync(file)) {
      const { manifest } = await restore(file, join(folder(), "b.db"));
      expect(manifest).toMatchObject({ ends: 61, photographs: 12 });
    }
  }
}, 120_000);

it(`a restore killed ${KILLS} times leaves the whole record or none, and another begins once its rest is taken away`, async () => {
  for (const after of moments(whole * 1.2)) {
    const target = join(folder(), "b.db");
    await run("restore", [backup, target], after);
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
