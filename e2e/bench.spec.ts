import type { APIRequestContext, Page } from "@playwright/test";
import {
  addEvents,
  endAtMeasure,
  expect,
  lineOf,
  MEASURE,
  startEnd,
  THREADED,
  test,
} from "../harness/server";
import { begin, heading, openPlace, pass, sign, work } from "./work";

for (const [style, query] of [
  ["stub, cam and crimp", "cable=distribution-900&style=stub-cam-crimp-900"],
  [
    "stub, wedge release, thin cord without light",
    "cable=simplex-2.0&style=stub-wedge-release-cord&as.light=without",
  ],
  ["adhesive and polish, duplex", "cable=duplex-3.0&style=adhesive-polish-duplex"],
] as const)
  test(`an end is made from sheet to record: ${style}`, async ({ page }) => {
    await page.goto(`/?${query}`);
    await begin(page);
    await work(page);
    await expect(page.getByRole("heading", { level: 2 })).toContainText("In");
    await sign(page, "Wyn Harrow");
    await page.getByRole("link", { name: "Open the record" }).click();
    await expect(page.locator("main").getByText(/signed off by Wyn Harrow/)).toBeVisible();
    await expect(page.getByText("Representative, not confirmed against the part's sheet")).toBeVisible();
  });

test("a whole end with one length out: told what to do, signed off so, found in the ledger", {
  tag: "@phone",
}, async ({ page }) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await begin(page);
  await work(page, { "cleave length": "11.2" });
  await expect(page.getByText("Too long by 1.25 mm")).toBeVisible();
  await sign(page, "Osla Brandt");
  await page.goto("/ledger?result=out");
  await page
    .getByRole("row", { name: /Osla Brandt|Not named/ })
    .first()
    .getByRole("link")
    .click();
  await expect(page.getByText(/11\.2/).first()).toBeVisible();
});

test("the gate stays shut until every part is threaded on", async ({ page, request }) => {
  const end = await startEnd(request);
  await page.goto(`/bench/${end}`);
  await page.keyboard.press("Space");
  await expect(page.getByText(/Thread on first: 3 mm boot, Yarn nut, Yarn ring/)).toBeVisible();
  await expect(heading(page)).toHaveText("Thread on");
  for (const box of await page.getByRole("checkbox").all()) await box.click();
  await page.keyboard.press("PageDown");
  await expect(heading(page)).toHaveText("Mark for the clamp");
});

/** Opens the bench of a new end with all its parts threaded on. @returns the end's id. */
async function atFirstMark(page: Page, request: APIRequestContext): Promise<string> {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: 1 }]);
  await page.goto(`/bench/${end}`);
  return end;
}

test("a bench come back to stands as it was left, before the server is asked, and names no other window", async ({
  page,
  request,
}) => {
  const end = await atFirstMark(page, request);
  await page.keyboard.press("Space");
  await expect(heading(page)).toHaveText("Mark the jacket");
  await expect(page.getByText("All saved")).toBeVisible();
  await openPlace(page, "Ledger");
  await expect(page.getByRole("heading", { level: 1, name: "Ledger" })).toBeVisible();
  let answer = () => {};
  const held = new Promise<void>((go) => {
    answer = go;
  });
  await page.route(`**/api/v1/ends/${end}?*`, async (route) => {
    await held;
    await route.continue();
  });
  const requested = page.waitForRequest(`**/api/v1/ends/${end}?*`);
  await page.goBack();
  await requested;
  await expect(heading(page)).toHaveText("Mark the jacket");
  const answered = page.waitForResponse(`**/api/v1/ends/${end}?*`);
  answer();
  await answered;
  await addEvents(request, end, [{ kind: "step", to: 3 }], THREADED.length + 2);
  await expect(page.locator("[data-message]")).toHaveText(["Changed in another window: the step."]);
});

test("what another window of the device sends for a bench stands there too, whether or not it reaches the server", async ({
  page,
  request,
}) => {
  const end = await atFirstMark(page, request);
  await expect(page.getByText("All saved")).toBeVisible();
  await page.route(`**/api/v1/ends/${end}**`, (route) => route.abort());
  await page.keyboard.press("Space");
  await expect(page.getByText("The server does not answer. 1 kept on this device.")).toBeVisible();
  const other = await page.context().newPage();
  await other.goto("/ledger");
  await expect(page.getByText("The server does not answer. Nothing is lost.")).toBeVisible();
  await expect(heading(page)).toHaveText("Mark the jacket");
  await expect(page.locator("[data-message]")).toHaveCount(0);
});

test("a list come back to names what was begun since it was left", async ({ page, request }) => {
  await page.goto("/bench");
  await openPlace(page, "Setup");
  await expect(page.getByRole("heading", { level: 1, name: "Setup" })).toBeVisible();
  const end = await startEnd(request);
  await page.goBack();
  await expect(page.locator(`a[href="/bench/${end}"]`)).toBeVisible();
});

test("Space, arrows and a pedal go on and back; typing in the field does not", async ({ page, request }) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: 1 }]);
  await page.goto(`/bench/${end}`);
  await page.keyboard.press("Space");
  await expect(heading(page)).toHaveText("Mark the jacket");
  await page.keyboard.press("ArrowRight");
  await expect(heading(page)).toHaveText(/Ring-cut/);
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("PageUp");
  await expect(heading(page)).toHaveText("Mark for the clamp");
  await addEvents(request, end, [{ kind: "step", to: MEASURE }], 99);
  await page.reload();
  await page.locator("#reading").fill("3");
  await expect(page.locator("#verdict")).toContainText("Too short");
  await page.locator("#reading").press("Space");
  await page.locator("#reading").press("8");
  await expect(page.locator("#reading")).toHaveValue("3 8");
  await expect(heading(page)).toHaveText("Measure the prepared end");
});

async function atMeasure(page: Page, request: Parameters<typeof startEnd>[0]): Promise<string> {
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  await expect(heading(page)).toHaveText("Measure the prepared end");
  return end;
}

test("the verdict follows every key, in either unit", async ({ page, request }) => {
  await atMeasure(page, request);
  const verdict = page.locator("#verdict");
  await page.locator("#reading").fill("9.5");
  await expect(verdict).toContainText("In by 0.45 mm");
  await page.locator("#reading").fill("3/8");
  await expect(verdict).toContainText("read as 9.53 mm");
  await expect(verdict).toContainText("In by 0.43 mm");
  await page.locator("#reading").fill("11.2");
  await expect(verdict).toContainText("Too long by 1.25 mm");
  await expect(verdict).toContainText("Strip further back, then cleave again: cable is lost.");
  await page.locator("#reading").fill("9.9");
  await expect(verdict).toContainText("Measure again");
  await page.locator("#reading").fill(".375");
  await expect(verdict).toContainText("If you read inches, add “in”");
});

test("a reading can be struck out and put back by taking that back", async ({ page, request }) => {
  await atMeasure(page, request);
  await page.locator("#reading").fill("11.2");
  await page.keyboard.press("Enter");
  await expect(page.getByText("saved", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "Strike out 11.2" }).click();
  await expect(page.getByLabel("Readings kept")).toHaveCount(0);
  await page.getByRole("button", { name: "Undo: striking out a reading" }).filter({ visible: true }).click();
  await expect(page.getByLabel("Readings kept")).toContainText("11.2");
  await page.keyboard.press("Escape");
  await page.locator("h2#step").click();
  await page.keyboard.press("z");
  await expect(page.getByLabel("Readings kept"), "and the reading itself").toHaveCount(0);
});

const REFUSED = {
  abc: "is not a length",
  "-4": "must be 0 or more",
  "3/0": "divides by zero",
  "40 m": "Enter at most 5000 mm",
  "1,500": "can be read two ways",
  "99999999999": "Enter at most",
};
test(`a reading of ${Object.keys(REFUSED).join(", ")} is refused and nothing is kept`, async ({
  page,
  request,
}) => {
  const end = await atMeasure(page, request);
  for (const [typed, said] of Object.entries(REFUSED)) {
    await page.locator("#reading").fill(typed);
    await page.keyboard.press("Enter");
    await expect(page.locator("#verdict")).toContainText(said);
    await expect(page.locator("#reading")).toHaveValue(typed);
    const { events } = await (await request.get(`/api/v1/ends/${end}`)).json();
    expect(events, typed).toHaveLength(THREADED.length + 1);
  }
});

test("the instrument is chosen once and remembered", async ({ page, request }) => {
  await atMeasure(page, request);
  await page.getByRole("combobox", { name: "Instrument" }).filter({ visible: true }).click();
  await page.getByRole("option", { name: /Digital calliper/ }).click();
  await page.locator("#reading").fill("9.9");
  await expect(page.locator("#verdict")).toContainText("80 % likely in");
  await page.reload();
  await expect(page.getByRole("combobox", { name: "Instrument" }).filter({ visible: true })).toContainText(
    "Digital calliper",
  );
});

// A phone may scroll its middle.
test("nothing at the bench needs scrolling on a desk or an upright tablet", { tag: "@desk" }, async ({
  page,
  request,
}) => {
  const end = await atMeasure(page, request);
  for (const size of [
    { width: 1280, height: 800 },
    { width: 800, height: 1280 },
  ]) {
    await page.setViewportSize(size);
    for (const step of [0, 6, 7, MEASURE]) {
      await addEvents(request, end, [{ kind: "step", to: step }], 99);
      await page.reload();
      await expect(page.locator("#step")).toBeVisible();
      const hidden = await page.evaluate(() =>
        [...document.querySelectorAll("main *")]
          .filter(
            (element) =>
              element.scrollHeight > element.clientHeight + 1 &&
              ["auto", "scroll"].includes(getComputedStyle(element).overflowY),
          )
          .map((element) => `${element.className} ${element.scrollHeight - element.clientHeight}`),
      );
      expect(hidden, `step ${step} at ${size.width}`).toEqual([]);
    }
  }
});

test("a name typed as the sign-off comes up is whose it is, whatever its letters do elsewhere", {
  tag: "@desk",
}, async ({ page, request }) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("shards") }]);
  await page.goto(`/bench/${end}`);
  await expect(heading(page)).toHaveText("Count the shards");
  await pass(page);
  // Z undoes the last act and U changes the units where nothing is typed.
  await page.keyboard.type("Zuri Brandt");
  await expect(page.locator("#signer")).toHaveValue("Zuri Brandt");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /On record/ })).toBeVisible();
  const { result, signed } = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  expect([signed?.name, typeof result]).toEqual(["Zuri Brandt", "string"]);
});
