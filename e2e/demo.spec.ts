import { spawnSync } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { served } from "../harness/command";
import { expect, test, WEDGE } from "../harness/server";

test.describe("npm run demo", () => {
  const demo = (database: string, ...flags: string[]) => served("demo", database, flags);
  test("fills itself once, keeps what the user entered, and starts over when asked", async ({ request }) => {
    test.setTimeout(150_000);
    const database = join(mkdtempSync(join(tmpdir(), "arlent-demo-")), "demo.db");
    const count = async (url: string) => (await (await request.get(`${url}api/v1/ends`)).json()).count;
    const first = await demo(database);
    expect(await count(first.url)).toBe(15);
    expect((await request.post(`${first.url}api/v1/ends`, { data: WEDGE })).status()).toBe(201);
    await first.stop();
    const second = await demo(database);
    expect(await count(second.url)).toBe(16);
    await second.stop();
    const fresh = await demo(database, "--fresh");
    expect(await count(fresh.url)).toBe(15);
    expect(await (await request.get(`${fresh.url}api/v1/ledger?format=json`)).json()).toHaveLength(68);
    await fresh.stop();
  });

  test("refuses a flag it does not know", () => {
    const { status, stderr } = spawnSync(process.execPath, ["scripts/demo.mjs", "--frehs"], {
      encoding: "utf8",
    });
    expect([status, stderr]).toEqual([1, "The only flag is --fresh, not --frehs.\n"]);
  });
});
