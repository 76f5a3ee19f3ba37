import type { Locator, Page } from "@playwright/test";
import { expect } from "../harness/server";

export const heading = (page: Page) => page.locator("#step");

/** Leaves the figures that are asked about first unchecked, and goes to the bench. */
export async function notNow(page: Page): Promise<void> {
  await expect(page.getByText("Check these against the part's data sheet")).toBeVisible();
  await page.getByRole("button", { name: "Start without checking" }).focus();
  await page.keyboard.press("Enter");
}

/** From a sheet to the bench with its figures unchecked. */
export async function begin(page: Page, key = "b"): Promise<void> {
  await page.keyboard.press(key);
  if (key === "b") await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog")).toBeVisible();
  const which = page.getByRole("dialog", { name: "Which interface is it?" });
  if (await which.isVisible()) await which.getByRole("button").first().click();
  await page.getByRole("button", { name: "Start without checking" }).click();
  await page.waitForURL(/\/bench\/(batch\/)?[0-9a-f-]{36}/);
}

/** Reads every length of the step, at its nominal but for those named. */
async function read(page: Page, readings: Readonly<Record<string, string>>): Promise<void> {
  while (await page.locator("#reading").isVisible()) {
    const label = (await page.locator("label[for=reading]").textContent()) ?? "";
    const nominal = / · ([\d.]+)/.exec(label)?.[1] ?? "";
    const wanted = Object.entries(readings).find(([name]) => label.includes(name))?.[1] ?? nominal;
    await page.locator("#reading").fill(wanted);
    await page.keyboard.press("Enter");
    await expect(
      page
        .getByLabel("Readings kept")
        .or(page.locator("label[for=reading]", { hasNotText: label }))
        .first(),
    ).toBeVisible();
    if ((await page.locator("label[for=reading]").textContent()) !== label) continue;
    const open = page
      .getByLabel("Lengths to read")
      .filter({ visible: true })
      .getByRole("button")
      .filter({ hasNotText: /, (in|out|unsure)/ });
    if ((await open.count()) === 0) return;
    await open.first().click();
  }
}

/** What stands once a step is left: another step's heading, or the sign-off. */
const elsewhere = (page: Page, before: string) =>
  page.locator("#signer").or(heading(page).filter({ hasNotText: exactly(before) }));

const exactly = (text: string) => new RegExp(`^${text.replaceAll(/[\\^$.*+?()[\]{}|]/g, "\\$&")}$`);

/** Goes on by the pedal: where something is said against it at the first press, a second passes it by. */
async function onFrom(page: Page, before: string, said: string): Promise<void> {
  const alert = page.getByRole("alert").filter({ hasText: said });
  await page.keyboard.press("PageDown");
  await expect(elsewhere(page, before).or(alert).first()).toBeVisible();
  if (await elsewhere(page, before).first().isVisible()) return;
  await page.keyboard.press("PageDown");
  await expect(elsewhere(page, before).first()).toBeVisible();
}

/** Goes on by the pedal, past what a step still asks for: the first press says so, the second passes it by. */
export const pass = async (page: Page): Promise<void> =>
  onFrom(page, (await heading(page).textContent()) ?? "", "Press again to skip it");

/** Goes on from a step with all it asks for done: nothing may be asked but for a cleave that stood too long here. */
const goOn = (page: Page, before: string): Promise<void> => onFrom(page, before, "has stood too long");

/** What a step has that something is done at, looked up in one go. */
const stepOf = (page: Page) =>
  page.evaluate(() => {
    const seen = (selector: string) =>
      [...document.querySelectorAll(selector)].filter((element) => element.checkVisibility());
    return {
      signing: seen("#signer").length > 0,
      title: document.querySelector("#step")?.textContent ?? "",
      boxes: seen("main [role=checkbox]").length,
      looks: seen("fieldset button:has(.bg-in)").length > 0,
      reads: seen("#reading").length > 0,
      tests: seen("section[aria-labelledby=light]").length > 0,
      bins: seen("main button:enabled").some(({ textContent }) => /in the bin$/.test(textContent ?? "")),
    };
  });

/** Reads light through the end at hand, with a reference taken for it where there is none. */
async function readLight(page: Page): Promise<void> {
  const light = page.getByRole("region", { name: "Light", exact: true });
  await light.getByRole("button", { name: "Read light through it" }).click();
  const field = (name: string) => light.getByLabel(name, { exact: true });
  await expect(field("Reading, dBm").or(field("Reference, dBm")).first()).toBeVisible();
  if (await field("Reference, dBm").isVisible()) {
    await field("Source").fill("Source 2");
    await field("Launch cord").fill("Cord of the walk");
    await field("Reference, dBm").fill("-20");
    await page.keyboard.press("Enter");
  }
  await field("Reading, dBm").fill("-20.2");
  await page.keyboard.press("Enter");
  await expect(light.getByRole("button", { name: "Strike out" })).toBeVisible();
}

/** Walks an end to its sign-off as a technician would. @returns the steps' titles, in order. */
export async function work(page: Page, readings: Readonly<Record<string, string>> = {}): Promise<string[]> {
  const titles: string[] = [];
  await expect(page.locator("#signer").or(heading(page)).first()).toBeVisible();
  for (let step = await stepOf(page); !step.signing; step = await stepOf(page)) {
    titles.push(step.title);
    if (step.boxes > 0)
      for (const box of await page.locator("main").getByRole("checkbox").all()) await box.click();
    if (step.looks) await page.locator("fieldset button:has(.bg-in)").first().click();
    if (step.tests) await readLight(page);
    const { reads } = step.looks ? await stepOf(page) : step;
    if (reads) await read(page, readings);
    const { bins } = reads ? await stepOf(page) : step;
    if (bins) await page.getByRole("button", { name: /in the bin$/ }).click();
    await goOn(page, step.title);
  }
  return titles;
}

export async function sign(page: Page, name: string): Promise<void> {
  await page.locator("#signer").fill(name);
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /On record/ })).toBeVisible();
}

/** Says who is working at this device, from any page. */
export async function workAs(page: Page, name: string): Promise<void> {
  await page.getByRole("button", { name: /Who is working\?|^Working:/ }).click();
  const button = page.getByRole("dialog").getByRole("button", { name, exact: true });
  if (await button.isVisible()) await button.click();
  else {
    await page.getByRole("dialog").getByRole("textbox").fill(name);
    await page.keyboard.press("Enter");
  }
  await expect(page.getByRole("button", { name: `Working: ${name}. Change` })).toBeVisible();
}

/** Picks one of a list that opens. */
export async function pick(page: Page, list: Locator, option: string): Promise<void> {
  await list.click();
  await page.getByRole("option", { name: option, exact: true }).click();
}

/** Picks one of the list in focus by the keyboard alone: by the letters it begins with, once it is the one held. */
export async function pickByLetters(page: Page, letters: string): Promise<void> {
  await page.keyboard.press("Enter");
  await expect(page.getByRole("option").first()).toBeVisible();
  // Letters typed more than a second apart are a new search: on a slow machine it is begun again.
  await expect(async () => {
    await page.waitForTimeout(1_100);
    await page.keyboard.type(letters);
    await expect(page.locator("[role=option]:focus")).toContainText(letters, { timeout: 1_000 });
  }).toPass();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("option")).toHaveCount(0);
}

/** Takes hold of the server's clock as a page is given it. @returns lets so many seconds pass by it. */
export async function serverClock(page: Page): Promise<(seconds: number) => void> {
  let passed = 0;
  await page.route("**/api/v1/timers", async (route) => {
    const answer = await route.fetch();
    const body = await answer.json();
    const now = new Date(Date.parse(body.now) + passed * 1000).toISOString();
    await route.fulfill({ response: answer, json: { ...body, now } });
  });
  return (seconds) => {
    passed += seconds;
  };
}

/** What the message at the foot covers at each size of screen once it has been brought into view, and at the end of the page. */
export async function underMessage(page: Page): Promise<string[]> {
  const before = page.viewportSize();
  const covered: string[] = [];
  for (const [width, height] of [
    [1280, 800],
    [800, 1280],
    [390, 844],
    [844, 390],
    [640, 400],
  ] as const) {
    await page.setViewportSize({ width, height });
    const overlaps = await page.evaluate(() => {
      const line = document.querySelector("[data-message]")?.parentElement;
      if (!line) return ["no message"];
      const isUnder = (element: Element): boolean => {
        const { left, right, top, bottom } = element.getBoundingClientRect();
        const over = line.getBoundingClientRect();
        return left < over.right && right > over.left && top < over.bottom - 1 && bottom > over.top + 1;
      };
      const shown = [...document.querySelectorAll("main :is(h1, h2, p, a, button, input, li)")].filter(
        (element) => element.checkVisibility(),
      );
      const reached = shown.filter((element) => {
        element.scrollIntoView({ block: "end", behavior: "instant" });
        return element.getBoundingClientRect().height < window.innerHeight / 2 && isUnder(element);
      });
      window.scrollTo({ top: document.documentElement.scrollHeight, behavior: "instant" });
      return [...reached, ...shown.filter(isUnder)].map(({ textContent }) => textContent?.slice(0, 40) ?? "");
    });
    covered.push(...overlaps.map((text) => `${width} × ${height}: ${text}`));
  }
  if (before) await page.setViewportSize(before);
  return covered;
}

/** Goes to a place by the bar, wherever the bar has it: in itself, or under More where it has no room. */
export async function openPlace(page: Page, name: string): Promise<void> {
  const more = page.getByRole("button", { name: "More" });
  if (await more.isVisible()) await more.click();
  await page.getByRole("link", { name }).filter({ visible: true }).click();
}
