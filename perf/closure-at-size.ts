import { randomUUID } from "node:crypto";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { check, slotText, zNewClosure, zNewJob } from "@/core";
import { actOn } from "@/service/act";
import { addClosure } from "@/service/job/closures";
import { newJob } from "@/service/job/jobs";
import { openStore } from "@/store/opening/open";
import { shippedLibrary } from "@/store/shelf/shipped";
import { freePort, startServer } from "../harness/next-server";
import { ensureChromium } from "../scripts/setup.mjs";
import { pageAnswered } from "./at-size";
import { bareScript, timeDrag } from "./keystroke";
import { line, quantile, spread } from "./measure";

const COUNT = 288;
const HALF = COUNT / 2;

/** A closure of four cables of 144 fibres and so many splices, as many of them in slots as its trays have. */
function plannedClosure(splices: number) {
  const trays = shippedLibrary().entries.find(({ id }) => id === "entry-dome-gel")?.trays;
  if (!trays) throw new Error("a dome with trays");
  const slots = Array.from({ length: trays.most }, (_, i) => i + 1).flatMap((tray) =>
    trays.slots.filter(({ ribbon }) => !ribbon).map(({ id: slot }) => slotText({ tray, slot })),
  );
  // The first slots are left free, for one to be dragged over.
  const free = slots.slice(4);
  const cables = Array.from({ length: 4 }, () => ({
    ...{ id: randomUUID(), cable: "loose-tube-144", role: "branch", through: false },
  }));
  const end = (cable: number, fibre: number) => ({ cable: cables[cable]?.id ?? "", fibre });
  return {
    name: `Hall closure of ${splices}`,
    entry: "entry-dome-gel",
    cables,
    splicing: {
      splices: Array.from({ length: splices }, (_, i) => ({
        id: randomUUID(),
        a: end(i < HALF ? 0 : 2, (i % HALF) + 1),
        b: end(i < HALF ? 1 : 3, (i % HALF) + 1),
        slot: free[i] ?? null,
      })),
    },
  };
}

/** The pages of a closure of 288 splices beside one of 12, and a splice dragged over the slots of its tray beside bare bars. */
export async function closureAtSize(folder: string): Promise<void> {
  const file = join(folder, "closure.db");
  const store = openStore(file);
  const job = newJob(actOn(store), check(zNewJob, { name: "Hall" })).id;
  const [few = "", many = ""] = [12, COUNT].map((splices) => {
    const plan = plannedClosure(splices);
    return `/jobs/${job}/closures/${addClosure(actOn(store), job, check(zNewClosure, { plan })).id}`;
  });
  store.$client.close();
  const server = await startServer(file, await freePort());
  for (const part of ["", "/splices", "/work"]) {
    const [small = 1, large = 0] = [
      quantile(await pageAnswered(server.url, few + part), 0.5),
      quantile(await pageAnswered(server.url, many + part), 0.5),
    ];
    line(
      `a closure of ${COUNT} splices answered: ${part || "its cables"}`,
      `p50 ${large.toFixed(0)} ms; of 12 splices ${small.toFixed(0)} ms (ratio ${(large / small).toFixed(1)})`,
    );
  }
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ["--no-sandbox"] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 1_000 } });
  await page.goto(`${server.url}${many}/work`);
  await page
    .getByRole("navigation", { name: "Stages" })
    .getByRole("button", { name: /^Splices/ })
    .click();
  await page.locator("[data-slot]").first().scrollIntoViewIfNeeded();
  const drag = await timeDrag(page, {
    handle: '[data-slot="5"]',
    changes: "#would-lie",
    steps: 60,
    down: -9,
    from: "pointerover",
  });
  await page.goto("about:blank");
  await page.addScriptTag({ content: await bareScript() });
  const bare = await timeDrag(page, {
    handle: '[data-bar="10"]',
    changes: "#over",
    steps: 60,
    down: -9,
    from: "pointerover",
  });
  await browser.close();
  await server.kill();
  line(`a splice dragged to its turns and trim painted, ${drag.painted.length} moves`, spread(drag.painted));
  line(
    "  bare bars under the same hand",
    `${spread(bare.painted)} (ratio of p50 ${(quantile(drag.painted, 0.5) / quantile(bare.painted, 0.5)).toFixed(1)})`,
  );
}
