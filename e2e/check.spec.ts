import Database from "better-sqlite3";
import sharp from "sharp";
import {
  addEvents,
  cleaveRead,
  endAtMeasure,
  expect,
  lineOf,
  startEnd,
  THREADED,
  test,
} from "../harness/server";
import { pdfPages } from "../src/paper/fixtures/pdf-pages";
import { barriersOn } from "./barriers";
import { heading, pass, sign, workAs } from "./work";

const CAM = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };
const CAM_MEASURE = lineOf("measure", CAM);

/** A stub's end at its measure step, its cleave read so short that it must be stripped further. */
async function shortEnd(request: Parameters<typeof startEnd>[0]): Promise<string> {
  const end = await startEnd(request, CAM);
  await addEvents(request, end, [
    { kind: "thread", part: "boot", on: true },
    { kind: "step", to: CAM_MEASURE },
    { kind: "answer", judgement: "glass-sound", answer: "held" },
  ]);
  return end;
}

test("a calliper that types goes to the length it can only be of, and is asked about where it could be two", async ({
  page,
  request,
}) => {
  await page.goto(`/bench/${await endAtMeasure(request)}`);
  const saved = page.getByLabel("Readings kept");
  await page.locator("#reading").focus();
  await page.keyboard.type("28.02\n");
  await expect(page.getByText("28.02 was taken as the buffer beyond the jacket, by its size.")).toBeVisible();
  await expect(page.locator("label[for=reading]")).not.toContainText("buffer beyond the jacket");
  await page.keyboard.type("9.51\n");
  await expect(
    page.getByRole("button", { name: /cleave length ?, in/ }).filter({ visible: true }),
  ).toBeVisible();
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  await page.locator("#reading").fill("32.2");
  await expect(page.getByText("Which length is it?")).toBeVisible();
  await page.keyboard.press("Enter");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(saved).toContainText("32.2");
  await expect
    .poll(async () => (await (await request.get(`/api/v1/ends/${end}`)).json()).events.at(-1).event)
    .toMatchObject({ kind: "reading", check: "reach", value: 32.2 });
});

test("a cleave too short: told the least, taken, walked, read again, in; and the record says all of it", async ({
  page,
  request,
}) => {
  const end = await shortEnd(request);
  await page.goto(`/bench/${end}`);
  await page.locator("#reading").fill("7.3");
  await expect(page.locator("#verdict")).toContainText("Too short");
  await page.keyboard.press("Enter");
  const advice = page.getByRole("region", { name: "What to do" });
  await expect(advice).toContainText("Strip the 900 µm buffer");
  await page.getByRole("radio", { name: "Least" }).click();
  await expect(advice).toContainText("9.35 further back");
  await expect(advice).toContainText("Cleave again at 8.15 from the buffer edge");
  await page.getByRole("radio", { name: "Recommended" }).click();
  await expect(advice).toContainText("9.8 further back");
  await expect(advice).toContainText("Start over");
  await advice.getByRole("button", { name: /Take it/ }).click();
  await expect(heading(page)).toHaveText("Mark the strip");
  await expect(page.locator("main .figure-huge").first()).toHaveText("9.8");
  await expect(page.getByText("buffer edge as it is now")).toBeVisible();
  const walked: string[] = [];
  while ((await heading(page).textContent()) !== "Measure the prepared end") {
    walked.push((await heading(page).textContent()) ?? "");
    const good = page.locator("fieldset button:has(.bg-in)").first();
    if (await good.isVisible()) await good.click();
    await pass(page);
  }
  expect(walked).toEqual(
    expect.arrayContaining(["Is all the coating off?", "Bend screen", "Cleave", "Is the cleave clean?"]),
  );
  await expect(heading(page)).toHaveText("Measure the prepared end");
  for (const reading of ["8.62", "20.6"]) {
    await page.locator("#reading").fill(reading);
    await page.keyboard.press("Enter");
  }
  await expect(
    page.getByRole("button", { name: /cleave length ?, in/ }).filter({ visible: true }),
  ).toBeVisible();
  await expect(advice).toBeHidden();
  await expect(page.getByText("All saved")).toBeVisible();
  await addEvents(
    request,
    end,
    [
      { kind: "step", to: lineOf("shards", CAM) },
      { kind: "shards", made: 0, binned: 1 },
    ],
    99,
  );
  await page.reload();
  await page.keyboard.press("PageDown");
  await expect(page.locator("#signer")).toBeVisible();
  await sign(page, "Osla Brandt");
  await page.getByRole("link", { name: "Open the record" }).click();
  await expect(page.getByRole("heading", { name: "Redone" })).toBeVisible();
  await expect(page.getByText(/the recommended way, 9\.8 of cable/)).toBeVisible();
  const record = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  expect(record.reworks).toHaveLength(1);
  expect(record.voided.map(({ value }: { value: number }) => value)).toEqual([7.3]);
  expect(record.cable.lost).toBe(9.8);
});

test("Enter with nothing typed takes the advice, but not in the same breath as the reading", async ({
  page,
  request,
}) => {
  const end = await shortEnd(request);
  await page.goto(`/bench/${end}`);
  await page.locator("#reading").focus();
  await page.keyboard.type("7.3\n\n");
  await expect(page.getByLabel("Readings kept")).toContainText("7.3");
  await expect(heading(page)).toHaveText("Measure the prepared end");
  await expect(page.getByRole("button", { name: /^Take it/ })).toHaveAttribute("aria-keyshortcuts", "Enter");
  await page.locator("#reading").press("Enter");
  await expect(heading(page)).toHaveText("Mark the strip");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(heading(page)).toHaveText("Measure the prepared end");
  await expect(page.getByRole("region", { name: "What to do" })).toContainText("Strip the 900 µm buffer");
});

test("a fault asks for its own rework, and can be taken back", async ({ page, request }) => {
  await page.goto(`/bench/${await shortEnd(request)}`);
  const advice = page.getByRole("region", { name: "What to do" });
  await page
    .getByRole("button", { name: "Fault: something is wrong with it" })
    .filter({ visible: true })
    .click();
  await expect(page.getByRole("button", { name: "The cleave is bad" })).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await page.getByRole("button", { name: "The cleave is bad" }).click();
  await expect(advice).toContainText("The cleave is bad");
  await expect(advice).toContainText("Cleave again");
  await page
    .getByRole("button", { name: /The cleave is bad.*take back/ })
    .filter({ visible: true })
    .click();
  await expect(advice).toBeHidden();
});

test("the simulated calliper asks first on real work, practises on a copy, and marks what it types", async ({
  page,
  request,
}) => {
  const real = await shortEnd(request);
  await page.goto(`/bench/${real}`);
  const panel = page.getByRole("region", { name: "Simulated calliper" });
  const simulate = page.getByRole("button", { name: "Simulate a calliper" }).filter({ visible: true });
  await simulate.click();
  const ask = page.getByRole("dialog", { name: "This end is work" });
  await expect(ask).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await ask.getByRole("button", { name: "Practise on a copy" }).click();
  await expect(page.getByRole("main").getByText("Practice", { exact: true })).toBeVisible();
  const end = page.url().split("/").at(-1) ?? "";
  expect(end).not.toBe(real);
  await addEvents(request, end, [
    { kind: "thread", part: "boot", on: true },
    { kind: "step", to: CAM_MEASURE },
  ]);
  await expect(heading(page)).toHaveText("Measure the prepared end");
  await simulate.click();
  await expect(panel.locator(".figures")).toHaveText(/\d\.\d\d/);
  await panel.getByRole("button", { name: "Send the reading" }).click();
  await expect
    .poll(async () => (await (await request.get(`/api/v1/ends/${end}`)).json()).events.at(-1).event)
    .toMatchObject({ kind: "reading", instrument: { id: "simulated-calliper" } });
  expect(await barriersOn(page)).toEqual([]);
});

test("advice needs no scrolling on a desk", async ({ page, request }) => {
  const end = await endAtMeasure(request);
  await addEvents(request, end, [cleaveRead(8_200)], 99);
  await page.goto(`/bench/${end}`);
  await expect(page.getByRole("region", { name: "What to do" })).toBeVisible();
  const hidden = await page.evaluate(() =>
    [...document.querySelectorAll("main *")]
      .filter(
        (element) =>
          element.scrollHeight > element.clientHeight + 1 &&
          ["auto", "scroll"].includes(getComputedStyle(element).overflowY),
      )
      .map((element) => element.scrollHeight - element.clientHeight),
  );
  expect(hidden).toEqual([]);
});

test("a photograph is attached, a correction stands beside what it corrects, and the PDF says it", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await addEvents(
    request,
    end,
    [
      { kind: "label", job: "Pad 4 feeder", label: "fibre 2" },
      cleaveRead(9_500),
      { kind: "shards", made: 1, binned: 1 },
      { kind: "sign", name: "Teo Marsh", outcome: "kept" },
    ],
    99,
  );
  await page.goto(`/ledger/${end}`);
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: "#c74" } })
    .png()
    .toBuffer();
  await page.getByLabel("Caption of the photograph").fill("the crushed boot");
  await page
    .getByLabel("Attach a photograph")
    .setInputFiles({ name: "a.png", mimeType: "image/png", buffer: picture });
  await expect(page.getByRole("img", { name: "the crushed boot" })).toBeVisible();
  await page.getByLabel("Attach a photograph").setInputFiles({
    name: "x.png",
    mimeType: "image/png",
    buffer: Buffer.from("<script>alert(1)</script>"),
  });
  await expect(page.getByText(/Only JPEG, PNG or WebP/)).toBeVisible();
  await page.getByRole("button", { name: /Correct: Read 9.5/ }).click();
  const form = page.getByRole("form", { name: /Correct: Read 9.5/ });
  await form.getByLabel("Correct value").fill("9.05");
  await form.getByLabel("Why").fill("a figure was dropped");
  await form.getByLabel("Your name").fill("Osla Brandt");
  await form.getByRole("button", { name: "Keep the correction" }).click();
  await expect(page.getByText("Correction by Osla Brandt: 9.05 (a figure was dropped)")).toBeVisible();
  await expect(page.getByText("corrected below")).toBeVisible();
  const pdf = await (await request.get(`/api/v1/ends/${end}/pdf`)).body();
  const [words = ""] = await pdfPages(pdf);
  for (const said of [
    "Pad 4 feeder · fibre 2",
    "Teo Marsh",
    "9.5 by digital calliper",
    "9.05",
    "a figure was dropped",
    "the crushed boot",
  ])
    expect(words).toContain(said);
});

test("the ledger comes as one PDF, a page an end, by the button too", async ({ page, request }) => {
  for (const name of ["Ada", "Bram"])
    await addEvents(request, await startEnd(request), [
      ...THREADED,
      { kind: "label", job: "Weather hut", label: name },
      { kind: "sign", name: "Wyn Harrow", outcome: "kept" },
    ]);
  const filter = "result=unmeasured&style=stub-wedge-release-cord";
  const answer = await request.get(`/api/v1/ledger?format=pdf&${filter}`);
  expect(answer.headers()["content-type"]).toBe("application/pdf");
  const paper = await pdfPages(await answer.body());
  const all = await (await request.get(`/api/v1/ledger?format=json&${filter}`)).json();
  expect(paper.length).toBe(all.length);
  await page.goto(`/ledger?${filter}`);
  await page.getByRole("button", { name: "Export" }).click();
  const button = page.getByRole("button", { name: "PDF" });
  await expect(button).toBeVisible();
  const [file] = await Promise.all([page.waitForEvent("download"), button.click()]);
  expect(file.suggestedFilename()).toBe("arlent-ledger.pdf");
});

test("the check in Setup finds the record whole, and names a row that was altered", async ({
  page,
  request,
  server,
}) => {
  const end = await endAtMeasure(request);
  await addEvents(
    request,
    end,
    [{ kind: "label", job: "Hill cottages", label: "cottage 9" }, cleaveRead(9_500)],
    99,
  );
  await page.goto("/setup");
  const check = page.getByRole("button", { name: "Check the record", exact: true });
  await check.click();
  await expect(page.getByText(/all unaltered/)).toBeVisible();
  await page.getByRole("button", { name: "Seal the record as it is" }).click();
  const line = (await page.getByText(/^arlent-seal 1 /).textContent()) ?? "";
  await expect(page.getByRole("img", { name: "The seal as a QR code" })).toBeVisible();
  const database = new Database(server.database);
  const { sql } = database
    .prepare<[], { sql: string }>("SELECT sql FROM sqlite_master WHERE name = 'events_keep_words'")
    .get() ?? { sql: "" };
  const change = (from: string, to: string) => {
    database.exec("DROP TRIGGER events_keep_words");
    database
      .prepare("UPDATE events SET body = replace(body, ?, ?) WHERE end_id = ? AND body LIKE ?")
      .run(from, to, end, `%${from}%`);
    database.exec(sql);
  };
  change("9500", "9400");
  await check.click();
  await expect(page.getByText(/: 1 altered\./)).toBeVisible();
  const row = page.getByRole("listitem").filter({ hasText: "cottage 9" });
  await expect(row).toContainText("This event was changed.");
  change("9400", "9500");
  await check.click();
  await expect(page.getByText(/all unaltered/)).toBeVisible();
  // What was sealed is held against what is there: first as it was, then with a hash written again.
  const hold = page.getByRole("button", { name: "Check the record against it" });
  await page.getByLabel("An earlier seal").fill(line);
  await hold.click();
  await expect(
    page.getByText("The record matches the seal: all that was sealed is there, unaltered."),
  ).toBeVisible();
  const last = database
    .prepare<[string], { hash: string }>("SELECT last_hash AS hash FROM ends WHERE id = ?")
    .get(end);
  change(last?.hash ?? "", "0".repeat(64));
  database.exec("DROP TRIGGER events_keep_words");
  database
    .prepare("UPDATE events SET hash = ? WHERE end_id = ? AND hash = ?")
    .run("0".repeat(64), end, last?.hash);
  await hold.click();
  await expect(page.getByText(/does not match the seal/)).toBeVisible();
  database
    .prepare("UPDATE events SET hash = ? WHERE end_id = ? AND hash = ?")
    .run(last?.hash, end, "0".repeat(64));
  database.exec(sql);
  database.close();
});

test("a piece measured ten times gives the hand's own repeatability, used at the bench from then on", async ({
  page,
  request,
}) => {
  await page.goto("/setup");
  await workAs(page, "Wyn Harrow");
  for (const value of ["9.5", "9.6", "9.4", "9.5", "9.6", "9.5", "9.4", "9.6", "9.5", "9.5"]) {
    await page.getByLabel(/Reading \d+ of 10/).fill(value);
    await page.keyboard.press("Enter");
  }
  await expect(page.getByText(/Repeats/)).toContainText("0.074 mm");
  await page.getByRole("button", { name: "Use it for Wyn Harrow" }).click();
  await expect(page.getByText("Studies kept: 1")).toBeVisible();
  await page.goto(`/bench/${await endAtMeasure(request)}`);
  await expect(page.getByRole("combobox", { name: "Instrument" }).filter({ visible: true })).toContainText(
    "repeats 0.074",
  );
});

test("a hand that cleaves long is told what to set, once eight of its ends say so", async ({
  page,
  request,
  server,
}) => {
  const name = "Sorrel Finch";
  for (let i = 0; i < 8; i++) {
    const end = await endAtMeasure(request);
    await addEvents(
      request,
      end,
      [cleaveRead(9_780 + (i % 3) * 20), { kind: "sign", name, outcome: "kept" }],
      99,
    );
  }
  // A device of before people had ids remembers a name: it is that person's from here on.
  await page
    .context()
    .addCookies([
      { name: "arlent-prefs", value: encodeURIComponent(JSON.stringify({ name })), url: server.url },
    ]);
  const next = await startEnd(request);
  await addEvents(request, next, [...THREADED, { kind: "step", to: lineOf("cleave") }]);
  await page.goto(`/bench/${next}`);
  await expect(heading(page)).toHaveText("Cleave");
  await expect(page.getByText(/You make the cleave length 0\.3 long: set 9\.2/)).toBeVisible();
  await page.goto("/ledger/aim");
  await page.getByRole("combobox", { name: /Person/ }).click();
  await page.getByRole("option", { name }).click();
  await expect(page.getByRole("img", { name: /cleave length, 8 ends in order/ })).toBeVisible();
  await expect(page.getByText(/times; 95 % interval/).first()).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
});

test("the new ways in refuse what they cannot use, and change nothing", async ({ request }) => {
  const end = await endAtMeasure(request);
  const count = async () => (await (await request.get(`/api/v1/ends/${end}`)).json()).events.length;
  const before = await count();
  const send = (path: string, data: unknown, headers: Record<string, string> = {}) =>
    request.post(path, { data: data as never, headers });
  const photos = `/api/v1/ends/${end}/photos?client=a`;
  const code = async (answer: Awaited<ReturnType<typeof send>>) => [
    answer.status(),
    (await answer.json()).error.code,
  ];
  const jpeg = { "content-type": "image/jpeg" };
  expect(await code(await send(photos, Buffer.from("no picture"), jpeg))).toEqual([400, "not-a-photo"]);
  expect(await code(await send(photos, Buffer.alloc(13 * 1024 * 1024), jpeg))).toEqual([413, "too-large"]);
  expect(
    await code(await send(photos, Buffer.from("x"), { ...jpeg, origin: "http://elsewhere.example" })),
  ).toEqual([403, "foreign-origin"]);
  expect((await send(`/api/v1/ends/${end}/photos`, Buffer.from("x"), jpeg)).status()).toBe(400);
  expect((await request.get("/api/v1/photos/..%2F..%2Fetc%2Fpasswd")).status()).toBe(404);
  expect((await request.get("/api/v1/aims")).status()).toBe(400);
  expect((await request.get("/api/v1/record-check?from=1")).status()).toBe(400);
  expect((await request.get("/api/v1/ends/none/pdf")).status()).toBe(404);
  expect(
    await code(await send("/api/v1/studies", { person: "A", instrument: "steel-rule", readings: [1, 2] })),
  ).toEqual([400, expect.any(String)]);
  const rework = {
    kind: "rework",
    leg: "",
    plan: "least",
    steps: [1],
    to: 1,
    back: 12,
    moves: [],
    places: {},
    cableLost: 0,
    rule: null,
    cause: { checks: [], faults: [], judgement: null, answer: null },
    voids: { checks: [], judgements: [], steps: [] },
  };
  const event = { id: "0b2f3a36-35c7-4c39-9f0e-6a7b2f5f0a11", event: rework };
  expect(
    await code(await send(`/api/v1/ends/${end}/events`, { client: "a", after: 99, events: [event] })),
  ).toEqual([400, "wrong-rework"]);
  expect(await count()).toBe(before);
});
