import { randomBytes } from "node:crypto";
import { readFileSync } from "node:fs";
import sharp from "sharp";
import { addEvents, endAtMeasure, expect, startEnd, test } from "../harness/server";
import { barriersOn } from "./barriers";
import { pass } from "./work";

test("a reading shown as saved survives a kill of the server, and the end resumes where it was", async ({
  page,
  request,
  server,
  browser,
}) => {
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  await page.locator("#reading").fill("9.6");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
  await server.kill();
  await server.start();
  const elsewhere = await browser.newContext({ baseURL: server.url });
  const fresh = await elsewhere.newPage();
  await fresh.goto(`/bench/${end}`);
  await expect(fresh.locator("#step")).toHaveText("Measure the prepared end");
  const { events } = await (await request.get(`/api/v1/ends/${end}`)).json();
  expect(events.filter(({ event }: { event: { kind: string } }) => event.kind === "reading")).toHaveLength(1);
  await elsewhere.close();
});

test("while the server is away readings are kept on the device and say so, even over a reload; then they are sent", async ({
  page,
  request,
  server,
}) => {
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  await expect(page.locator("#reading")).toBeVisible();
  await server.kill();
  await page.locator("#reading").fill("9.4");
  await page.keyboard.press("Enter");
  await expect(page.getByText("1 kept on this device.")).toBeVisible();
  await server.start();
  await page.reload();
  await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
  const { events } = await (await request.get(`/api/v1/ends/${end}`)).json();
  expect(events.at(-1).event).toMatchObject({ kind: "reading", value: 9.4, typed: "9.4" });
});

test("what another window did is told even when it comes with this window's own answer", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  await expect(page.locator("#reading")).toBeVisible();
  await page.route("**/api/v1/ends/*?after=*", (route) => route.abort());
  await addEvents(request, end, [{ kind: "answer", judgement: "glow", answer: "no" }], 99);
  await page.locator("#reading").fill("9.3");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Changed in another window: an answer.")).toBeVisible();
});

test("what still waits when the bench is left is sent from any other page", async ({ page, request }) => {
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  await page.route("**/events", (route) => route.abort());
  await expect(page.locator("#reading")).toBeVisible();
  await page.locator("#reading").fill("9.3");
  await page.keyboard.press("Enter");
  await expect(page.getByText("1 kept on this device.")).toBeVisible();
  await page.unrouteAll();
  await page.goto("/setup");
  await expect
    .poll(async () => (await (await request.get(`/api/v1/ends/${end}`)).json()).events.at(-1).event.typed)
    .toBe("9.3");
});

test("a reading for an end that was signed off elsewhere is not stored, and says so", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  await expect(page.locator("#reading")).toBeVisible();
  await page.route("**/api/v1/ends/*?after=*", (route) => route.abort());
  await addEvents(request, end, [{ kind: "sign", name: "Osla Brandt", outcome: "kept" }], 99);
  await page.unrouteAll();
  await page.locator("#reading").fill("9.3");
  await page.keyboard.press("Enter");
  await expect(
    page
      .getByText(/Reading 9\.3 was not stored\. This end was signed off by Osla Brandt/)
      .or(page.getByText(/Changed in another window: the sign-off/))
      .first(),
  ).toBeVisible();
});

test("a reading the server refuses is set aside on the device: tried again, copied, given up with a reason", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  // Before the page comes: one that stands already hears of it a moment later, and asks the server itself till then.
  await page.route("**/api/v1/ends/*/events", (route) =>
    route.fulfill({
      status: 409,
      contentType: "application/json",
      body: JSON.stringify({
        error: { code: "signed", message: "This end was signed off by Osla Brandt.", path: [] },
      }),
    }),
  );
  await page.goto(`/bench/${end}`);
  await page.locator("#reading").fill("9.3");
  await page.keyboard.press("Enter");
  const aside = page.getByRole("button", { name: "1 not stored: what to do" });
  await expect(aside).toBeVisible();
  await page.goto("/setup");
  await aside.click();
  await expect(page.getByText("Reading 9.3 mm")).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(page.getByText("kept on this device").first()).toBeVisible();
  await page.unrouteAll();
  if (!(await page.getByRole("button", { name: "Try again" }).isVisible())) await aside.click();
  await page.getByRole("button", { name: "Try again" }).click();
  await expect(aside).toBeHidden();
  await expect
    .poll(async () => (await (await request.get(`/api/v1/ends/${end}`)).json()).events.at(-1).event.typed)
    .toBe("9.3");

  await page.evaluate(
    (id) => localStorage.setItem(`arlent-waiting/${id}/2026-11-26T08:00:00.000Z-1/x`, "from another version"),
    end,
  );
  await expect(aside).toBeVisible();
  if (!(await page.getByText("Something that cannot be read").isVisible())) await aside.click();
  await page.getByRole("button", { name: "Discard it", exact: true }).click();
  await page.getByLabel("Why it is discarded").fill("of an old page");
  await page.keyboard.press("Enter");
  await expect(aside).toBeHidden();
});

test("two browsers on one end see each other, and neither overwrites the other silently", async ({
  page,
  request,
  browser,
  server,
}) => {
  const end = await endAtMeasure(request);
  const context = await browser.newContext({ baseURL: server.url });
  const other = await context.newPage();
  await page.goto(`/bench/${end}`);
  await other.goto(`/bench/${end}`);
  await page.locator("#reading").fill("9.6");
  await page.keyboard.press("Enter");
  await expect(other.getByText("Changed in another window: a reading.")).toBeVisible();
  await other.route("**/api/v1/ends/*?after=*", (route) => route.abort());
  await pass(page);
  await expect(page.locator("#step")).toHaveText("Insert with a bow");
  await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
  await other.unroute("**/api/v1/ends/*?after=*");
  await other.keyboard.press("PageUp");
  await expect(other.getByText(/This end was changed in another window/)).toBeVisible();
  await expect(other.locator("#step")).toHaveText("Insert with a bow");
  await expect(page.locator("#step")).toHaveText("Insert with a bow");
  await context.close();
});

test("an unknown end, page or ledger query gets a page that says what to do", async ({ page }) => {
  for (const address of ["/bench/nowhere", "/ledger/nowhere", "/no-such-page"]) {
    await page.goto(address);
    await expect(page.getByRole("heading", { name: "Page not found" })).toBeVisible();
  }
  await page.goto("/ledger?result=splendid");
  await expect(page.getByRole("alert").filter({ hasText: "Result must be one of" })).toBeVisible();
});

test("names that look like markup stay text", async ({ page, request }) => {
  const end = await startEnd(request);
  await addEvents(request, end, [
    { kind: "label", job: "<img src=x onerror=alert(1)>", label: "</script><b>x" },
  ]);
  page.on("dialog", () => {
    throw new Error("markup ran");
  });
  for (const address of [`/bench/${end}`, "/bench", `/ledger/${end}`]) {
    await page.goto(address);
    await expect(page.getByText("<img src=x onerror=alert(1)>").first()).toBeVisible();
  }
});

test.describe("the interface for programs", () => {
  const json = { "content-type": "application/json" };
  for (const operation of ["dimensions", "stack", "conformance", "rework"])
    test(`answers ${operation} as its example cases do`, async ({ request }) => {
      const cases = JSON.parse(readFileSync(`src/core/operations/vectors/${operation}.json`, "utf8"));
      for (const { input, expected } of cases) {
        const answer = await request.post(`/api/v1/compute/${operation}`, { data: input });
        expect(answer.ok()).toBe(true);
        const body = await answer.json();
        for (const [key, value] of Object.entries(expected))
          if (typeof value !== "object" && typeof value !== "number") expect(body[key]).toBe(value);
      }
    });
  for (const [subject, status, code, data, headers] of [
    ["a body that is not JSON", 400, "not-json", "{oops", json],
    ["an empty body", 400, "not-json", "", json],
    ["a body of another type", 415, "not-json-type", "a=1", { "content-type": "text/plain" }],
    ["2 MB of it", 413, "too-large", `"${"x".repeat(2 * 1024 * 1024)}"`, json],
    ["a missing field", 400, "bad-input", '{"features":[]}', json],
    [
      "a number finer than a micrometre",
      400,
      "too-fine",
      '{"features":["a","b"],"dimensions":[{"id":"d","from":"a","to":"b","nominal":0.00001,"plus":1,"minus":1}]}',
      json,
    ],
    ["a page of another site", 403, "foreign-origin", "{}", { ...json, origin: "http://elsewhere.example" }],
  ] as const)
    test(`refuses ${subject} with ${status} ${code}`, async ({ request }) => {
      const answer = await request.post("/api/v1/compute/dimensions", { data: Buffer.from(data), headers });
      expect(answer.status()).toBe(status);
      expect((await answer.json()).error).toMatchObject({
        code,
        message: expect.stringMatching(/\S/),
        path: expect.any(Array),
      });
    });
  test("knows no other operation", async ({ request }) => {
    const answer = await request.post("/api/v1/compute/levitate", { data: {} });
    expect(answer.status()).toBe(404);
    expect((await answer.json()).error.message).toContain("dimensions, stack, conformance, rework");
  });
  test("does not answer under a name it was not given", async ({ request }) => {
    const answer = await request.get("/", { headers: { host: "elsewhere.example" } });
    expect(answer.status()).toBe(421);
  });
  test("answers paths that cannot be read, and bodies nested thousands deep, with what is wrong, never a 500", async ({
    request,
    server,
  }) => {
    const headers = (answer: { headers: () => Record<string, string> }) =>
      answer.headers()["x-content-type-options"];
    for (const path of ["%E0%A4%A", "ledger/%", "api/v1/ends/%zz", "api/v1/shelf/%C0%AF/x", "bench/%00"]) {
      const answer = await fetch(`${server.url}/${path}`);
      expect([path, answer.status < 500 && answer.status >= 400]).toEqual([path, true]);
      expect([path, answer.headers.get("x-content-type-options")]).toEqual([path, "nosniff"]);
    }
    for (const data of [
      `${"[".repeat(50_000)}${"]".repeat(50_000)}`,
      `{"a":${"[".repeat(9_000)}${"]".repeat(9_000)}}`,
    ])
      for (const path of ["ends", "batches", "compute/stack", "shelf/procedures", "people"]) {
        const answer = await request.post(`/api/v1/${path}`, {
          data: Buffer.from(data),
          headers: { "content-type": "application/json" },
        });
        expect([path, answer.status()]).toEqual([path, 400]);
        expect(headers(answer)).toBe("nosniff");
      }
  });

  test("takes a photograph of 11 MB, and says of a larger one that it is too large", async ({ request }) => {
    const id = await startEnd(request);
    const noise = randomBytes(2_100 * 1_800 * 3);
    const picture = await sharp(noise, { raw: { width: 2_100, height: 1_800, channels: 3 } })
      .png({ compressionLevel: 0 })
      .toBuffer();
    expect(picture.length / 1024 / 1024).toBeGreaterThan(10.5);
    const send = (body: Buffer) =>
      request.post(`/api/v1/ends/${id}/photos?client=x`, {
        data: body,
        headers: { "content-type": "image/png" },
      });
    const answer = await send(picture);
    expect([answer.status(), await answer.text()]).toEqual([200, expect.stringContaining('"photo"')]);
    const larger = await send(Buffer.concat([picture, Buffer.alloc(4 * 1024 * 1024)]));
    expect([larger.status(), (await larger.json()).error.code]).toEqual([413, "too-large"]);
  });

  test("gives the ledger as CSV and JSON files", async ({ request }) => {
    const csv = await request.get("/api/v1/ledger?format=csv");
    expect(csv.headers()["content-disposition"]).toContain("arlent-ledger.csv");
    expect(await (await request.get("/api/v1/ledger?format=json")).json()).toEqual(expect.any(Array));
    expect((await request.get("/api/v1/ledger?format=xml")).status()).toBe(400);
  });
});

test("no style sheet but the pages' own is let in: lists, dialogs and messages keep their look, a stranger's does nothing", async ({
  page,
}) => {
  await page.addInitScript(() => {
    const refused: string[] = [];
    Object.assign(window, { refusedStyles: refused });
    document.addEventListener("securitypolicyviolation", ({ violatedDirective, sample }) => {
      if (violatedDirective.startsWith("style")) refused.push(`${violatedDirective} ${sample}`);
    });
  });
  const refused = () => page.evaluate(() => Reflect.get(window, "refusedStyles"));
  await page.goto("/setup");
  await page.getByLabel(/Your name|Somebody else/).fill(`Nan Sorrel ${Date.now()}`);
  await page.keyboard.press("Enter");
  await page
    .getByRole("button", { name: /^Rename Nan Sorrel/ })
    .first()
    .click();
  await page.getByLabel("New name").fill(`Nan ${Date.now()}`);
  await page.keyboard.press("Enter");
  await expect(page.getByText(/^Called Nan \d+ from now on\.$/)).toBeVisible();
  await page.getByRole("combobox").first().click();
  await expect(page.getByRole("listbox")).toBeVisible();
  await page.keyboard.press("Escape");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog").first()).toBeVisible();
  expect(await refused()).toEqual([]);
  const colour = () => page.evaluate(() => getComputedStyle(document.body).color);
  const before = await colour();
  await page.evaluate(() => {
    const style = document.createElement("style");
    style.textContent = "body { color: rgb(1, 2, 3) !important }";
    document.head.append(style);
  });
  expect(await colour()).toBe(before);
  expect(await refused()).toHaveLength(1);
});
