import { addEvents, expect, lineOf, startEnd, THREADED, test } from "../harness/server";
import { begin, heading, pass, serverClock, sign, work } from "./work";

const PAIR = { cable: "duplex-3.0", procedure: "adhesive-polish-duplex", core: "50/125" };

test("a bad look takes back to the step that mends it, counts what was tried, and stops at the limit", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("glow") }]);
  await page.goto(`/bench/${end}`);
  await expect(heading(page)).toHaveText("Does the glow dim?");
  let tried = 0;
  for (; tried < 8; tried++) {
    await page.getByRole("button", { name: "It stayed bright" }).click();
    const back = page.getByRole("button", { name: /: back to “|Start again from “/ });
    if (!(await back.isVisible())) break;
    await expect(page.getByText("This end cannot be reworked")).toHaveCount(0);
    await back.click();
    await expect(heading(page)).not.toHaveText("Does the glow dim?");
    await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
    await addEvents(request, end, [{ kind: "step", to: lineOf("glow") }], 99);
    await page.reload();
    await expect(heading(page)).toHaveText("Does the glow dim?");
  }
  // Seated again once, ended again twice, a new connector once.
  expect(tried).toBe(4);
  await expect(page.getByText("Nothing is left to try")).toBeVisible();
  await page.getByRole("button", { name: "Cut it off and sign it so" }).click();
  await expect(page.locator("#signer")).toBeVisible();
});

test("parts, looks and what is tried next go by digits and Enter alone", async ({ page, request }) => {
  const end = await startEnd(request);
  await page.goto(`/bench/${end}`);
  const parts = page.getByRole("checkbox");
  await page.keyboard.press("1");
  await expect(parts.first()).toBeChecked();
  await page.keyboard.press("2");
  await page.keyboard.press("3");
  await page.keyboard.press("Space");
  await expect(heading(page)).toHaveText("Mark for the clamp");
  await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
  await addEvents(request, end, [{ kind: "step", to: lineOf("glow") }], 99);
  await page.reload();
  await expect(heading(page)).toHaveText("Does the glow dim?");
  const bad = page.getByRole("button", { name: /^(?!Undo).*It stayed bright/ });
  await page.keyboard.press("2");
  await expect(bad).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Enter");
  await expect(heading(page)).toHaveText("Insert with a bow");
  await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
  await addEvents(
    request,
    end,
    [
      { kind: "shards", made: 2, binned: 0 },
      { kind: "step", to: lineOf("shards") },
    ],
    99,
  );
  await page.reload();
  await expect(heading(page)).toHaveText("Count the shards");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Every shard is accounted for.")).toBeVisible();
});

test("a cure runs on while another end is worked, is seen on every page, and calls back", async ({
  page,
  request,
}) => {
  const [first, second] = [await startEnd(request, PAIR), await startEnd(request, PAIR)];
  await addEvents(request, first, [{ kind: "label", job: "Row D", label: "pair 1" }]);
  await addEvents(request, first, [{ kind: "timer", step: "cure", action: "start", seconds: 300 }], 99);
  const waited = await serverClock(page);
  await page.goto(`/bench/${second}`);
  const tray = page.getByRole("region", { name: "Holds and cures" });
  await expect(tray.getByRole("link")).toContainText("pair 1");
  await page.goto("/shelf");
  await expect(tray.getByRole("link")).toContainText(/[45]:\d\d/);
  waited(300);
  await expect(page.getByText("Row D · pair 1: time is up.")).toBeVisible();
  await expect(tray.getByRole("link")).toContainText("Ready");
  await tray.getByRole("link").click();
  await expect(page).toHaveURL(new RegExp(first));
  await addEvents(request, first, [{ kind: "timer", step: "cure", action: "stop", seconds: 20 }], 99);
  await expect(tray).toHaveCount(0);
});

test("two holds run at once, each by its own clock", async ({ page, request }) => {
  const [first, second] = [await startEnd(request, PAIR), await startEnd(request, PAIR)];
  for (const [end, seconds] of [
    [first, 300],
    [second, 900],
  ] as const)
    await addEvents(request, end, [{ kind: "timer", step: "cure", action: "start", seconds }], 99);
  await page.goto("/");
  const tray = page.getByRole("region", { name: "Holds and cures" });
  await expect(tray.getByRole("link")).toHaveCount(2);
  await expect(tray.getByRole("link").first()).toContainText(/^[45]:/);
  await expect(tray.getByRole("link").last()).toContainText(/^1[45]:/);
  for (const end of [first, second])
    await addEvents(request, end, [{ kind: "timer", step: "cure", action: "stop", seconds: 1 }], 99);
});

test("bites are counted by Enter, and a shard missing must be told before the sign-off", async ({ page }) => {
  await page.goto("/?cable=distribution-900&style=stub-cam-crimp-900");
  await begin(page);
  for (const box of await page.getByRole("checkbox").all()) await box.click();
  while (!/Strip the buffer/.test((await heading(page).textContent()) ?? "")) await pass(page);
  const counter = page.getByRole("button", { name: /touch or Enter counts one/ });
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(counter).toContainText(/^2/);
  while (await heading(page).isVisible()) {
    const looks = page.locator("fieldset button").first();
    if (await looks.isVisible()) await looks.click();
    await pass(page);
  }
  await page.locator("#signer").fill("Teo Marsh");
  await page.keyboard.press("Enter");
  await expect(
    page.getByText("A shard is missing. Find it, or say here where it was last seen; that goes on record."),
  ).toBeVisible();
  await page.getByRole("button", { name: /in the bin$/ }).click();
  await sign(page, "Teo Marsh");
});

test("the blade says what is due, and seeing to it is logged", async ({ page, request }) => {
  const sheet = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };
  const end = await startEnd(request, sheet);
  await addEvents(request, end, [{ kind: "thread", part: "boot", on: true }]);
  const { steps } = await (await request.get("/api/v1/shelf/procedures/stub-cam-crimp-900")).json();
  const { tool } = (steps as { kind: string; tool: string }[]).find(({ kind }) => kind === "cleave") ?? {
    tool: "",
  };
  const before = (await (await request.get("/api/v1/tools")).json()).find(
    (item: { tool: string }) => item.tool === tool,
  );
  await addEvents(
    request,
    end,
    Array.from({ length: before.wipeEvery }, () => ({
      kind: "use" as const,
      step: "cleave",
      tool,
      items: [{ item: "cleave", count: 1 }],
    })),
    99,
  );
  // What the page asks at the cleave is answered late, and says what stood before the wiping.
  let release = () => {};
  const held = new Promise<void>((go) => {
    release = go;
  });
  await page.route("**/api/v1/tools", async (route) => {
    const response = await route.fetch();
    await held;
    await route.fulfill({ response });
  });
  await page.goto(`/bench/${end}`);
  while ((await heading(page).textContent()) !== "Cleave") await pass(page);
  const due = page.getByText("Wipe the blade before this cleave.");
  await expect(due).toBeVisible();
  const wiped = page.getByRole("button", { name: /^Wiped/ });
  await page.route("**/api/v1/tools/*", (route) => route.abort());
  await wiped.click();
  await expect(page.getByText(/The blade was not updated: The server does not answer/)).toBeVisible();
  await expect(due).toBeVisible();
  await page.unroute("**/api/v1/tools/*");
  await wiped.click();
  await expect(due).toHaveCount(0);
  const late = page.waitForResponse("**/api/v1/tools");
  release();
  await (await late).finished();
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))));
  await expect(due).toHaveCount(0);
});

test("a step is read aloud at R, and every step as it comes up where that is wanted", async ({
  page,
  request,
}) => {
  await page.addInitScript(() => {
    const said: string[] = [];
    Object.assign(window, { said });
    Object.defineProperty(window, "speechSynthesis", {
      value: { cancel: () => undefined, speak: ({ text }: { text: string }) => said.push(text) },
    });
    Object.assign(window, {
      SpeechSynthesisUtterance: class {
        constructor(readonly text: string) {}
      },
    });
  });
  const said = () => page.evaluate(() => (window as unknown as { said: string[] }).said);
  const end = await startEnd(request);
  await page.goto(`/bench/${end}`);
  await page.keyboard.press("r");
  await expect.poll(async () => (await said()).at(-1)).toContain("Thread on. 3 millimetres boot");
  await page.goto("/setup");
  await page.getByRole("radio", { name: /Every step/ }).click();
  await page.goto(`/bench/${end}`);
  await expect.poll(said).toEqual([expect.stringContaining("Thread on.")]);
});

test.describe("a batch of twelve", () => {
  test("is planned, done a step across all, and each end is its own on record", async ({ page, request }) => {
    test.setTimeout(120_000);
    await page.goto("/?cable=distribution-900&style=stub-cam-crimp-900");
    await page.getByRole("spinbutton", { name: "Ends" }).fill("12");
    await begin(page, "Enter");
    const { source } = await (await request.get("/api/v1/shelf/procedures/stub-cam-crimp-900")).json();
    expect(source.kind, "Enter in the number of ends confirms no figure").toBe("representative");
    await expect(page.getByRole("heading", { name: /12 ends/ })).toBeVisible();
    await expect(page.getByRole("figure", { name: /Who waits for what/ })).toBeVisible();
    await page.getByRole("radio", { name: /Each step across all/ }).click();
    await page.getByRole("button", { name: "Begin with fibre 1, blue" }).click();
    await page.getByRole("button", { name: "Done on all 12" }).click();
    await expect(heading(page)).toHaveText("Mark the strip");
    await page.keyboard.press("PageDown");
    const aside = page.getByRole("complementary", { name: "Ends of the batch" });
    await expect(aside.locator("[aria-current]")).toContainText("2 orange");
    await expect(heading(page)).toHaveText("Mark the strip");
    await page.getByRole("button", { name: "Done on all 11" }).click();
    await expect(heading(page)).not.toHaveText("Mark the strip");
    await page.getByRole("button", { name: "Plan" }).first().click();
    await page.getByRole("radio", { name: "One end through" }).click();
    await page.getByRole("button", { name: /^Go on with/ }).click();
    const label = (await aside.locator("[aria-current]").getAttribute("aria-label")) ?? "";
    await work(page);
    await sign(page, "Osla Brandt");
    await page.getByRole("button", { name: "Next end of the batch" }).click();
    await expect(aside.getByRole("button", { name: /signed off/ })).toHaveCount(1);
    await expect(aside.locator("[aria-current]")).not.toHaveAttribute("aria-label", label);
    const id = page.url().split("/").at(-1)?.split("?")[0];
    const { ends } = await (await request.get(`/api/v1/batches/${id}`)).json();
    expect(ends).toHaveLength(12);
  });

  test("comes back into the hand as it was put down, whatever the server says meanwhile", async ({
    page,
    request,
  }) => {
    const sheet = { cable: "distribution-900", procedure: "stub-cam-crimp-900", core: "9/125" };
    const begun = await request.post("/api/v1/batches", { data: { ...sheet, count: 3 } });
    await page.route("**/api/v1/ends/*?after=*", (route) => route.abort());
    await page.route("**/api/v1/batches/*?seen=*", (route) => route.abort());
    await page.goto(`/bench/batch/${(await begun.json()).id}`);
    await page.getByRole("button", { name: "Begin with fibre 1, blue" }).click();
    await page.getByRole("checkbox").click();
    await page.keyboard.press("PageDown");
    const aside = page.getByRole("complementary", { name: "Ends of the batch" });
    await expect(aside.locator("[aria-current]")).toContainText("2 orange");
    await aside.getByRole("button", { name: /: fibre 1, blue$/ }).click();
    await expect(heading(page)).toHaveText("Mark the strip");
    await expect(page.getByRole("button", { name: "Parts on 1/1" })).toBeVisible();
  });
});
