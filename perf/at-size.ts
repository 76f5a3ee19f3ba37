import { randomUUID } from "node:crypto";
import { statSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import { drizzle } from "drizzle-orm/better-sqlite3";
import { check, zLedgerQuery, zStart } from "@/core";
import { actOn } from "@/service/act";
import { startEnd } from "@/service/end/ends";
import { insightOf } from "@/service/insight/insight";
import { ledgerPage } from "@/service/ledger/ledger";
import { openStore } from "@/store/opening/open";
import * as schema from "@/store/schema";
import { insightBeside } from "@/worker/insight-beside";
import { freePort, startServer } from "../harness/next-server";
import { exporting, onPaper } from "./exporting";
import { manyEnds } from "./many-ends";
import { line, quantile, spread, timed } from "./measure";

const TRIES = 40;

const p50 = (work: () => unknown): number => {
  const times = Array.from({ length: TRIES }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return quantile(times.slice(TRIES / 4), 0.5);
};

const ASKED: readonly (readonly [string, Readonly<Record<string, string>>])[] = [
  ["page", {}],
  ["by result", { result: "out" }],
  ["by style", { style: "stub-cam-crimp-900" }],
  ["by days", { from: "2024-01-20", to: "2024-01-25" }],
  ["search, many found", { find: "pad 07" }],
  ["search, one found", { find: "port 9876" }],
  ["search, none found", { find: "nowhere at all" }],
];

/** Each question of the ledger's page beside the very statements it comes to, put to the driver bare. */
export function ledgerAtSize(file: string): void {
  const said: { readonly sql: string; readonly params: unknown[] }[] = [];
  const client = new Database(file);
  const store = drizzle(client, {
    schema,
    logger: { logQuery: (sql, params) => said.push({ sql, params }) },
  });
  const quiet = openStore(file);
  for (const [name, query] of ASKED) {
    said.length = 0;
    ledgerPage(store, check(zLedgerQuery, query));
    const statements = [...said];
    const whole = p50(() => ledgerPage(quiet, check(zLedgerQuery, query)));
    const bare = p50(() => {
      for (const { sql, params } of statements) client.prepare(sql).all(...params);
    });
    line(
      `ledger ${name}`,
      `${whole.toFixed(1)} ms; its SQL bare ${bare.toFixed(1)} ms (ratio ${(whole / bare).toFixed(2)})`,
    );
  }
  client.close();
  quiet.$client.close();
}

const COLD_TRIES = 5;

/** The answers of Insight worked out anew, beside the very statements they come to, put to the driver bare. */
function insightAtSize(file: string): void {
  const said: { readonly sql: string; readonly params: unknown[] }[] = [];
  const client = new Database(file);
  const store = drizzle(client, {
    schema,
    logger: { logQuery: (sql, params) => said.push({ sql, params }) },
  });
  insightOf(store);
  const statements = [...said];
  const whole = Array.from({ length: COLD_TRIES }, () => {
    // A store opened anew remembers no answer.
    const fresh = openStore(file);
    const start = performance.now();
    insightOf(fresh);
    const took = performance.now() - start;
    fresh.$client.close();
    return took;
  });
  const bare = Array.from({ length: COLD_TRIES }, () => {
    const start = performance.now();
    for (const { sql, params } of statements) client.prepare(sql).all(...params);
    return performance.now() - start;
  });
  client.close();
  const [all, sql] = [quantile(whole, 0.5), quantile(bare, 0.5)];
  line(
    "insight",
    `${all.toFixed(0)} ms; its SQL bare ${sql.toFixed(0)} ms (ratio ${(all / sql).toFixed(2)})`,
  );
}

/** Answers from a year of a crew: beside its SQL bare, and how long the server is held while they are worked out. */
export async function insightsAtSize(folder: string): Promise<void> {
  const file = join(folder, "insight.db");
  const store = openStore(file);
  manyEnds(store, { ends: 10_000, readings: 3 });
  insightAtSize(file);
  let [last, held] = [performance.now(), 0];
  const beat = setInterval(() => {
    held = Math.max(held, performance.now() - last);
    last = performance.now();
  }, 1);
  const seconds = await timed(async () => {
    await insightBeside(store);
  });
  clearInterval(beat);
  line(
    "  in its thread",
    `${(seconds * 1_000).toFixed(0)} ms, the server held ${held.toFixed(0)} ms at most`,
  );
  store.$client.close();
}

/** A page of a running server: how long it is waited for. */
export async function pageAnswered(url: string, path: string): Promise<readonly number[]> {
  const times: number[] = [];
  for (let i = 0; i < TRIES; i++) {
    const start = performance.now();
    await (await fetch(url + path)).arrayBuffer();
    if (i >= TRIES / 4) times.push(performance.now() - start);
  }
  return times;
}

/** The bench's own page with a hundred ends open, and with ten thousand. */
async function benchAtSize(folder: string): Promise<void> {
  const middles: number[] = [];
  for (const ends of [100, 10_000]) {
    const file = join(folder, `bench-${ends}.db`);
    const store = openStore(file);
    manyEnds(store, { ends, readings: 3, signed: false });
    store.$client.close();
    const server = await startServer(file, await freePort());
    const times = await pageAnswered(server.url, "/bench");
    await server.kill();
    line(`bench's own page, ${ends} ends open`, spread(times));
    middles.push(quantile(times, 0.5));
  }
  const [few = 1, many = 0] = middles;
  line("  ten thousand beside a hundred", `ratio ${(many / few).toFixed(2)}`);
}

/** What a year of a busy crew is: ten thousand ends, a million readings. */
export async function atSize(folder: string): Promise<void> {
  await benchAtSize(folder);
  const file = join(folder, "year.db");
  const store = openStore(file);
  const seconds = await timed(() => manyEnds(store, { ends: 10_000, readings: 100 }));
  const style = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };
  // An end takes so many events and no more.
  const busy = Array.from({ length: 8 }, () => startEnd(actOn(store), check(zStart, style)).id);
  store.$client.close();
  line(
    "10,000 ends and 1,000,000 readings made",
    `${seconds.toFixed(0)} s, ${(statSync(file).size / 1e6).toFixed(0)} MB`,
  );
  ledgerAtSize(file);
  insightAtSize(file);
  const server = await startServer(file, await freePort());
  for (const path of ["/insight", "/ledger", "/ledger?find=pad+07", "/ledger?result=out"])
    line(`page answered: ${path}`, spread(await pageAnswered(server.url, path)));
  await onPaper(server.url, "from=2024-01-20&to=2024-01-20&style=stub-cam-crimp-900");
  await exporting(server, () => storeLabel(server.url, busy[labels % busy.length] ?? ""));
  await server.kill();
}

let labels = 0;

/** Stores an event: a name, which any end takes at any time. */
async function storeLabel(url: string, end: string): Promise<void> {
  labels += 1;
  const event = { kind: "label", job: "Moor", label: `port ${labels}` };
  const answer = await fetch(`${url}/api/v1/ends/${end}/events`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ client: "perf", after: 9_999, events: [{ id: randomUUID(), event }] }),
  });
  if (!answer.ok) throw new Error(await answer.text());
  await answer.arrayBuffer();
}
