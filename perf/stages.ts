import { randomUUID } from "node:crypto";
import { createServer } from "node:http";
import { join } from "node:path";
import Database from "better-sqlite3";
import { NextRequest } from "next/server";
import { z } from "zod";
import { check, type EventInput, zAdd, zAddInside, zEvent, zEventsAnswer, zStoredEvent } from "@/core";
import { proxy } from "@/proxy";
import { actOn } from "@/service/act";
import { addEvents } from "@/service/end/ends";
import type { Store } from "@/store/database/store";
import { openStore } from "@/store/opening/open";
import { line, quantile } from "./measure";

const TRIES = 300;

/** The middle time something takes, milliseconds, after it was done a while. */
async function middle(work: (i: number) => unknown): Promise<number> {
  const times: number[] = [];
  for (let i = 0; i < TRIES; i++) {
    const start = performance.now();
    await work(i);
    if (i >= TRIES / 5) times.push(performance.now() - start);
  }
  return quantile(times, 0.5);
}

const post = async (url: string, body: string): Promise<void> => {
  const answer = await fetch(url, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body,
  });
  await answer.arrayBuffer();
  if (!answer.ok) throw new Error(String(answer.status));
};

/** A server of Node's alone that reads a body and answers as much: what client and network take. */
async function bareServer(): Promise<number> {
  const server = createServer((request, answer) => {
    const body: Buffer[] = [];
    request.on("data", (chunk: Buffer) => body.push(chunk));
    request.on("end", () => answer.setHeader("content-type", "application/json").end('{"events":[]}'));
  });
  const port = await new Promise<number>((ready) =>
    server.listen(0, "127.0.0.1", () => {
      const address = server.address();
      ready(typeof address === "object" && address ? address.port : 0);
    }),
  );
  const ms = await middle(() => post(`http://127.0.0.1:${port}/`, "{}"));
  server.close();
  return ms;
}

const inputOf = (event: unknown): unknown => ({
  client: "perf",
  after: 99_999,
  events: [{ id: randomUUID(), event }],
});

const tell = (name: string, ms: number): void => line(name, `${ms.toFixed(2)} ms`);

/** Where the time of a stored reading goes, each stage by itself, at p50. */
export async function stages(
  folder: string,
  url: string,
  makeEnd: (store: Store) => string,
  reading: EventInput,
): Promise<void> {
  tell("client and a bare server of Node's", await bareServer());
  const request = () =>
    new NextRequest(`${url}/api/v1/compute/stack`, { headers: { host: new URL(url).host }, method: "POST" });
  tell("host check and headers", await middle(() => proxy(request())));
  const trivial = () => post(`${url}/api/v1/compute/stack`, '{"features":[{"name":"end"}]}');
  tell("a request that stores nothing, all of it", await middle(trivial));
  const sent = z.encode(zEvent, zStoredEvent.parse(reading));
  tell("what is sent, read and checked", await middle(() => check(zAdd, inputOf(sent))));
  for (const [name, synchronous] of [
    ["a reading stored in process, disk waited for", "FULL"],
    ["  the same, disk not waited for", "OFF"],
  ] as const) {
    const store = openStore(join(folder, `stages-${synchronous}.db`));
    store.$client.pragma(`synchronous = ${synchronous}`);
    const end = makeEnd(store);
    tell(name, await middle(() => addEvents(actOn(store), end, check(zAddInside, inputOf(reading)))));
    const events = addEvents(actOn(store), end, check(zAddInside, inputOf(reading)));
    if (synchronous === "OFF")
      tell("  its answer written", await middle(() => JSON.stringify(z.encode(zEventsAnswer, { events }))));
    store.$client.close();
  }
  const bare = new Database(join(folder, "stages-bare.db"));
  bare.pragma("journal_mode = WAL");
  bare.pragma("synchronous = FULL");
  bare.exec("CREATE TABLE events (id TEXT PRIMARY KEY, body TEXT)");
  const insert = bare.prepare("INSERT INTO events VALUES (?, ?)");
  tell("  the disk alone: one row, committed", await middle(() => insert.run(randomUUID(), "x".repeat(400))));
  bare.close();
}
