import { join } from "node:path";
import { chromium } from "@playwright/test";
import { type Address, check, parseAddress, zBeginPlaces, zNewJob, zNewPieces, zSavePlan } from "@/core";
import { actOn } from "@/service/act";
import { addPieces, newJob, savePlan } from "@/service/job/jobs";
import { beginPlaces } from "@/service/job/places";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { freePort, startServer } from "../harness/next-server";
import { ensureChromium } from "../scripts/setup.mjs";
import { pageAnswered } from "./at-size";
import { bareScript, timeDrag, timeKeystrokes } from "./keystroke";
import { line, quantile, spread, timed } from "./measure";

const SIDE = { place: "", procedure: null, ends: 0, entry: 500, squaring: 50, grip: 0, retries: 0 };
const FIBRES = 12;
const AT_ONCE = 300;

const planNamed = (name: string) => ({
  name,
  cable: "distribution-900",
  core: "9/125",
  sides: { A: { ...SIDE, procedure: "stub-cam-crimp-900", ends: FIBRES, retries: 1 }, B: SIDE },
  route: [{ kind: "tray", name: "", length: 20_000, allowancePct: 2 }],
  loops: [],
  yield: { p: 0.95 },
  risk: 0.05,
  roundUpTo: 100,
});

/** Plans a job of about so many ends. @returns its id, its pieces, and how long it took, seconds. */
async function plannedJob(store: Store, ends: number) {
  const { id } = newJob(actOn(store), check(zNewJob, { name: `Panel of ${ends}` }));
  const names = Array.from({ length: Math.ceil(ends / FIBRES) }, (_, i) => `row ${i + 1}`);
  const pieces: string[] = [];
  const seconds = await timed(() => {
    for (let at = 0; at < names.length; at += AT_ONCE) {
      const plans = names.slice(at, at + AT_ONCE).map((name) => ({ plan: planNamed(name) }));
      pieces.push(
        ...addPieces(actOn(store), id, check(zNewPieces, { pieces: plans })).map((piece) => piece.id),
      );
    }
  });
  return { id, pieces, seconds };
}

/** A stretch of a piece dragged: from the hand's move to the cut length drawn, beside a bare input's key. */
async function dragged(url: string): Promise<void> {
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ["--no-sandbox"] });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(url);
  const drag = await timeDrag(page, {
    handle: '[role="slider"]',
    changes: '[aria-labelledby="cut"]',
    steps: 60,
    px: 14,
  });
  await page.goto("about:blank");
  await page.addScriptTag({ content: await bareScript() });
  const bare = await timeKeystrokes(page, 4);
  await browser.close();
  line(`a stretch dragged to its sum painted, ${drag.painted.length} moves`, spread(drag.painted));
  line(
    "  bare React input",
    `${spread(bare.painted)} (ratio of p50 ${(quantile(drag.painted, 0.5) / quantile(bare.painted, 0.5)).toFixed(1)})`,
  );
}

/** A job of ten thousand ends: planned, half begun, shown, searched, a panel taken off it; beside one of a thousand. */
export async function jobAtSize(folder: string): Promise<void> {
  const file = join(folder, "job.db");
  const store = openStore(file);
  await plannedJob(store, 120);
  const few = await plannedJob(store, 1_000);
  const many = await plannedJob(store, 10_000);
  const growth = Math.log10(many.seconds / few.seconds);
  line("1,000 ends planned", `${few.seconds.toFixed(2)} s`);
  line("10,000 ends planned", `${many.seconds.toFixed(2)} s (grows as the ${growth.toFixed(2)}th power)`);
  const addresses: Address[] = Array.from({ length: FIBRES }, (_, i) => parseAddress(`fibre ${i + 1}`));
  const begun = many.pieces.slice(0, many.pieces.length / 2);
  const seconds = await timed(() => {
    for (const piece of begun)
      beginPlaces(actOn(store), piece, check(zBeginPlaces, { side: "A", addresses }));
  });
  line(`${begun.length * FIBRES} of them begun`, `${seconds.toFixed(1)} s`);
  const last = many.pieces.at(-1) ?? "";
  const off = await timed(() => {
    savePlan(actOn(store), last, check(zSavePlan, { basis: 1, plan: null }));
  });
  line("a piece of it taken off", `${(off * 1000).toFixed(1)} ms`);
  store.$client.close();
  const server = await startServer(file, await freePort());
  const middles: number[] = [];
  for (const [name, path] of [
    ["the list of jobs", "/jobs"],
    ["the job of 1,000 ends", `/jobs/${few.id}`],
    ["the job of 10,000 ends", `/jobs/${many.id}`],
    ["  searched", `/jobs/${many.id}?words=row+83`],
    ["  one of its pieces", `/jobs/${many.id}/${many.pieces[0]}`],
  ] as const) {
    const times = await pageAnswered(server.url, path);
    middles.push(quantile(times, 0.5));
    line(`page answered: ${name}`, spread(times));
  }
  const [, thousand = 1, tenThousand = 0] = middles;
  await dragged(`${server.url}/jobs/${few.id}/${few.pieces[0]}`);
  line("  ten thousand beside one thousand", `ratio ${(tenThousand / thousand).toFixed(2)}`);
  await server.kill();
}
