import { type ChildProcess, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { mkdtempSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type APIRequestContext, test as base, expect } from "@playwright/test";
import type { EntryInput } from "@/core";

/** A server of this worker's own, on its own database; it can be killed and started again. */
export interface TestServer {
  readonly url: string;
  readonly start: () => Promise<void>;
  readonly kill: () => Promise<void>;
}

const freePort = () =>
  new Promise<number>((answer) => {
    const probe = createServer().listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => answer(typeof address === "object" && address ? address.port : 0));
    });
  });

async function makeServer(): Promise<TestServer> {
  const port = await freePort();
  const database = join(mkdtempSync(join(tmpdir(), "arlent-e2e-")), "end.db");
  const url = `http://127.0.0.1:${port}`;
  let child: ChildProcess | null = null;
  return {
    url,
    start: async () => {
      child = spawn(
        process.execPath,
        ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
        {
          stdio: ["ignore", "ignore", "inherit"],
          env: { ...process.env, ARLENT_DB: database, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
        },
      );
      for (let tries = 0; tries < 300; tries++) {
        const up = await fetch(`${url}/setup`).then(
          ({ ok }) => ok,
          () => false,
        );
        if (up) return;
        await new Promise((later) => setTimeout(later, 100));
      }
      throw new Error("the server did not start");
    },
    kill: async () => {
      const dying = child;
      if (!dying || dying.exitCode !== null) return;
      const gone = new Promise((done) => dying.once("exit", done));
      dying.kill("SIGKILL");
      await gone;
    },
  };
}

export const test = base.extend<{ baseURL: string }, { server: TestServer }>({
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a pattern here
    async ({}, use) => {
      const server = await makeServer();
      await server.start();
      await use(server);
      await server.kill();
    },
    { scope: "worker" },
  ],
  baseURL: async ({ server }, use) => use(server.url),
});

export { expect };

export const WEDGE = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };

/** Starts an end by the API. @returns its id. */
export async function startEnd(request: APIRequestContext, sheet = WEDGE): Promise<string> {
  const answer = await request.post("/api/v1/ends", { data: sheet });
  expect(answer.status()).toBe(201);
  return (await answer.json()).id;
}

/** Adds entries by the API, as another window would. */
export async function addEntries(
  request: APIRequestContext,
  end: string,
  entries: readonly EntryInput[],
  after = 0,
): Promise<void> {
  const answer = await request.post(`/api/v1/ends/${end}/entries`, {
    data: { client: "test", after, entries: entries.map((entry) => ({ id: randomUUID(), entry })) },
  });
  expect(answer.ok(), await answer.text()).toBe(true);
}

export const THREADED: readonly EntryInput[] = ["boot-3", "stopper", "pre-stopper"].map((part) => ({
  kind: "thread",
  part,
  on: true,
}));

/** The wedge-release sheet's measure step. */
export const MEASURE = 12;
