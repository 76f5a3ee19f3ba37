import type { Page } from "@playwright/test";
import { expect, test } from "../harness/server";
import { underMessage } from "./work";

const cell = (page: Page, row: number, column: number) => page.locator(`[data-cell="${row}/${column}"]`);

/** Pastes text where the focus is, as from a spreadsheet. */
const paste = (page: Page, text: string) =>
  page.evaluate((copied) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData("text/plain", copied);
    const event = new ClipboardEvent("paste", { clipboardData, bubbles: true, cancelable: true });
    document.activeElement?.dispatchEvent(event);
  }, text);

const HEAD = "Piece\tCable\tFrom\tTo\tLength\tSlack\tEnds";
const line = (n: number, length: string) =>
  `Pad ${n} feeder\tTight-buffer 900 distribution\tWeather hut\tPad ${n}\t${length}\t3 / 0\t12`;

test("a dozen different pieces are pasted from a spreadsheet, one cell put right, then typed over and filled down", {
  tag: "@desk",
}, async ({ page, request }) => {
  const { id: job } = await (
    await request.post("/api/v1/jobs", { data: { name: "Moor, by the dozen" } })
  ).json();
  const press = (key: string) => page.keyboard.press(key);
  await page.goto(`/jobs/${job}`);
  await page.getByRole("link", { name: "As a grid" }).click();
  await cell(page, 0, 0).focus();
  const rows = Array.from({ length: 12 }, (_, i) => line(i + 1, i === 4 ? "15o" : String(60 + i * 7)));
  await paste(page, [HEAD, ...rows].join("\n"));
  await expect(page.getByRole("heading", { name: "On the clipboard: 12 rows" })).toBeVisible();
  await expect(page.getByText(/83 cells read, 1 not/)).toBeVisible();
  await page.getByRole("button", { name: "Take 150" }).click();
  await page.getByRole("button", { name: "Put in 12 rows" }).click();
  await expect(cell(page, 11, 0)).toHaveText("Pad 12 feeder");
  await expect(page.getByText(/m to cut, 12 pieces/)).toBeVisible();
  const saved = await (await request.get(`/api/v1/jobs/${job}`)).json();
  const fifth = saved.pieces.find(({ plan }: { plan: { name: string } }) => plan.name === "Pad 5 feeder");
  expect(fifth.plan).toMatchObject({
    cable: "distribution-900",
    route: [{ length: 150_000, allowancePct: 0 }],
    sides: {
      A: { place: "Weather hut", leave: 3_000, ends: 12, grip: null },
      B: { place: "Pad 5", leave: 0, ends: 12, retries: null },
    },
  });

  // By keyboard alone from here.
  await cell(page, 0, 0).focus();
  for (let i = 0; i < 5; i++) await press("ArrowRight");
  await page.keyboard.type("2 x 1.4");
  await press("Enter");
  await expect(cell(page, 0, 5)).toHaveText("2 × 1.40");
  await press("ArrowUp");
  for (let i = 0; i < 3; i++) await press("Shift+ArrowDown");
  await press("Control+d");
  await expect(cell(page, 3, 5)).toHaveText("2 × 1.40");
  await expect(cell(page, 4, 5)).toHaveText("–");
  await expect(page.getByText(/more than before: loops filled down/)).toBeVisible();
  await press("Control+z");
  await expect(cell(page, 3, 5)).toHaveText("–");
  await expect(cell(page, 0, 5)).toHaveText("2 × 1.40");
  // Shown at once, it is saved piece after piece.
  await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
  await page.reload();
  await expect(cell(page, 0, 5)).toHaveText("2 × 1.40");
  await expect(cell(page, 3, 5)).toHaveText("–");

  // A page left while a change is on its way would lose it: the browser asks first.
  const isLeavingAsked = () =>
    page.evaluate(() => !window.dispatchEvent(new Event("beforeunload", { cancelable: true })));
  expect(await isLeavingAsked()).toBe(false);
  let release = () => {};
  const held = new Promise<void>((resolve) => {
    release = resolve;
  });
  await page.route("**/api/v1/pieces/*", async (route) => {
    await held;
    await route.continue();
  });
  await cell(page, 2, 5).focus();
  await page.keyboard.type("1 x 1.2");
  await press("Enter");
  await expect(page.getByText("Saving 1 of 1 …")).toBeVisible();
  expect(await isLeavingAsked()).toBe(true);
  release();
  await expect(page.getByRole("status").filter({ hasText: "All saved" })).toBeVisible();
  expect(await isLeavingAsked()).toBe(false);

  // What cannot be read is said at its cell, and nothing is changed.
  await cell(page, 1, 4).focus();
  await page.keyboard.type("wide");
  await press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "“wide” cannot be read." })).toBeVisible();
  await press("Escape");
  await expect(cell(page, 1, 4)).toHaveText("67.00");

  // A row more, typed.
  await cell(page, 12, 0).focus();
  await page.keyboard.type("Hall cord");
  await press("Enter");
  await expect(page.getByText(/m to cut, 13 pieces/)).toBeVisible();
  await expect(cell(page, 13, 0)).toBeFocused();
  await paste(page, "");
  await expect(page.locator("[data-message]")).toContainText("The clipboard holds no text.");
  expect(await underMessage(page)).toEqual([]);
});
