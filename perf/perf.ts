import { randomUUID } from "node:crypto";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
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
import { limits } from "./at-limits";
import { atSize, insightsAtSize } from "./at-size";
import { cardsAtSize } from "./cards";
import { closureAtSize } from "./closure-at-size";
import { entriesAtSize } from "./entries";
import { exporting, paperFromStart } from "./exporting";
import { feedersAtSize } from "./feeders";
import { inChromium } from "./in-chromium";
import { jobAtSize } from "./job-at-size";
import { underLoad } from "./load";
import { line, perSecond, quantile, spread, timed } from "./measure";
import { advices, reworks } from "./rework";
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
  if (wants("browser")) await inChromium(folder, server.url, end, unread);
} finally {
  await server.kill();
}
if (wants("paper")) await paperFromStart(folder);
if (wants("jobs")) await jobAtSize(folder);
if (wants("insight")) await insightsAtSize(folder);
if (wants("size")) await atSize(folder);
