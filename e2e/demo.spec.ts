import { type ChildProcess, spawn, spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { freePort } from "./next-server";
import { expect, test, WEDGE } from "./server";

test.describe("npm run demo", () => {
  /** Runs the demo command until it has printed its address. */
  async function demo(
    database: string,
    ...flags: string[]
  ): Promise<{ url: string; stop: () => Promise<void> }> {
    const child: ChildProcess = spawn(process.execPath, ["scripts/demo.mjs", ...flags], {
      stdio: ["ignore", "pipe", "inherit"],
      env: { ...process.env, ARLENT_DB: database, PORT: String(await freePort()) },
    });
    const gone = new Promise<void>((done) => child.once("exit", () => done()));
    const url = await new Promise<string>((answer, failed) => {
      child.stdout?.on("data", (text) => {
        const address = /http:\/\/127\.0\.0\.1:\d+\//.exec(String(text))?.[0];
        if (address) answer(address);
      });
      child.once("exit", () => failed(new Error("the demo ended")));
    });
    return {
      url,
      stop: () => {
        child.kill("SIGTERM");
        return gone;
      },
    };
  }

  test("fills itself once, keeps what the user entered, and starts over when asked", async ({ request }) => {
    test.setTimeout(150_000);
    const database = join(mkdtempSync(join(tmpdir(), "arlent-demo-")), "demo.db");
    const count = async (url: string) => (await (await request.get(`${url}api/v1/ends`)).json()).length;
    const first = await demo(database);
    expect(await count(first.url)).toBe(14);
    expect((await request.post(`${first.url}api/v1/ends`, { data: WEDGE })).status()).toBe(201);
    await first.stop();
    const second = await demo(database);
    expect(await count(second.url)).toBe(15);
    await second.stop();
    const fresh = await demo(database, "--fresh");
    expect(await count(fresh.url)).toBe(14);
    expect(await (await request.get(`${fresh.url}api/v1/ledger?format=json`)).json()).toHaveLength(28);
    await fresh.stop();
  });

  test("refuses a flag it does not know", () => {
    const { status, stderr } = spawnSync(process.execPath, ["scripts/demo.mjs", "--frehs"], {
      encoding: "utf8",
    });
    expect([status, stderr]).toEqual([1, "The only flag is --fresh, not --frehs.\n"]);
  });
});
