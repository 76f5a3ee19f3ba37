import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { endsAtBench } from "@/service/ends";
import { ledgerPage } from "@/service/ledger";
import { openStore } from "@/store/database";
import { freePort, startServer } from "../e2e/next-server";
import { seed } from "./seed";

const DESK = { width: 1280, height: 800 };
const TABLET = { width: 800, height: 1280 };
const PHONE = { width: 390, height: 844 };

const file = join(mkdtempSync(join(tmpdir(), "arlent-pictures-")), "demo.db");
const store = openStore(file);
seed(
  store,
  readFileSync(new URL("./quillmere.json", import.meta.url), "utf8"),
  new Date("2026-11-24T09:00:00Z"),
);
const [marking, measuring] = endsAtBench(store).map(({ id }) => id);
const out = ledgerPage(store, { result: "out" }).rows[0]?.id;

const type = (text: string) => async (page: Page) => {
  await page.locator("#reading").fill(text);
  await page.locator("#verdict strong").waitFor();
};

const pictures: [name: string, path: string, size: typeof DESK, act?: (page: Page) => Promise<void>][] = [
  ["first", "/", DESK],
  ["sheet", "/?cable=simplex-3.0&style=stub-wedge-release-cord", DESK],
  ["sheet-phone", "/?cable=simplex-3.0&style=stub-wedge-release-cord", PHONE],
  ["does-not-fit", "/?cable=duplex-3.0&style=stub-wedge-release-cord", DESK],
  ["bench-step", `/bench/${marking}`, DESK],
  ["bench-verdict", `/bench/${measuring}`, DESK, type("11.2")],
  ["bench-tablet", `/bench/${measuring}`, TABLET, type("9.5")],
  ["bench-phone", `/bench/${marking}`, PHONE],
  ["ledger", "/ledger", DESK],
  ["record", `/ledger/${out}`, DESK],
  ["setup", "/setup", DESK],
];

const server = await startServer(file, await freePort());
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
  args: ["--no-sandbox"],
});
for (const [name, path, viewport, act] of pictures) {
  const page = await browser.newPage({ viewport, timezoneId: "Europe/London", locale: "en-GB" });
  await page.goto(server.url + path, { waitUntil: "load" });
  await page.waitForTimeout(400);
  await act?.(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: `docs/screenshots/${name}.png` });
  await page.close();
}
await browser.close();
await server.kill();
