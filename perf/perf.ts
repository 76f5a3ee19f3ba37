import { randomUUID } from "node:crypto";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type Browser, chromium, type Page } from "@playwright/test";
import Database from "better-sqlite3";
import { z } from "zod";
import {
  check,
  chosenPlacements,
  compileRunSheet,
  type EventInput,
  misfits,
  type ProcedureDocument,
  review,
  usualPlacements,
  walk,
  walkWithWays,
  zAddInside,
  zBatch,
  zEvent,
  zProcedure,
  zStart,
  zStoredEvent,
} from "@/core";
import { actOn } from "@/service/act";
import { startBatch } from "@/service/end/batches";
import { addEvents, getEnd, startEnd } from "@/service/end/ends";
import { checkWholeRecord } from "@/service/keeping/record-check";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { mustHaveText, shippedLibrary } from "@/store/shelf/shipped";
import { freePort, startServer } from "../harness/next-server";
import { ensureChromium } from "../scripts/setup.mjs";
import { limits } from "./at-limits";
import { atSize, insightsAtSize } from "./at-size";
import { cardsAtSize } from "./cards";
import { closureAtSize } from "./closure-at-size";
import { entriesAtSize } from "./entries";
import { exporting, paperFromStart } from "./exporting";
import { feedersAtSize } from "./feeders";
import { jobAtSize } from "./job-at-size";
import { bareScript, inTurns, type Keystrokes, READING_KEYS, type Typing } from "./keystroke";
import { underLoad } from "./load";
import { line, perSecond, quantile, spread, timed } from "./measure";
import { adviceOnScreen, advices, reworks } from "./rework";
import { splices } from "./splices";
import { stages } from "./stages";

const folder = mkdtempSync(join(tmpdir(), "arlent-perf-"));
const WEDGE = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };
const READING: EventInput = {
  kind: "reading",
  check: "cleave",
  value: 9_500,
  typed: "9.5",
  unit: "mm",
  instrument: { id: "calliper", name: "Calliper", resolution: 10, repeatability: 60 },
};
const READINGS = 300;

/** An end, threaded and at the measure step; signed off if asked. */
function makeEnd(store: Store, signed: boolean, read = true): string {
  const { id } = startEnd(actOn(store), check(zStart, WEDGE));
  const threaded = ["boot-3", "yarn-nut", "yarn-ring"].map(
    (part): EventInput => ({ kind: "thread", part, on: true }),
  );
  const all: EventInput[] = [
    ...threaded,
    { kind: "step", to: getEnd(store, id).sheet.lines.findIndex(({ step }) => step.id === "measure") },
    ...(read ? [READING] : []),
    ...(signed ? [{ kind: "sign", name: "Wyn Harrow", outcome: "kept" } as const] : []),
  ];
  addEvents(
    actOn(store),
    id,
    check(zAddInside, {
      client: "perf",
      after: 0,
      events: all.map((event) => ({ id: randomUUID(), event })),
    }),
  );
  return id;
}

function sheets(): void {
  const { procedures, cables, tools } = shippedLibrary();
  const pairs = procedures.flatMap((procedure) =>
    cables.flatMap((cable) =>
      cable.cores
        .filter((core) => misfits(procedure, cable, core).length === 0)
        .map((core) => ({ procedure, cable, core, choices: {}, tools })),
    ),
  );
  let i = 0;
  const rate = perSecond(() => {
    compileRunSheet(pairs[i++ % pairs.length] as (typeof pairs)[number]);
  });
  line("run sheets compiled", `${rate.toFixed(0)} a second (${(1000 / rate).toFixed(2)} ms each)`);
  const whole = perSecond(() => {
    for (const pair of pairs) compileRunSheet(pair);
  });
  line("  the whole library for all its cables", `${pairs.length} sheets in ${(1000 / whole).toFixed(1)} ms`);
}

/** Every shipped sheet, with every choice, walked through the model of the real end, with every way back. */
function walks(): void {
  const { procedures, cables, tools } = shippedLibrary();
  const placements = procedures.flatMap((procedure) => [
    ...usualPlacements(procedure, cables, tools),
    ...cables
      .filter((cable) => misfits(procedure, cable).length === 0)
      .flatMap((cable) => chosenPlacements(procedure, cable, tools))
      .flatMap((chosen) => ("placement" in chosen ? [chosen.placement] : [])),
  ]);
  const once = 1000 / perSecond(() => placements.map((placement) => walk(placement)));
  const withWays = 1000 / perSecond(() => placements.map((placement) => walkWithWays(placement)));
  line("sheets walked", `${placements.length} in ${once.toFixed(0)} ms`);
  line("  with every way back", `${withWays.toFixed(0)} ms (ratio ${(withWays / once).toFixed(1)})`);
}

/** A key in the editor: the document read, every contradiction over all cables looked for, the end drawn again. */
function reviews(): void {
  const library = shippedLibrary();
  const rates = library.procedures.map((procedure) => {
    const document = JSON.parse(mustHaveText(library, "procedure", procedure.id)) as ProcedureDocument;
    const on = library.cables.find((cable) => misfits(procedure, cable).length === 0) ?? null;
    const parsed = perSecond(() => zProcedure.parse(document), 150);
    const reviewed = perSecond(() => review(document, library, on?.id ?? null), 150);
    return { id: procedure.id, ms: 1000 / reviewed, ratio: parsed / reviewed };
  });
  const slowest = rates.reduce((a, b) => (b.ms > a.ms ? b : a));
  line(
    "editor: one key reviewed, without drawing",
    `${spread(rates.map(({ ms }) => ms))}; slowest ${slowest.id} ${slowest.ms.toFixed(1)} ms`,
  );
  line(
    "  beside reading the document alone",
    `ratio of p50 ${quantile(
      rates.map(({ ratio }) => ratio),
      0.5,
    ).toFixed(1)}`,
  );
}

/** The whole record checked, a few ends and ten thousand: what an end costs must not grow with how many there are. */
function recordsChecked(): void {
  const rates = [300, 10_000].map((ends) => {
    const many = openStore(join(folder, `many-${ends}.db`));
    many.$client.pragma("synchronous = OFF");
    for (let i = 0; i < ends; i++) makeEnd(many, true);
    const start = performance.now();
    const events = [...checkWholeRecord(many)].reduce((sum, stretch) => sum + stretch.events, 0);
    const seconds = (performance.now() - start) / 1000;
    many.$client.close();
    line(
      `record of ${ends} ends checked`,
      `${events} events in ${seconds.toFixed(1)} s (${(ends / seconds).toFixed(0)} ends a second)`,
    );
    return ends / seconds;
  });
  const [few = 0, tenThousand = 1] = rates;
  line("  an end among ten thousand, beside one among 300", `ratio ${(few / tenThousand).toFixed(2)}`);
}

const EDITOR_KEYS: Typing = {
  into: '[aria-label="buffer beyond the jacket: figure"]',
  // What a colleague would ask follows in a frame of its own.
  changes: "#contradictions",
  // Each key changes something on every page: where one did not, what is shown beside one another would be other keys.
  texts: ["40", "27", "35", "26"],
};

async function storing(url: string, end: string): Promise<void> {
  const post = async () => {
    const body = JSON.stringify({
      client: "perf",
      after: 9_999,
      events: [{ id: randomUUID(), event: z.encode(zEvent, zStoredEvent.parse(READING)) }],
    });
    const answer = await fetch(`${url}/api/v1/ends/${end}/events`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body,
    });
    if (!answer.ok) throw new Error(await answer.text());
    await answer.arrayBuffer();
  };
  for (let i = 0; i < 20; i++) await post();
  const through = await timed(async () => {
    for (let i = 0; i < READINGS; i++) await post();
  });
  const trivial = await timed(async () => {
    for (let i = 0; i < READINGS; i++) {
      const answer = await fetch(`${url}/api/v1/compute/stack`, {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: '{"features":[{"name":"end"}]}',
      });
      await answer.arrayBuffer();
    }
  });
  const bare = new Database(join(folder, "bare.db"));
  bare.pragma("journal_mode = WAL");
  bare.pragma("synchronous = FULL");
  bare.exec("CREATE TABLE events (id TEXT PRIMARY KEY, seq INTEGER, body TEXT)");
  const insert = bare.prepare("INSERT INTO events VALUES (?, ?, ?)");
  const direct = await timed(() => {
    for (let i = 0; i < READINGS; i++) insert.run(randomUUID(), i, JSON.stringify(READING));
  });
  line("readings stored through the server", `${(READINGS / through).toFixed(0)} a second, one at a time`);
  line(
    "  a request that stores nothing, same server",
    `${(READINGS / trivial).toFixed(0)} a second (ratio ${(through / trivial).toFixed(1)})`,
  );
  line(
    "  bare database driver, same disk and safety",
    `${(READINGS / direct).toFixed(0)} a second (ratio ${(through / direct).toFixed(1)})`,
  );
}

async function pages(url: string, end: string, batch: string): Promise<void> {
  for (const [name, path] of [
    ["sheet", "/?cable=simplex-3.0&style=stub-wedge-release-cord"],
    ["bench", `/bench/${end}`],
    ["ledger of 300 ends", "/ledger"],
    ["shelf", "/shelf"],
    ["procedure editor", "/shelf/procedures/stub-wedge-release-cord/edit"],
    ["batch of 12", batch],
  ] as const) {
    const times: number[] = [];
    for (let i = 0; i < 25; i++) {
      const start = performance.now();
      await (await fetch(url + path)).arrayBuffer();
      if (i >= 5) times.push(performance.now() - start);
    }
    line(`page answered: ${name}`, spread(times));
  }
}

const CHROMIUM = {
  executablePath: ensureChromium(),
  args: ["--no-sandbox", "--disable-background-networking", "--disable-component-update"],
};

/** From asking for a page to its taking keys, milliseconds: on devices that were never there, and on each ever again. */
async function untilReady(url: string): Promise<{ first: number[]; again: number[] }> {
  const [first, again]: [number[], number[]] = [[], []];
  for (let device = 0; device < 5; device++) {
    // One with a memory of its own: a private window keeps nothing that was compiled.
    const context = await chromium.launchPersistentContext(mkdtempSync(join(folder, "device-")), {
      ...CHROMIUM,
      viewport: { width: 1280, height: 800 },
    });
    const page = await context.newPage();
    for (let visit = 0; visit < 8; visit++) {
      const start = performance.now();
      await page.goto(url);
      await page.locator("html[data-ready]").waitFor({ state: "attached" });
      const times = visit === 0 ? first : again;
      // The second visit is when what was compiled is kept.
      if (visit !== 1) times.push(performance.now() - start);
    }
    await context.close();
  }
  return { first, again };
}

async function inChromium(url: string, end: string, unread: readonly string[]): Promise<void> {
  const browser = await chromium.launch(CHROMIUM);
  const bytesOf = async (path: string): Promise<number> => {
    const context = await browser.newContext();
    const page = await context.newPage();
    const session = await context.newCDPSession(page);
    await session.send("Network.enable");
    let bytes = 0;
    session.on("Network.loadingFinished", ({ encodedDataLength }) => {
      bytes += encodedDataLength;
    });
    await page.goto(url + path, { waitUntil: "load" });
    await page.waitForTimeout(700);
    await context.close();
    return bytes;
  };
  line(
    "page bytes over the wire: sheet, all files",
    `${((await bytesOf("/?cable=simplex-3.0&style=stub-wedge-release-cord")) / 1024).toFixed(0)} kB`,
  );
  line(
    "page bytes over the wire: bench, all files",
    `${((await bytesOf(`/bench/${end}`)) / 1024).toFixed(0)} kB`,
  );
  for (const [name, path] of [
    ["sheet", "/?cable=simplex-3.0&style=stub-wedge-release-cord"],
    ["bench", `/bench/${end}`],
  ] as const) {
    const { first, again } = await untilReady(url + path);
    line(
      `page until it takes keys: ${name}, visited again`,
      `${spread(again)} (a device's first visit p50 ${quantile(first, 0.5).toFixed(0)} ms)`,
    );
  }
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await adviceOnScreen(
    page,
    unread.map((id) => `${url}/bench/${id}`),
  );
  await page.close();
  await keysPainted(browser, `${url}/bench/${end}`, `${url}/shelf/procedures/stub-wedge-release-cord/edit`);
  await browser.close();
}

/** Keys at the bench and in the editor until they are painted, each beside the least a React page can do. */
async function keysPainted(browser: Browser, bench: string, editor: string): Promise<void> {
  const script = await bareScript();
  const opened = async (address: string): Promise<Page> => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(address);
    await page.locator("html[data-ready]").waitFor({ state: "attached" });
    return page;
  };
  const empty = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await empty.addScriptTag({ content: script });
  // What a key costs on a page of the editor's size, with its styles, before anything of the editor's is done.
  const there = await opened(editor);
  await there.evaluate(script);
  const reading = { ...READING_KEYS, texts: EDITOR_KEYS.texts };
  const places = [
    { page: empty, typing: reading },
    { page: await opened(bench), typing: reading },
    { page: await opened(editor), typing: EDITOR_KEYS },
    { page: there, typing: reading },
  ];
  const [bare, verdict, contradiction, large] = await inTurns(places, 12);
  if (!bare || !verdict || !contradiction || !large) throw new Error("not every page was typed into");
  const report = (name: string, { changed, painted }: Keystrokes) => {
    const ratio = (of: readonly number[], to: readonly number[]) =>
      (quantile(of, 0.5) / quantile(to, 0.5)).toFixed(2);
    line(`${name} in the page`, `${spread(changed)} (ratio of p50 ${ratio(changed, bare.changed)})`);
    line(`${name} painted`, `${spread(painted)} (ratio of p50 ${ratio(painted, bare.painted)})`);
  };
  report("bare React input, on an empty page:", bare);
  report("  the same on the editor's page:", large);
  report("key to verdict", verdict);
  report("editor key to contradiction", contradiction);
}

const file = join(folder, "perf.db");
const store = openStore(file);
const end = makeEnd(store, false);
const busy = makeEnd(store, false);
for (let i = 0; i < 300; i++) makeEnd(store, true);
const batch = startBatch(actOn(store), check(zBatch, { ...WEDGE, count: 12 }));
const unread = Array.from({ length: 12 }, () => makeEnd(store, false, false));

/** Parts asked for by name on the command line, or all of them: `npm run perf -- rework browser`. */
const requested = process.argv.slice(2);
const wants = (part: string): boolean => requested.length === 0 || requested.includes(part);
if (wants("sheets")) sheets();
if (wants("walk")) walks();
if (wants("editor")) reviews();
if (wants("rework")) await reworks();
if (wants("advice")) advices();
if (wants("limits")) await limits();
if (wants("entries")) await entriesAtSize();
if (wants("splices")) splices();
if (wants("closure")) await closureAtSize(folder);
if (wants("cards")) await cardsAtSize(folder);
if (wants("feeders")) await feedersAtSize(folder);
if (wants("check")) recordsChecked();
const server = await startServer(file, await freePort());
line("cold start to the first page", `${server.coldMs.toFixed(0)} ms`);
try {
  if (wants("pages")) await pages(server.url, end, `/bench/batch/${batch.id}`);
  if (wants("storing")) await storing(server.url, busy);
  if (wants("stages")) await stages(folder, server.url, (file) => makeEnd(file, false), READING);
  if (wants("export")) await exporting(server);
  if (requested.includes("load")) await underLoad(server.url, makeEnd(store, false));
  if (wants("browser")) await inChromium(server.url, end, unread);
} finally {
  await server.kill();
}
if (wants("paper")) await paperFromStart(folder);
if (wants("jobs")) await jobAtSize(folder);
if (wants("insight")) await insightsAtSize(folder);
if (wants("size")) await atSize(folder);
