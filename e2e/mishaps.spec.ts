import type { Page } from "@playwright/test";
import {
  addEvents,
  cleaveRead,
  endAtMeasure,
  expect,
  lineOf,
  MEASURE,
  startEnd,
  THREADED,
  test,
} from "../harness/server";
import { barriersOn } from "./barriers";
import { begin, heading, sign, work } from "./work";

const PAIR = { cable: "duplex-3.0", procedure: "adhesive-polish-duplex", core: "50/125" };
const clean = async (page: Page) => expect(await barriersOn(page)).toEqual([]);
const advice = (page: Page) => page.getByRole("region", { name: "What to do" });
const saved = (page: Page) => page.getByRole("status").filter({ hasText: "All saved" });

test("a part found not to be on goes on while it can, and what lies in front of it after it", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("mark-buffer") - 2 }]);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: "Parts on 3/3" }).click();
  await clean(page);
  await page.getByRole("button", { name: "3 mm boot: it is not on, or wrong" }).click();
  const reported = page.getByRole("alert", { name: "A part is not on" });
  await expect(reported).toContainText("3 mm boot: thread it on now");
  await expect(reported).toContainText("First take off Yarn nut, Yarn ring");
  await clean(page);
  const before = await heading(page).textContent();
  await page.keyboard.press("PageDown");
  await expect(heading(page)).toHaveText(before ?? "");
  await page.keyboard.press("Enter");
  await expect(reported).toHaveCount(0);
  await expect(page.getByRole("button", { name: "Parts on 3/3" })).toBeVisible();
  await page.keyboard.press("PageDown");
  await expect(heading(page)).not.toHaveText(before ?? "");
});

test("a part that no longer goes on takes a fresh start, at its cost, by one key that can be undone", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [
    ...THREADED,
    { kind: "step", to: lineOf("boot") },
    { kind: "thread", part: "boot-3", on: false },
  ]);
  await page.goto(`/bench/${end}`);
  const reported = page.getByRole("alert", { name: "A part is not on" });
  await expect(reported).toContainText("3 mm boot can no longer go on");
  await expect(reported).toContainText("“Cleave” has shut it out.");
  await expect(reported.getByRole("button", { name: /Cut off and begin again/ })).toContainText("of cable");
  await page.keyboard.press("Enter");
  await expect(heading(page)).toHaveText("Thread on");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(reported).toBeVisible();
  await page.keyboard.press("Enter");
  await page.getByRole("checkbox", { name: /3 mm boot/ }).click();
  await expect(page.getByText(/went on before 3 mm boot/)).toBeVisible();
  await page.getByRole("button", { name: /on again, in this order/ }).click();
  await expect(page.getByText(/went on before/)).toHaveCount(0);
  await expect(saved(page)).toBeAttached();
  const record = await (await request.get(`/api/v1/ends/${end}?after=0`)).json();
  const kinds = record.events.map(({ event }: { event: { kind: string } }) => event.kind);
  expect(kinds.filter((kind: string) => kind === "restart" || kind === "take-back")).toEqual([
    "restart",
    "take-back",
    "restart",
  ]);
});

test("an end begun by mistake is put away by one act that can be taken back: kept as such, out of the way of the others", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: "Name this end" }).click();
  await clean(page);
  await page.getByRole("button", { name: /Started by mistake/ }).click();
  await expect(page.getByRole("heading", { name: "On record: discarded" })).toBeVisible();
  await page.getByRole("button", { name: "Undo: discarding" }).click();
  await expect(heading(page), "it can be taken back").toHaveText("Thread on");
  await page.goto("/bench");
  await page
    .locator("li", { has: page.locator(`a[href="/bench/${end}"]`) })
    .getByRole("button", { name: /put it away/ })
    .click();
  await expect(page.locator(`a[href="/bench/${end}"]`)).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.locator(`a[href="/bench/${end}"]`)).toHaveCount(1);
  await page
    .locator("li", { has: page.locator(`a[href="/bench/${end}"]`) })
    .getByRole("button", { name: /put it away/ })
    .click();
  await expect(page.locator(`a[href="/bench/${end}"]`)).toHaveCount(0);
  await page.goto("/bench");
  await expect(page.locator(`a[href="/bench/${end}"]`)).toHaveCount(0);
  await page.goto("/ledger");
  await expect(page.locator(`a[href="/ledger/${end}"]`)).toHaveCount(0);
  await page.goto("/ledger?result=discarded");
  await expect(page.locator(`tbody a[href="/ledger/${end}"]`)).toHaveCount(1);
});

test("a reading taken for another length says so before anything follows from it, and Z takes it back", async ({
  page,
  request,
}) => {
  await page.goto(`/bench/${await endAtMeasure(request)}`);
  const reported = page.getByRole("alert").filter({ hasText: "by its size" });
  await page.locator("#reading").fill("42");
  await page.keyboard.press("Enter");
  await expect(reported).toContainText("42 was taken as the jacket edge to cleaved end, by its size.");
  await expect(advice(page)).toHaveCount(0);
  await clean(page);
  await page.keyboard.press("z");
  await expect(reported).toHaveCount(0);
  await expect(page.getByLabel("Lengths to read").getByText(", out")).toHaveCount(0);
  await page.locator("#reading").fill("42");
  await page.keyboard.press("Enter");
  await reported.getByRole("button", { name: /^Right/ }).click();
  await expect(advice(page)).toBeVisible();
});

test("a reading typed after the field moved on goes back to the length it is of", async ({
  page,
  request,
}) => {
  await page.goto(`/bench/${await endAtMeasure(request)}`);
  const label = page.locator("label[for=reading]");
  await page.locator("#reading").fill("9.5");
  await page.keyboard.press("Enter");
  await expect(label).toContainText("buffer beyond the jacket");
  await page.locator("#reading").fill("9.52");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "by its size" })).toContainText(
    "9.52 was taken as the cleave length, by its size.",
  );
});

test("readings of one length that disagree ask to be read again; nothing is cut meanwhile", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await addEvents(request, end, [cleaveRead(9_500), cleaveRead(8_200)], 99);
  await page.goto(`/bench/${end}`);
  await expect(advice(page)).toContainText("Read it again before anything is cut");
  await expect(page.getByRole("button", { name: /Take it/ })).toHaveCount(0);
  await page
    .getByLabel("Lengths to read")
    .filter({ visible: true })
    .getByRole("button", { name: /cleave length/ })
    .click();
  await page.getByRole("button", { name: "Strike out 8.2" }).click();
  await expect(advice(page)).toHaveCount(0);
});

test("the adhesive's life counts down; a cure that runs by itself is asked about too, with waiting as the usual way", async ({
  page,
  request,
}) => {
  const end = await startEnd(request, PAIR);
  const { parts: existing } = await (
    await request.get("/api/v1/shelf/procedures/adhesive-polish-duplex")
  ).json();
  await addEvents(request, end, [
    ...existing.map(({ id }: { id: string }) => ({ kind: "thread", part: id, on: true })),
    { kind: "step", to: lineOf("fill", PAIR) },
    { kind: "step", to: lineOf("insert", PAIR) },
  ]);
  await page.goto(`/bench/${end}`);
  await expect(page.getByRole("timer", { name: "adhesive in the tip: left" })).toHaveText(/^9:\d\d$/);
  await addEvents(
    request,
    end,
    [
      { kind: "step", to: lineOf("cure", PAIR) },
      { kind: "timer", step: "cure", action: "start", seconds: 90 },
    ],
    99,
  );
  await page.reload();
  await expect(heading(page)).toHaveText("Cure");
  await page.keyboard.press("PageDown");
  const reported = page.getByRole("alert").filter({ hasText: "Press again to skip it" });
  await expect(reported).toContainText("Still running: Cure.");
  await page.keyboard.press("Enter");
  await expect(reported).toHaveCount(0);
  await expect(heading(page)).toHaveText("Cure");
  await addEvents(request, end, [{ kind: "timer", step: "cure", action: "stop", seconds: 1 }], 99);
});

test("what keeps an end from being in is named at the sign-off and on record", async ({ page, request }) => {
  const end = await endAtMeasure(request);
  await addEvents(
    request,
    end,
    [
      cleaveRead(10_900),
      { kind: "answer", judgement: "glow", answer: "no" },
      { kind: "step", to: lineOf("shards") },
    ],
    99,
  );
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: /Finish/ }).click();
  const list = page.getByRole("list", { name: "Why it is not in" });
  await expect(list).toContainText("Out: cleave length");
  await expect(list).toContainText("Not good: it stayed bright");
  await expect(list).toContainText("Not read: buffer beyond the jacket; jacket edge to cleaved end");
  await page.reload();
  await expect(list, "the sign-off is still there").toContainText("Out: cleave length");
  await sign(page, "Osla Brandt");
  await expect(list).toContainText("Out: cleave length");
});

test("the browser's Back leads from the bench to the sheet as it was, and on again; half a reading survives", async ({
  page,
}) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await begin(page);
  await expect(heading(page)).toBeVisible();
  const bench = page.url();
  await page.goBack();
  await expect(page.getByRole("heading", { name: /^Sheet/ })).toBeAttached();
  await expect(page.getByRole("button", { name: /Connector Stub, wedge release/ })).toBeVisible();
  await expect(heading(page)).toHaveCount(0);
  await page.goForward();
  await expect(heading(page)).toBeVisible();
  expect(page.url()).toBe(bench);
  const end = bench.split("/").at(-1) as string;
  await addEvents(page.request, end, [...THREADED, { kind: "step", to: lineOf("measure") }], 99);
  await page.reload();
  await page.locator("#reading").fill("9.5");
  await page.reload();
  await expect(page.locator("#reading")).toHaveValue("9.5");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Lengths to read").filter({ visible: true }).getByText(", in")).toHaveCount(1);
});

test("a new step has the keys and the title; Space goes on after a click and after naming the end", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("mark-clamp") }]);
  await page.goto(`/bench/${end}`);
  await page.keyboard.press("Space");
  await expect(heading(page)).toHaveText("Mark the jacket");
  await expect(heading(page)).toBeFocused();
  await expect(page.getByRole("status").filter({ hasText: /^Step 3 of / })).toHaveText(/Mark the jacket/);
  await expect(page).toHaveTitle(/^Mark the jacket · /);
  await page.getByRole("button", { name: "Name this end" }).click();
  await page.getByRole("textbox", { name: "This end" }).fill("fibre 3, orange");
  await page.keyboard.press("Enter");
  await expect(page).toHaveTitle(/fibre 3, orange/);
  await page.keyboard.press("Space");
  await expect(heading(page)).toHaveText("Ring-cut, take the jacket off");
  await page.getByRole("button", { name: "Next" }).click();
  await expect(heading(page)).toHaveText("Lay the yarn back");
  await page.keyboard.press("Space");
  await expect(heading(page)).toHaveText("Mark the buffer");
});

test("one break, one forgotten part and one wrong reading on a phone: the record is right and complete", async ({
  page,
  request,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await page.getByRole("button", { name: "To the bench" }).click();
  await page.getByRole("dialog").getByRole("button", { name: /^LC/ }).click();
  await page.getByRole("button", { name: "Start without checking" }).click();
  await page.waitForURL(/\/bench\/[0-9a-f-]{36}/);
  const end = page.url().split("/").at(-1) as string;
  const next = page.getByRole("button", { name: /^(Next|Skip it)/ });
  const visited: string[] = [];
  const goTo = async (title: string) => {
    for (let i = 0; i < 40 && (await heading(page).textContent()) !== title; i++) {
      visited.push((await heading(page).textContent()) ?? "");
      const looks = page.locator("fieldset button:has(.bg-in)").first();
      if (await looks.isVisible()) await looks.click();
      await next.click();
    }
    await expect(heading(page)).toHaveText(title);
  };
  for (const box of await page.getByRole("checkbox").all()) await box.click();
  await goTo("Mark the buffer");
  await page.getByRole("button", { name: "Parts on 3/3" }).click();
  await page.getByRole("button", { name: "Yarn ring: it is not on, or wrong" }).click();
  await page.getByRole("button", { name: /Cut off and begin again/ }).click();
  await expect(heading(page)).toHaveText("Thread on");
  await page.getByRole("checkbox", { name: /Yarn ring/ }).click();
  await goTo("Bend screen");
  await page.getByRole("button", { name: /It broke/ }).click();
  await advice(page)
    .getByRole("button", { name: /Take it|Start again/ })
    .click();
  await expect(heading(page)).not.toHaveText("Bend screen");
  visited.length = 0;
  await goTo("Measure the prepared end");
  for (const again of [
    "Strip the coating",
    "Wipe the glass",
    "Bend screen",
    "Cleave",
    "Is the cleave clean?",
  ])
    expect(visited, "what the break undid comes again").toContain(again);
  await page.locator("#reading").fill("8.2");
  await page.getByRole("button", { name: "Keep" }).click();
  await page.getByRole("button", { name: "Strike out 8.2" }).click();
  await work(page);
  await expect(page.getByRole("heading", { name: "In", exact: true })).toBeVisible();
  await sign(page, "Osla Brandt");
  const record = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  expect(record.result).toBe("in");
  expect(record.as).toContain("LC");
  expect(record.cable.lost).toBeGreaterThan(72);
  expect(record.struck.map(({ typed }: { typed: string }) => typed)).toEqual(["8.2"]);
  expect(record.shards.binned).toBe(record.shards.made);
  expect(record.parts.every(({ on }: { on: boolean }) => on)).toBe(true);
});

test("a break stays a break, passed by or not: the advice later is what follows from it", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("bend") }]);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: /It broke/ }).click();
  const first = await advice(page).getByRole("listitem").allTextContents();
  expect(first.join()).toContain("Strip");
  await page.keyboard.press("PageDown");
  await page.keyboard.press("PageDown");
  await expect(heading(page)).toHaveText("Press the wedge home");
  await addEvents(request, end, [{ kind: "step", to: MEASURE }], 99);
  await page.reload();
  await expect(heading(page)).toHaveText("Measure the prepared end");
  const later = await advice(page).getByRole("listitem").allTextContents();
  expect(later.join(), "not merely cleaved again").toContain("Strip the 900 µm buffer");
});

test("one cut is one fraction: on the sheet, on the band and big at the bench", async ({
  page,
  request,
  server,
}) => {
  await page
    .context()
    .addCookies([
      { name: "arlent-prefs", value: encodeURIComponent(JSON.stringify({ units: "in" })), url: server.url },
    ]);
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord&as.interface=sc");
  const row = page.getByRole("row").filter({ has: page.getByRole("rowheader", { name: /^Second mark/ }) });
  const fraction = (await row.locator(".figures").first().textContent()) ?? "";
  expect(fraction).toMatch(/^\d+ \d+\/\d+$/);
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("second-mark") }]);
  await page.goto(`/bench/${end}`);
  await expect(page.locator(".figure-huge").first()).toHaveText(fraction);
  await expect(
    page
      .getByRole("figure", { name: /drawn to scale/ })
      .locator("text", { hasText: fraction })
      .first(),
  ).toBeVisible();
});
