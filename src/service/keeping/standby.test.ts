import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readdirSync, statSync, truncateSync, utimesSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { expect, it } from "vitest";
import { check, zBenchQuery, zStart } from "@/core";
import { openStore } from "@/store/opening/open";
import { copierSettings, litestream, replicaTarget, writeSettings } from "../../../scripts/replica.mjs";
import { actOn } from "../act";
import { benchPage } from "../end/bench-page";
import { startEnd } from "../end/ends";
import { keepSeal } from "./kept-seals";
import { copySeals } from "./replica";

const WEDGE = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };
const folder = () => mkdtempSync(join(tmpdir(), "arlent-standby-"));

/** Parts of a copy's log, oldest first. */
const parts = (copy: string): string[] =>
  existsSync(copy)
    ? readdirSync(copy, { recursive: true, encoding: "utf8" })
        .filter((name) => /\/wal\/.*\.wal\.lz4$/.test(name))
        .sort()
        .map((name) => join(copy, name))
    : [];

it.skipIf(litestream() === null)(
  "a standby is made of a copy whose last part was half written as the server died, and says up to when",
  async () => {
    const [home, copy] = [folder(), folder()];
    const database = join(home, "moor.db");
    const store = openStore(database);
    const ends: string[] = [];
    const settings = join(copy, "copier.yml");
    writeSettings(settings, copierSettings(replicaTarget(copy), database));
    ends.push(startEnd(actOn(store), check(zStart, WEDGE)).id);
    const copier = spawn(litestream() ?? "", ["replicate", "-config", settings], { stdio: "ignore" });
    await expect.poll(() => parts(copy).length, { timeout: 20_000 }).toBe(1);
    keepSeal(store, database);
    ends.push(startEnd(actOn(store), check(zStart, WEDGE)).id);
    await expect.poll(() => parts(copy).length, { timeout: 20_000 }).toBe(2);
    keepSeal(store, database);
    await copySeals(database, copy);
    copier.kill("SIGKILL");
    await new Promise((ended) => copier.once("exit", ended));
    store.$client.close();
    const last = parts(copy).at(-1) ?? "";
    const { size, atime, mtimeMs } = statSync(last);
    truncateSync(last, Math.floor(size / 2));
    // A part comes a second after another at the least, and the copier tells whole seconds.
    utimesSync(last, atime, new Date(mtimeMs + 1_000));

    const there = join(folder(), "moor.db");
    const { status, stdout, stderr } = spawnSync(process.execPath, [".arlent/run/standby.mjs", copy, there], {
      encoding: "utf8",
    });
    expect([status, stderr]).toEqual([0, ""]);
    expect(stdout).toMatch(/could not be read, as one half written: the ends and events are as of \S+Z\./);
    expect(stdout).toContain("it is whole");
    // The first seal holds; the second is over the end that is missing.
    expect(stdout).toContain("The copy ends before 1 of its 2 seals: what was stored last is not in it.");
    const standby = openStore(there);
    // All but what was in the half part is there.
    expect(benchPage(standby, check(zBenchQuery, {})).rows.map(({ id }) => id)).toEqual([ends[0]]);
    standby.$client.close();
  },
  60_000,
);
