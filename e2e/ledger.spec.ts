import { randomUUID } from "node:crypto";
import { addEvents, expect, startEnd, THREADED, test } from "../harness/server";

test("the ledger by keyboard: a day drawn, one of its ends opened, a filter saved and come back to @desk", async ({
  page,
  request,
}) => {
  const name = `Moor ${randomUUID().slice(0, 8)}`;
  for (const outcome of ["cut-off", "kept"] as const)
    await addEvents(request, await startEnd(request), [
      ...THREADED,
      { kind: "label", job: name, label: `${outcome} end` },
      { kind: "sign", name: "Teo Marsh", outcome },
    ]);
  await page.goto("/ledger");
  await page.getByRole("button", { name: "all results · all connectors" }).focus();
  await page.keyboard.press("Enter");
  const filter = page.getByRole("dialog", { name: "Filter" });
  await filter.getByRole("searchbox", { name: "Find" }).fill(name);
  await page.keyboard.press("Enter");
  await expect(page.locator("tbody tr")).toHaveCount(2);
  await expect(page.getByText(/0 in\. 1 not all measured, 1 cut off\./)).toBeVisible();

  await page.getByRole("button", { name: `“${name}”` }).click();
  await filter.getByRole("textbox", { name: "Save this filter as" }).fill("Moor");
  await page.keyboard.press("Enter");
  await expect(filter.getByRole("link", { name: "Moor", exact: true })).toBeVisible();
  await page.goto("/ledger");
  await page.getByRole("button", { name: "all results" }).click();
  await filter.getByRole("link", { name: "Moor", exact: true }).click();
  await expect(page.locator("tbody tr")).toHaveCount(2);

  const day = page.getByRole("group", { name: "Ends of the day" });
  await expect(day.getByRole("link")).toHaveCount(2);
  await day.getByRole("link", { name: new RegExp(`${name}, cut-off end: Cut off, `) }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /cut-off end/ })).toBeVisible();

  await page.goto("/ledger");
  await page.getByRole("button", { name: "all results" }).click();
  await filter.getByRole("navigation", { name: "Often used" }).getByRole("link", { name: "Today" }).click();
  await expect(page).toHaveURL(/from=(\d{4}-\d\d-\d\d)&to=\1/);
  await expect(page.getByRole("link", { name: "All days" })).toBeVisible();
});
