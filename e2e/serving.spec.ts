import { spawnSync } from "node:child_process";
import { copyFileSync, existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { Agent, get } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import Database from "better-sqlite3";
import { z } from "zod";
import { actOn } from "@/service/act";
import { seeToBlade } from "@/service/workshop/tools";
import { openStore } from "@/store/opening/open";
import { served } from "../harness/command";
import { expect, test, WEDGE } from "../harness/server";

const folder = () => mkdtempSync(join(tmpdir(), "arlent-serving-"));
const refused = (script: "start" | "demo", env: Record<string, string>, ...flags: string[]) => {
  const { status, stderr } = spawnSync(process.execPath, [`scripts/${script}.mjs`, ...flags], {
    encoding: "utf8",
    env: { ...process.env, ...env },
  });
  return { status, lines: stderr.trim().split("\n").length, stderr };
};

test("npm start serves an empty record of one's own; stopped, its file is whole by itself", async ({
  request,
}) => {
  const database = join(folder(), "work", "moor.db");
  // As it comes: all loaded at the start, and on one machine nothing made small for the way.
  const first = await served("start", database, [], { ARLENT_LOAD: "", ARLENT_COMPRESS: "" });
  expect((await request.get(`${first.url}setup`)).headers()["content-encoding"]).toBeUndefined();
  expect(await (await request.get(`${first.url}api/v1/ends`)).json()).toMatchObject({ rows: [], count: 0 });
  const { id } = await (await request.post(`${first.url}api/v1/ends`, { data: WEDGE })).json();

  await expect(served("start", database)).rejects.toThrow(
    /moor\.db is served already by http:\/\/127\.0\.0\.1:\d+ \(process \d+, since .* UTC\)/,
  );
  expect((await request.get(`${first.url}api/v1/ends/${id}`)).status()).toBe(200);

  await first.stop();
  for (const beside of ["-wal", "-shm", ".serving"])
    expect(existsSync(database + beside), beside).toBe(false);
  const copy = join(folder(), "copy.db");
  copyFileSync(database, copy);
  const copied = await served("start", copy);
  expect((await request.get(`${copied.url}api/v1/ends/${id}`)).status()).toBe(200);
  await copied.stop();
});

test("the demo touches no database it did not fill, and real work goes into none it did", () => {
  const [own, demos] = [join(folder(), "own.db"), join(folder(), "demo.db")];
  for (const [file, mark] of [
    [own, 0],
    [demos, 0x44454d4f],
  ] as const) {
    const database = new Database(file);
    database.exec("CREATE TABLE kept (t text)");
    database.pragma(`user_version = ${mark}`);
    database.close();
  }
  const before = readFileSync(own);
  for (const flags of [[], ["--fresh"]])
    expect(refused("demo", { ARLENT_DB: own }, ...flags)).toMatchObject({
      status: 1,
      lines: 1,
      stderr: expect.stringContaining("has no mark of the demo"),
    });
  expect(readFileSync(own).equals(before)).toBe(true);
  expect(refused("start", { ARLENT_DB: demos })).toMatchObject({
    status: 1,
    lines: 1,
    stderr: expect.stringContaining("holds the demo's made-up data"),
  });
});

for (const [env, message] of [
  [{ PORT: "eighty" }, "PORT is a number from 1 to 65535, not “eighty”."],
  [{ PORT: "0" }, "PORT is a number from 1 to 65535, not “0”."],
  [{ ARLENT_LISTEN: "the hall" }, "ARLENT_LISTEN is an address"],
  [{ ARLENT_LISTEN: "192.0.2.1" }, "Nothing can listen on 192.0.2.1: EADDRNOTAVAIL."],
  [{ ARLENT_HOSTS: "hall.local, a b" }, "ARLENT_HOSTS is a list of names with commas"],
] as const)
  test(`${JSON.stringify(env)} gets a line, not a stack`, () => {
    const { status, lines, stderr } = refused("start", { ...env, ARLENT_DB: join(folder(), "a.db") });
    expect([status, lines]).toEqual([1, 1]);
    expect(stderr).toContain(message);
  });

test("a damaged file is told on every page and by the interface, with what to do, and nothing is claimed of it", async ({
  page,
  request,
}) => {
  const database = join(folder(), "torn.db");
  writeFileSync(database, "not a database, but long enough to be looked at as one ".repeat(40));
  const { url, stop } = await served("start", database);
  for (const path of ["", "bench", "ledger"]) {
    await page.goto(url + path);
    await expect(page.getByRole("heading", { name: "The record cannot be opened" })).toBeVisible();
    await expect(page.getByText("restore the newest backup into another place")).toBeVisible();
    await expect(page.getByText(/\bsafe\b/)).toHaveCount(0);
  }
  const answer = await request.post(`${url}api/v1/ends`, { data: WEDGE });
  expect([answer.status(), (await answer.json()).error.code]).toEqual([503, "damaged"]);
  await stop();
});

test("a backup saved from Setup, put back by the command elsewhere, is served as the same record", async ({
  page,
  request,
  server,
}) => {
  const { id } = await (await request.post("/api/v1/ends", { data: WEDGE })).json();
  await page.goto("/setup");
  await expect(page.getByText("No backup is made automatically")).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save a backup" }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^arlent-\d{4}-\d{2}-\d{2}-\d{6}\.tar$/);
  const backup = await download.path();
  const database = join(folder(), "back", "moor.db");
  const command = (...args: string[]) =>
    spawnSync(process.execPath, ["scripts/restore.mjs", ...args], { encoding: "utf8" });
  const put = command(backup, database);
  expect([put.status, put.stdout]).toEqual([0, expect.stringContaining("checked whole")]);
  expect(command(backup, database)).toMatchObject({
    status: 2,
    stderr: expect.stringContaining("Nothing was overwritten"),
  });
  const back = await served("start", database);
  const events = async (url: string) => (await request.get(`${url}/api/v1/ends/${id}/record`)).json();
  expect(await events(back.url.slice(0, -1))).toEqual(await events(server.url));
  await back.stop();
});

test("backups are made by themselves into a folder that is named", async ({ page }) => {
  const [database, to] = [join(folder(), "moor.db"), folder()];
  const { url, stop } = await served("start", database, [], { ARLENT_BACKUP: to });
  await expect.poll(() => readdirSync(to).length).toBe(1);
  await page.goto(`${url}setup`);
  await expect(page.getByText(/One is made automatically every 24 h\. The last:/)).toBeVisible();
  await stop();
});

test("how far the standing copy is behind is told anew while Setup is open", async ({ page }) => {
  let behind = 9;
  await page.route("**/api/v1/backups", (route) =>
    route.fulfill({
      json: {
        every: null,
        last: null,
        problem: null,
        drill: null,
        copy: { folder: "/moor/copies", behind, problem: null },
      },
    }),
  );
  await page.goto("/setup");
  const reported = page.getByText("A standing copy is kept in");
  await expect(reported).toHaveText(/: 9 s behind\.$/);
  behind = 0;
  await expect(reported).toHaveText(/: all that was stored is in it\.$/);
});

test("Setup says that a backup failed, and that the server's clock was set back, whichever part of the server found it", async ({
  page,
}) => {
  const [home, database] = [folder(), join(folder(), "moor.db")];
  const store = openStore(database);
  const ahead = new Date(Date.now() + 2 * 86_400_000);
  seeToBlade(actOn(store, ahead), "bench-cleaver", { action: "new" });
  store.$client.close();
  const taken = join(home, "no-folder");
  writeFileSync(taken, "a file");
  const { url, stop } = await served("start", database, [], { ARLENT_BACKUP: taken });
  await page.goto(`${url}setup`);
  await expect(page.getByText("The server’s clock was set back by 48 h.")).toBeVisible();
  await expect(page.getByText(/The last try failed\./)).toBeVisible();
  await stop();
});

test("a stop ends while devices keep asking, and the file is whole by itself all the same", async ({
  page,
  request,
}) => {
  const database = join(folder(), "moor.db");
  const { url, stop } = await served("start", database);
  const { id } = await (await request.post(`${url}api/v1/ends`, { data: WEDGE })).json();
  await page.goto(`${url}bench/${id}`);
  let asking = true;
  const agent = new Agent({ keepAlive: true });
  const ask = () =>
    new Promise<void>((done) =>
      get(`${url}api/v1/timers`, { agent }, (answer) => answer.resume().once("end", done)).once("error", () =>
        done(),
      ),
    );
  const requested = (async () => {
    while (asking) await ask();
  })();
  await stop();
  asking = false;
  await requested;
  agent.destroy();
  expect(existsSync(`${database}-wal`)).toBe(false);
});

/** What is shown of a script as it is compiled, so far as it is asked here. */
const zCompiled = z.object({
  name: z.literal("v8.compile"),
  args: z.object({ data: z.object({ url: z.string(), consumedCacheSize: z.number().default(0) }) }),
});

test("a page visited again finds its scripts compiled: a browser keeps at least as much of each as it has to read", async ({
  page,
  request,
}) => {
  // The first visit brings a script, the second keeps what was compiled of it, the third finds it.
  await page.goto("/ledger");
  await page.goto("/ledger");
  const session = await page.context().newCDPSession(page);
  const compiled: z.infer<typeof zCompiled>[] = [];
  session.on("Tracing.dataCollected", ({ value }) => {
    compiled.push(...value.flatMap((event) => zCompiled.safeParse(event).data ?? []));
  });
  await session.send("Tracing.start", {
    transferMode: "ReportEvents",
    traceConfig: { includedCategories: ["devtools.timeline", "v8"] },
  });
  await page.goto("/ledger");
  const complete = new Promise<void>((done) => session.once("Tracing.tracingComplete", () => done()));
  await session.send("Tracing.end");
  await complete;
  await session.detach();

  let [read, index] = [0, 0];
  for (const { url, consumedCacheSize } of compiled.map(({ args }) => args.data)) {
    if (!url.includes("/_next/static/chunks/")) continue;
    read += (await (await request.get(url)).body()).length;
    index += consumedCacheSize;
  }
  expect(read).toBeGreaterThan(500_000);
  expect(index).toBeGreaterThan(read);
});
