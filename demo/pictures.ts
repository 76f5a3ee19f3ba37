import { randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { check, type EventInput, zAddInside, zBenchQuery, zJobsQuery, zLedgerQuery, zStart } from "@/core";
import { actOn } from "@/service/act";
import { benchPage } from "@/service/end/bench-page";
import { addEvents, getEnd, startEnd } from "@/service/end/ends";
import { getClosures } from "@/service/job/closures";
import { getFeeders } from "@/service/job/feeders";
import { getJob, jobsPage } from "@/service/job/jobs";
import { ledgerPage } from "@/service/ledger/ledger";
import { openStore } from "@/store/opening/open";
import { freePort, startServer } from "../harness/next-server";
import { ensureChromium } from "../scripts/setup.mjs";
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
const open = benchPage(store, check(zBenchQuery, {})).rows;
const [marking, measuring] = open.filter((end) => end.batch === null).map(({ id }) => id);
const redone = ledgerPage(store, check(zLedgerQuery, {})).rows.find(({ id }) =>
  getEnd(store, id).events.some(({ event }) => event.kind === "rework"),
)?.id;
const WEDGE = { cable: "simplex-3.0", procedure: "stub-wedge-release-cord", core: "9/125" };

/** One more end, threaded on and standing at a step, with what was seen there. @returns its address. */
function standing(sheetOf: typeof WEDGE, step: string, more: readonly EventInput[]): string {
  const { id } = startEnd(actOn(store), check(zStart, sheetOf));
  const { sheet } = getEnd(store, id);
  const to = sheet.lines.findIndex((line) => line.step.id === step);
  const events: EventInput[] = [
    { kind: "label", job: "Correlator hall, row C", label: "patch 9, SC" },
    ...sheet.parts.map(({ id: part }): EventInput => ({ kind: "thread", part, on: true })),
    { kind: "step", to },
    ...more,
  ];
  addEvents(
    actOn(store),
    id,
    check(zAddInside, {
      client: "pictures",
      after: 0,
      events: events.map((event) => ({ id: randomUUID(), event })),
    }),
  );
  return `/bench/${id}`;
}

const press = (name: string | RegExp) => (page: Page) => page.getByRole("button", { name }).first().click();
const contradict = (page: Page) =>
  page.getByLabel("buffer beyond the jacket: figure", { exact: true }).fill("33.5");
const SHEET = "/?cable=simplex-3.0&style=stub-wedge-release-cord&as.interface=sc";
/** A cleave that came out short, by a digital calliper. */
const cleaved = (check: string, value: number): EventInput => ({
  kind: "reading",
  check,
  value,
  typed: String(value / 1000),
  unit: "mm",
  instrument: { id: "digital-calliper", name: "Digital calliper", resolution: 10, repeatability: 20 },
});
const advice = standing({ ...WEDGE, cable: "simplex-2.0" }, "measure", [
  cleaved("cleave", 8_320),
  cleaved("buffer-out", 24_050),
  cleaved("reach", 32_380),
  { kind: "spare", length: 640_000 },
]);

const [planned] = jobsPage(store, check(zJobsQuery, {})).rows;
const job = planned && getJob(store, planned.id);
const feeder = job?.pieces.find(({ plan }) => plan.name === "Pad 4 feeder")?.id;
const [closure] = planned ? getClosures(store, planned.id) : [];

/** Rows copied from a spreadsheet, one of them with a letter for a figure. */
const COPIED = [
  "Piece\tCable\tFrom\tTo\tLength\tSlack\tEnds",
  "Pad 8 feeder\tTight-buffer 900 distribution\tWeather hut\tPad 8\t76\t3 / 0\t12",
  "Pad 9 feeder\tTight-buffer 900 distribution\tWeather hut\tPad 9\t15o\t3 / 0\t12",
].join("\n");
const copied = async (page: Page) => {
  await page.getByRole("button", { name: /New piece, Piece/ }).focus();
  await page.evaluate((text) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData("text/plain", text);
    document.activeElement?.dispatchEvent(new ClipboardEvent("paste", { clipboardData, bubbles: true }));
  }, COPIED);
};

const type = (text: string) => async (page: Page) => {
  await page.locator("#reading").fill(text);
  await page.locator("#verdict strong").waitFor();
};

const [hill] = getFeeders(store, planned?.id ?? "");
/** The second joint, whose outputs were read. */
const pickJoint = (page: Page) => page.keyboard.press("ArrowRight");

/** A whole end is practised: its first step tried out of turn. */
const wholeEnd = async (page: Page) => {
  await page.getByRole("button", { name: "whole end: stub, wedge release" }).click();
  for (const key of ["1", "2", "3", "4"]) await page.keyboard.press(key);
};

const pictures: [name: string, path: string, size: typeof DESK, act?: (page: Page) => Promise<void>][] = [
  ["home", "/", DESK, (page) => page.getByRole("combobox").first().fill("3 mm cord, SC wedge")],
  ["job", `/jobs/${job?.id}`, DESK],
  ["insight", "/insight", DESK],
  ["pieces-grid", `/jobs/${job?.id}/grid`, DESK, copied],
  ["sheet", SHEET, DESK],
  ["strip-card", SHEET.replace("/?", "/card?"), DESK],
  ["bench-step", `/bench/${marking}`, DESK],
  ["bench-advice", advice, DESK],
  ["bench-tablet", `/bench/${measuring}`, TABLET, type("48.4")],
  ["bench-phone", `/bench/${marking}`, PHONE],
  ["link", `/jobs/${job?.id}/${feeder}/link?side=A&fibre=1`, DESK],
  ["feeder", `/jobs/${planned?.id}/feeders/${hill?.id}`, DESK, pickJoint],
  ["practice", "/practice", DESK, wholeEnd],
  ["entry", `/jobs/${planned?.id}/closures/${closure?.id}`, DESK],
  ["splice-plan", `/jobs/${planned?.id}/closures/${closure?.id}/splices`, DESK],
  ["closure-work", `/jobs/${planned?.id}/closures/${closure?.id}/work`, DESK, press(/^Splices/)],
  ["editor", "/shelf/procedures/stub-wedge-release-cord/edit", DESK, contradict],
  ["ledger", "/ledger", DESK],
  ["record", `/ledger/${redone}`, DESK],
];

const server = await startServer(file, await freePort());
const browser = await chromium.launch({
  executablePath: ensureChromium(),
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
