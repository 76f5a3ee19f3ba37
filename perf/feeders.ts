import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import {
  check,
  compute,
  jointLights,
  NEW_FEEDER,
  tapsInput,
  withBestTaps,
  zNewFeeder,
  zNewJob,
} from "@/core";
import { actOn } from "@/service/act";
import { addFeeder } from "@/service/job/feeders";
import { newJob } from "@/service/job/jobs";
import { openStore } from "@/store/opening/open";
import { freePort, startServer } from "../harness/next-server";
import { ensureChromium } from "../scripts/setup.mjs";
import { bareScript } from "./keystroke";
import { line, perSecond, quantile, spread, timed } from "./measure";

const JOINTS = 32;
const TAPS = [1, 2, 5, 10, 15, 20, 30, 50];

/** A feeder of 32 joints with so many drops at each, and eight kinds of tap, counted or not. */
function feederOf(drops: number, count: number | null = null) {
  const [joint] = NEW_FEEDER.joints;
  if (!joint) throw new Error("a joint");
  return {
    ...NEW_FEEDER,
    stock: TAPS.map((tapPct) => ({ tapPct, excessDb: 0.2, count })),
    joints: Array.from({ length: JOINTS }, () => ({ ...joint, drops, dropMetres: 40 })),
  };
}

/** From a key to the frame that shows what it changed, milliseconds, key by key. */
async function keysPainted(page: Page, keys: readonly string[]): Promise<number[]> {
  const times: number[] = [];
  await page.waitForTimeout(500);
  for (const key of keys) {
    // The listener stands before the key is pressed.
    await page.evaluate(() => {
      const waited = new Promise<number>((done) => {
        addEventListener(
          "keydown",
          ({ timeStamp }) => {
            const seen = new MutationObserver(() => {
              seen.disconnect();
              requestAnimationFrame(() => setTimeout(() => done(performance.now() - timeStamp)));
            });
            const all = { subtree: true, childList: true, characterData: true, attributes: true };
            seen.observe(document.body, all);
          },
          { once: true, capture: true },
        );
      });
      Object.assign(window, { waited });
    });
    await page.keyboard.press(key);
    times.push(await page.evaluate(() => Reflect.get(window, "waited") as Promise<number>));
  }
  return times;
}

/** Best taps of 32 joints and eight kinds beside one pass of light, and a feeder of 1,024 drops after a key beside bare bars. */
export async function feedersAtSize(folder: string): Promise<void> {
  const plan = feederOf(1);
  const [best, pass] = [perSecond(() => withBestTaps(plan)), perSecond(() => jointLights(plan))];
  line(
    `best taps of ${JOINTS} joints × ${TAPS.length} kinds`,
    `${(1_000 / best).toFixed(2)} ms; one pass of light ${(1_000 / pass).toFixed(3)} ms (ratio ${(pass / best).toFixed(0)})`,
  );
  const counted = await timed(async () => {
    await compute("stocked-taps", tapsInput(feederOf(1, 4)));
  });
  line("  of a counted box, by the solver", `${(counted * 1_000).toFixed(0)} ms`);

  const file = join(folder, "feeders.db");
  const store = openStore(file);
  const job = newJob(actOn(store), check(zNewJob, { name: "Hills" })).id;
  const { id } = addFeeder(actOn(store), job, check(zNewFeeder, { plan: feederOf(32) }));
  store.$client.close();
  const server = await startServer(file, await freePort());
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ["--no-sandbox"] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const keys = Array.from({ length: 40 }, (_, i) => (i % 2 === 0 ? "ArrowUp" : "ArrowDown"));
  await page.goto(`${server.url}/jobs/${job}/feeders/${id}`);
  await page.locator("html[data-ready]").waitFor({ state: "attached" });
  const feeder = await keysPainted(page, keys);
  await page.goto("about:blank");
  await page.addScriptTag({ content: await bareScript() });
  const bare = await keysPainted(page, keys);
  await browser.close();
  await server.kill();
  line(`a tap changed, ${JOINTS * 32} drops painted, ${keys.length} keys`, spread(feeder));
  line(
    "  bare bars under the same key",
    `${spread(bare)} (ratio of p50 ${(quantile(feeder, 0.5) / quantile(bare, 0.5)).toFixed(1)})`,
  );
}
