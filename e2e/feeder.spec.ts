import { expect, test } from "../harness/server";

test("a feeder of 32 joints by keyboard: its best taps, one changed, taken back, saved and opened again @desk", async ({
  page,
}) => {
  await page.goto("/jobs");
  await page.getByRole("link", { name: "Plan a feeder" }).click();
  await expect(page.getByRole("heading", { name: "Feeder", exact: true })).toBeVisible();
  const add = page.getByRole("button", { name: "Add a joint" });
  await add.focus();
  for (let n = 1; n < 32; n++) await page.keyboard.press("Enter");
  await expect(page.getByText("32 joints, 32 drops")).toBeVisible();
  const status = page.getByRole("status").filter({ hasText: /dB/ });
  await expect(status).toHaveText(/^Short by [\d.]+ dB at joint 32$/);
  await page.getByRole("button", { name: "Best taps" }).focus();
  await page.keyboard.press("Enter");
  const joint = (n: number) => page.getByRole("button", { name: new RegExp(`^Joint ${n}: tap`) });
  await expect(joint(32)).toHaveAttribute("aria-label", /tap 50 %/);
  const after = await status.textContent();
  await page.locator("body").press("ArrowRight");
  await expect(page.getByRole("heading", { name: /^Joint 2/ })).toBeVisible();
  await expect(joint(2)).toHaveAttribute("aria-label", /tap 5 %/);
  await page.keyboard.press("ArrowUp");
  await expect(joint(2)).toHaveAttribute("aria-label", /tap 10 %/);
  await page.keyboard.press("z");
  await expect(joint(2)).toHaveAttribute("aria-label", /tap 5 %/);
  await expect(status).toHaveText(after ?? "");

  const metres = page.getByLabel("Metres before it");
  await metres.fill("-3");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/metres, 0 or more, for example 120/).first()).toBeVisible();
  await metres.fill("2000");
  await page.keyboard.press("Enter");
  await expect(status).not.toHaveText(after ?? "");
  const saved = await status.textContent();
  await page.reload();
  await expect(status).toHaveText(saved ?? "");

  const saving = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as a file" }).click();
  const file = await (await saving).path();
  await page.getByRole("button", { name: "Take this joint out" }).click();
  await expect(page.getByText("31 joints, 31 drops")).toBeVisible();
  await page.getByLabel("Open a file").setInputFiles(file);
  await expect(page.getByText("32 joints, 32 drops")).toBeVisible();
  await expect(status).toHaveText(saved ?? "");
});
