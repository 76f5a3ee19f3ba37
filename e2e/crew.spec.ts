import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, statSync } from "node:fs";
import { get, request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { served } from "../harness/command";
import { expect, test, WEDGE } from "../harness/server";
import { barriersOn } from "./barriers";

const KEY = "moor-hall-hut-1926";
const WIDE = { ARLENT_LISTEN: "0.0.0.0" };

const setKey = (database: string, key: string) =>
  spawnSync(process.execPath, ["scripts/crew-key.mjs", "--stdin"], {
    encoding: "utf8",
    input: `${key}\n`,
    env: { ...process.env, ARLENT_DB: database },
  });
const fresh = () => join(mkdtempSync(join(tmpdir(), "arlent-crew-")), "hall.db");

test("listening wider than this machine without a crew key is refused, in a line", async () => {
  await expect(served("start", fresh(), [], WIDE)).rejects.toThrow(
    /Listening on 0\.0\.0\.0 lets everybody on the network in: set a crew key first/,
  );
  await expect(served("start", fresh(), [], { ARLENT_HOSTS: "hall.local" })).rejects.toThrow(
    /Answering as hall\.local lets everybody on the network in: set a crew key first/,
  );
});

test("a crew's server asks each device for the key once, tells it nothing before, and a new key asks again", async ({
  page,
  browser,
}) => {
  test.setTimeout(300_000);
  const database = fresh();
  expect(setKey(database, "short").status).toBe(1);
  expect(setKey(database, KEY).status).toBe(0);
  const file = `${database}.crew.json`;
  expect(readFileSync(file, "utf8")).not.toContain(KEY);
  expect(statSync(file).mode & 0o777).toBe(0o600);
  const { url, stop } = await served("start", database, [], WIDE);

  await test.step("without it nothing is told and nothing done", async () => {
    const api = await fetch(`${url}api/v1/people`);
    expect([api.status, (await api.json()).error.code]).toEqual([401, "no-session"]);
    const begun = await fetch(`${url}api/v1/ends`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(WEDGE),
    });
    expect(begun.status).toBe(401);
    const forged = await fetch(`${url}api/v1/people`, {
      headers: { cookie: `arlent-crew=${Date.now() + 1e9}.x.${"A".repeat(43)}` },
    });
    expect(forged.status).toBe(401);
    const led = await fetch(`${url}ledger?find=pad`, { redirect: "manual" });
    expect([led.status, led.headers.get("location")]).toEqual([307, `${url}enter?to=%2Fledger%3Ffind%3Dpad`]);
  });

  await test.step("a wrong key is refused, the right one leads on to where one was going", async () => {
    await page.goto(`${url}ledger`);
    await expect(page.getByRole("heading", { name: "This record belongs to a crew" })).toBeVisible();
    expect(await barriersOn(page)).toEqual([]);
    await page.getByLabel("Crew key").fill("not the crew's key");
    await page.keyboard.press("Enter");
    await expect(page.getByText("That is not the crew key.")).toBeVisible();
    await page.getByLabel("Crew key").fill(KEY);
    await page.keyboard.press("Enter");
    await expect(page.getByRole("heading", { name: "Ledger" })).toBeVisible();
    const [cookie] = await page.context().cookies();
    expect(cookie).toMatchObject({ name: "arlent-crew", httpOnly: true, sameSite: "Lax" });
    await page.goto(`${url}bench`);
    await expect(page.getByRole("heading", { name: "On the bench" })).toBeVisible();
  });

  await test.step("the door opens to a page of this server alone", async () => {
    const other = await browser.newPage();
    await other.goto(`${url}enter?to=/%09/example.org/`);
    await other.getByLabel("Crew key").fill(KEY);
    await other.getByRole("button", { name: "Come in" }).click();
    await other.waitForURL(url);
    await other.close();
  });

  await test.step("guessing is slowed, then the right key is taken again", async () => {
    const guess = (key: string) =>
      fetch(`${url}api/v1/enter`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ key }),
      });
    const statuses: number[] = [];
    for (let i = 0; i < 7; i++) statuses.push((await guess(`guess number ${i}`)).status);
    expect(statuses.slice(0, 5)).toEqual([403, 403, 403, 403, 403]);
    expect(statuses).toContain(429);
    await expect.poll(async () => (await guess(KEY)).status, { timeout: 20_000 }).toBe(200);
  });

  await test.step("a new key ends every session", async () => {
    expect(setKey(database, `${KEY}-b`).status).toBe(0);
    await page.goto(`${url}bench`);
    await expect(page.getByRole("heading", { name: "This record belongs to a crew" })).toBeVisible();
  });
  await stop();
});

test("a page runs the scripts it was sent with and no other", async ({ page, server }) => {
  const answer = await page.goto(server.url);
  const policy = answer?.headers()["content-security-policy"] ?? "";
  expect(policy).toMatch(/script-src 'self' 'nonce-[A-Za-z0-9+/=]{24}'(;|$)/);
  const again = await fetch(server.url);
  expect(again.headers.get("content-security-policy")).not.toBe(policy);
  const ran = await page.evaluate(() => {
    const script = document.createElement("script");
    script.textContent = "window.slipped = true";
    document.body.append(script);
    return "slipped" in window;
  });
  expect(ran).toBe(false);
});

test("a name set without a port holds for every port, and no other name is answered", async () => {
  const database = fresh();
  setKey(database, KEY);
  const { url, stop } = await served("start", database, [], {
    ARLENT_HOSTS: "Hall.local, [::1]",
    ARLENT_COMPRESS: "",
  });
  const { port } = new URL(url);
  const named = (host: string) =>
    new Promise<number | undefined>((answer, failed) =>
      get(url, { headers: { host } }, ({ statusCode }) => answer(statusCode)).once("error", failed),
    );
  expect(await named("hall.local"), "behind a server in front the key is asked for").toBe(307);
  expect(await named(`HALL.local:${port}`)).toBe(307);
  expect((await fetch(`${url}api/v1/people`)).status, "and at the machine itself").toBe(401);
  expect(await named("hall.local.example.org")).toBe(421);
  const traced = new Promise<number | undefined>((answer, failed) =>
    request(url, { method: "TRACE" }, ({ statusCode }) => answer(statusCode))
      .once("error", failed)
      .end(),
  );
  expect(await traced, "a method no page knows").toBe(405);
  const { mode } = statSync(database);
  expect(mode & 0o777, "the record is its server's alone").toBe(0o600);
  const enter = await fetch(`${url}enter`, { headers: { "x-forwarded-proto": "https" } });
  expect(Object.fromEntries(enter.headers)).toMatchObject({
    "strict-transport-security": "max-age=31536000",
    "cross-origin-opener-policy": "same-origin",
    "cross-origin-resource-policy": "same-origin",
    "permissions-policy": expect.stringContaining("geolocation=()"),
  });
  expect((await fetch(`${url}enter`)).headers.get("strict-transport-security")).toBeNull();
  const answer = await fetch(url, { headers: { "accept-encoding": "gzip" } });
  expect(answer.headers.get("content-encoding"), "what goes further is made small").toBe("gzip");
  await stop();
});
