import { randomUUID } from "node:crypto";
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import {
  type APIRequestContext,
  type BrowserContext,
  test as base,
  chromium,
  expect,
  type Page,
  type Response,
  type WebError,
} from "@playwright/test";
import { z } from "zod";
import { compileRunSheet, type EventInput, zEvent, zStoredEvent } from "@/core";
import { shippedLibrary } from "@/store/shelf/shipped";
import { shared } from "./global-setup";
import { freePort, killed, NO_PAGE, startServer } from "./next-server";

const written = Error.prepareStackTrace;

/** Every question to a browser notes where it was asked: only our own lines are looked up in their source. */
Error.prepareStackTrace = (error, frames) => {
  const said = (frame: NodeJS.CallSite) =>
    frame.getFileName()?.includes("/e2e/")
      ? String(written?.(error, [frame]))
          .split("\n    at ")
          .at(-1)
      : frame;
  return [String(error), ...frames.map((frame) => `    at ${said(frame)}`)].join("\n");
};

/** A server of this lane's own, on its own database; it can be killed and started again. */
export interface TestServer {
  readonly url: string;
  /** Where its database lies. */
  readonly database: string;
  readonly start: () => Promise<void>;
  readonly kill: () => Promise<void>;
}

const zNoted = z.object({ port: z.number(), pid: z.number(), database: z.string() });

/** The server of a lane: whichever worker comes to it first starts it, and the next one finds it warm. */
async function serverOf(lane: number): Promise<TestServer> {
  const note = join(shared(), `server-${lane}.json`);
  const left = existsSync(note) ? zNoted.parse(JSON.parse(readFileSync(note, "utf8"))) : null;
  const port = left?.port ?? (await freePort());
  const database = left?.database ?? join(mkdtempSync(join(tmpdir(), "arlent-e2e-")), "end.db");
  const url = `http://127.0.0.1:${port}`;
  let pid = left?.pid ?? 0;
  const start = async () => {
    ({ pid } = await startServer(database, port, NO_PAGE));
    writeFileSync(note, JSON.stringify({ port, pid, database }));
  };
  const answers = await fetch(url + NO_PAGE).then(
    ({ ok }) => ok,
    () => false,
  );
  if (!answers) await start();
  return { url, database, start, kill: () => killed(pid) };
}

/** Makes going to a page wait until it takes keys and touches. `SLOWER=4` slows its processor to a quarter. */
function onceReady(page: Page, name: "goto" | "reload"): void {
  const go = page[name].bind(page) as (...args: unknown[]) => Promise<Response | null>;
  const ready = page.locator("html[data-ready]");
  page[name] = async (...args: unknown[]) => {
    const answer = await go(...args);
    if (answer?.headers()["content-type"]?.startsWith("text/html"))
      await ready.waitFor({ state: "attached" });
    return answer;
  };
}

const PROBE = "/asked-only-to-see-that-it-is-held";

/**
 * Makes holding a page's requests wait until they are held: the browser says so before the page itself knows, and what that asks
 * for in between would go out.
 */
function onceHeld(page: Page): void {
  const route = page.route.bind(page);
  page.route = async (...args) => {
    const routed = await route(...args);
    if (!page.url().startsWith("http")) return routed;
    await route(`**${PROBE}`, (probe) => probe.fulfill({ status: 204 }));
    await page.evaluate(async (probe) => {
      while ((await fetch(probe)).status !== 204) await new Promise((resolve) => setTimeout(resolve, 20));
    }, PROBE);
    await page.unroute(`**${PROBE}`);
    return routed;
  };
}

/** Does what has a page load itself again, and waits until it takes keys and touches. */
export async function loadedBy(page: Page, act: () => Promise<void>): Promise<void> {
  const loaded = page.waitForEvent("load");
  await act();
  await loaded;
  await page.locator("html[data-ready]").waitFor({ state: "attached" });
}

/** All a page can have left behind on a device. */
const LEFT_BEHIND = "cookies,local_storage,indexeddb,service_workers,cache_storage,file_systems";

/** What a page cannot be rid of again: one it was done to is closed after its test. */
const LASTING = ["addInitScript", "emulateMedia", "on"] as const;

const lasting = new WeakSet<Page>();

/** A page of a device, as tests go about with it; the next test has the same, its scripts are compiled already. */
async function pageOf(device: BrowserContext): Promise<Page> {
  const page = await device.newPage();
  for (const name of ["goto", "reload"] as const) onceReady(page, name);
  onceHeld(page);
  for (const name of LASTING) {
    const does = page[name].bind(page) as (...args: unknown[]) => unknown;
    Object.assign(page, {
      [name]: (...args: unknown[]) => {
        lasting.add(page);
        return does(...args);
      },
    });
  }
  return page;
}

/** Leaves a device as it came: no page open but one, and nothing kept. */
async function emptied(device: BrowserContext): Promise<void> {
  const left = device.pages().find((page) => !lasting.has(page));
  const first = left ?? (await pageOf(device));
  for (const page of device.pages()) if (page !== first) await page.close();
  // What a tab keeps for itself goes by no other way.
  await first.evaluate(() => sessionStorage.clear()).catch(() => undefined);
  await first.unrouteAll({ behavior: "ignoreErrors" });
  await first.goto("about:blank");
  await device.unrouteAll();
  await device.clearPermissions();
  const session = await device.newCDPSession(first);
  await session.send("Storage.clearDataForOrigin", { origin: "*", storageTypes: LEFT_BEHIND });
  await session.detach();
  await device.clearCookies();
}

export const test = base.extend<{ baseURL: string }, { server: TestServer; device: BrowserContext }>({
  server: [
    // biome-ignore lint/correctness/noEmptyPattern: Playwright asks for a pattern here
    async ({}, use, { parallelIndex }) => use(await serverOf(parallelIndex)),
    { scope: "worker" },
  ],
  /** One device a worker, on which the scripts of a page are compiled once and not for every test. */
  device: [
    async ({ server }, use, { project }) => {
      const { launchOptions, viewport, hasTouch, locale, timezoneId } = project.use;
      const profile = mkdtempSync(join(tmpdir(), "arlent-device-"));
      const device = await chromium.launchPersistentContext(profile, {
        ...launchOptions,
        viewport: viewport ?? null,
        hasTouch: hasTouch ?? false,
        locale: locale ?? "",
        timezoneId: timezoneId ?? "",
        baseURL: server.url,
      });
      const [begun] = device.pages();
      await pageOf(device);
      await begun?.close();
      await use(device);
      await device.close();
      rmSync(profile, { recursive: true, force: true });
    },
    { scope: "worker" },
  ],
  /** The device of a worker; an error nobody caught, on any of its pages, is a failure of the test. */
  context: async ({ device }, use) => {
    const errors: string[] = [];
    const note = (error: WebError) => errors.push(`${error.page()?.url()}: ${error.error().message}`);
    device.on("weberror", note);
    await use(device);
    await emptied(device);
    device.off("weberror", note);
    expect(errors).toEqual([]);
  },
  baseURL: async ({ server }, use) => use(server.url),
  page: async ({ context, viewport }, use) => {
    const [page] = context.pages();
    if (!page) throw new Error("the device has lost its page");
    if (viewport) await page.setViewportSize(viewport);
    const rate = Number(process.env.SLOWER ?? 1);
    if (rate > 1)
      await (await page.context().newCDPSession(page)).send("Emulation.setCPUThrottlingRate", { rate });
    await use(page);
  },
});

export { expect };

export const WEDGE = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };

/** Starts an end by the API. @returns its id. */
export async function startEnd(request: APIRequestContext, sheet = WEDGE): Promise<string> {
  const answer = await request.post("/api/v1/ends", { data: sheet });
  expect(answer.status()).toBe(201);
  return (await answer.json()).id;
}

/** Adds events by the API, as another window would. */
export async function addEvents(
  request: APIRequestContext,
  end: string,
  events: readonly EventInput[],
  after = 0,
): Promise<void> {
  const answer = await request.post(`/api/v1/ends/${end}/events`, {
    data: {
      client: "test",
      after,
      // Lengths are whole micrometres in a test and millimetres on the wire.
      events: events.map((event) => ({
        id: randomUUID(),
        event: z.encode(zEvent, zStoredEvent.parse(event)),
      })),
    },
    // The server closes idle connections; sending the same events again changes nothing.
    maxRetries: 2,
  });
  expect(answer.ok(), await answer.text()).toBe(true);
}

export const THREADED: readonly EventInput[] = ["boot-3", "yarn-nut", "yarn-ring"].map((part) => ({
  kind: "thread",
  part,
  on: true,
}));

/** The index of a step on a shipped sheet. */
export function lineOf(step: string, { cable, procedure, core } = WEDGE): number {
  const { cables, procedures, tools } = shippedLibrary();
  const on = cables.find(({ id }) => id === cable);
  const style = procedures.find(({ id }) => id === procedure);
  if (!on || !style) throw new Error(`${procedure} on ${cable} is not shipped`);
  const { lines } = compileRunSheet({ procedure: style, cable: on, core, choices: {}, tools });
  const index = lines.findIndex((line) => line.step.id === step);
  if (index < 0) throw new Error(`${procedure} has no step ${step}`);
  return index;
}

/** The wedge-release sheet's measure step. */
export const MEASURE = lineOf("measure");

/** An end threaded and standing at its measure step. @returns its id. */
export async function endAtMeasure(request: APIRequestContext): Promise<string> {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: MEASURE }]);
  return end;
}

/** A reading of the wedge sheet's cleave, in micrometres, by a digital calliper. */
export const cleaveRead = (value: number): EventInput => ({
  kind: "reading",
  check: "cleave",
  value,
  typed: String(value / 1000),
  unit: "mm",
  instrument: { id: "digital-calliper", name: "Digital calliper", resolution: 10, repeatability: 20 },
});
