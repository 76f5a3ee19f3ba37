import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { beforeAll, describe, expect, it } from "vitest";
import { check, problemOf, zEnter } from "@/core";
import { letDeviceIn, mayComeIn, ownSession, SESSION_SECONDS, waitAfter } from "./crew";

const KEY = "moor-hall-hut-1926";
const database = join(mkdtempSync(join(tmpdir(), "arlent-crew-")), "a.db");
const file = `${database}.crew.json`;
const setKey = (key: string) =>
  spawnSync(process.execPath, ["scripts/crew-key.mjs", "--stdin"], {
    input: key,
    env: { ...process.env, ARLENT_DB: database },
  });
const codeOf = (work: Promise<unknown>) =>
  work.then(
    () => null,
    (error) => problemOf(error)?.code,
  );
beforeAll(() => {
  setKey(KEY);
});

/** An address that keys come from. */
const HALL = "10.0.0.7";

describe("a device", () => {
  it("is let in by the crew's key alone, and by its session until that runs out", async () => {
    const now = Date.UTC(2026, 10, 26);
    const session = await letDeviceIn(file, check(zEnter, { key: KEY }), HALL, now);
    expect(mayComeIn(file, session, now + SESSION_SECONDS * 1000 - 1)).toBe(true);
    expect(mayComeIn(file, session, now + SESSION_SECONDS * 1000)).toBe(false);
    expect(await codeOf(letDeviceIn(file, check(zEnter, { key: `${KEY} ` }), HALL, now))).toBe("wrong-key");
  });
  it("is not let in by a session that says another time, another device or nothing", async () => {
    const session = await letDeviceIn(file, check(zEnter, { key: KEY }), HALL);
    const [until = "", id = "", mac = ""] = session.split(".");
    for (const forged of [
      `${Number(until) + 1}.${id}.${mac}`,
      `${until}.${id}x.${mac}`,
      `${until}.${id}.${mac.slice(0, -2)}AA`,
      `Infinity.${id}.${mac}`,
      `${until}.${id}.`,
      "..",
      "",
      undefined,
    ])
      expect(mayComeIn(file, forged), String(forged)).toBe(false);
  });
  it("is not asked where the server listens to its own machine alone", () => {
    expect(mayComeIn(undefined, undefined)).toBe(true);
    expect(mayComeIn("", undefined)).toBe(true);
  });
  it("that is the server itself is let in for a minute, and no longer", () => {
    const now = Date.UTC(2026, 10, 26);
    const own = ownSession(file, now) ?? "";
    expect(mayComeIn(file, own, now + 59_999)).toBe(true);
    expect(mayComeIn(file, own, now + 60_000)).toBe(false);
    expect(ownSession(undefined)).toBeNull();
    expect(ownSession("")).toBeNull();
  });
  it("is asked again once the key is another", async () => {
    const session = await letDeviceIn(file, check(zEnter, { key: KEY }), HALL);
    setKey(`${KEY}-b`);
    expect(mayComeIn(file, session)).toBe(false);
    expect(await codeOf(letDeviceIn(file, check(zEnter, { key: KEY }), HALL))).toBe("wrong-key");
    setKey(KEY);
  });
});

describe("guessing", () => {
  it("waits longer with every wrong key after the fifth in a row, a minute at most", () => {
    expect([0, 4, 5, 6, 10, 30].map(waitAfter)).toEqual([0, 0, 1_000, 2_000, 32_000, 60_000]);
  });
  it("is refused unseen while it waits, the right key too; afterwards that is taken", async () => {
    const now = Date.now();
    for (let i = 0; i < 5; i++)
      await codeOf(letDeviceIn(file, check(zEnter, { key: `guess ${i}` }), HALL, now));
    expect(await codeOf(letDeviceIn(file, check(zEnter, { key: KEY }), HALL, now + 500))).toBe("too-often");
    expect(await codeOf(letDeviceIn(file, check(zEnter, { key: KEY }), HALL, now + 60_001))).toBeNull();
  });
  it("from one address keeps no other out", async () => {
    const now = Date.now() + 3_600_000;
    const from = (address: string, key: string, at = now) =>
      codeOf(letDeviceIn(file, check(zEnter, { key }), address, at));
    for (let i = 0; i < 8; i++) await from("10.0.0.66", `guess ${i}`);
    expect(await from("10.0.0.66", KEY)).toBe("too-often");
    expect(await from("10.0.0.8", KEY)).toBeNull();
  });
  it("from many addresses is slowed for all, by seconds and never for long", async () => {
    const now = Date.now() + 7_200_000;
    const from = (address: string, key: string, at = now) =>
      codeOf(letDeviceIn(file, check(zEnter, { key }), address, at));
    for (let i = 0; i < 60; i++) await from(`10.1.0.${i}`, `guess ${i}`);
    expect(await from("10.0.0.8", KEY, now + 1_999)).toBe("too-often");
    expect(await from("10.0.0.8", KEY, now + 2_000)).toBeNull();
  }, 60_000);
});
