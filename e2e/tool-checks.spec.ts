import { addEvents, endAtMeasure, expect, test } from "../harness/server";

test("tools checked before the first strip by keyboard; a cleave that is not flat names the ends made since, and each says so @desk", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await addEvents(request, end, [{ kind: "sign", name: "Teo Marsh", outcome: "kept" }], 99);
  await page.goto("/bench");
  await page.getByRole("link", { name: "Check the tools" }).click();
  const tools = page.getByRole("navigation", { name: "Tools" });
  const atHand = page.getByRole("region", { name: "Tool at hand" });
  const cleaver = tools.getByRole("button", { name: /^cleaver with a length scale/ });
  await expect(cleaver).toContainText("not checked");
  await cleaver.focus();
  await page.keyboard.press("Enter");
  await expect(atHand.getByText("By the record the blade stands at place 1.")).toBeVisible();
  await page.keyboard.press("1");
  await expect(atHand.getByRole("heading", { name: /Cleave a scrap of fibre/ })).toBeVisible();
  await page.keyboard.press("2");
  await expect(
    atHand.getByRole("heading", { name: "Do not use it yet: cleaver with a length scale" }),
  ).toBeVisible();
  await expect(atHand.getByText(/made with it, with no good check since/)).toBeVisible();
  const named = atHand.getByRole("region", { name: /ends? (was|were) made with it/ });
  await named.locator(`a[href="/ledger/${end}"]`).click();
  await expect(
    page.getByText("Made with a tool that failed its check: cleaver with a length scale."),
  ).toBeVisible();
  // Both places say when it failed, and not when it was last good.
  const banner = page.getByRole("status").filter({ hasText: "Made with a tool that failed" });
  const failed = (await banner.getByRole("time").first().getAttribute("datetime")) ?? "";
  const line = page.getByRole("listitem").filter({ hasText: "failed its check" });
  await expect(line.getByRole("time")).toHaveAttribute("datetime", failed);

  await page.goto("/bench");
  await expect(page.getByText("Do not use yet: cleaver with a length scale.")).toBeVisible();
  await page.goto("/bench/tools");
  await cleaver.click();
  await page.getByRole("button", { name: "Check again" }).press("Enter");
  await page.keyboard.press("1");
  await expect(atHand.getByRole("heading", { name: /Cleave a scrap of fibre/ })).toBeVisible();
  await page.keyboard.press("1");
  await expect(cleaver).toContainText("good");
});

test("a second calliper goes by its mark and stands for itself; entered by mistake, it is gone @desk", async ({
  page,
}) => {
  await page.goto("/bench/tools");
  const tools = page.getByRole("navigation", { name: "Tools" });
  const atHand = page.getByRole("region", { name: "Tool at hand" });
  await tools.getByRole("button", { name: /^Dial calliper/ }).click();
  await atHand.getByRole("button", { name: "Another of these" }).press("Enter");
  await page.keyboard.type("K 7");
  await page.keyboard.press("Enter");
  const second = tools.getByRole("button", { name: /^Dial calliper marked K 7/ });
  await expect(second).toContainText("not checked");
  await page.getByRole("textbox", { name: "Gauge, mm" }).fill("40");
  await page.getByRole("textbox", { name: "Reading, mm" }).fill("40.9");
  await page.keyboard.press("Enter");
  await expect(
    atHand.getByRole("heading", { name: "Do not use it yet: Dial calliper marked K 7" }),
  ).toBeVisible();
  await expect(second).toContainText("failed");
  await page.goto("/bench");
  await expect(page.getByText(/Do not use yet: .*Dial calliper marked K 7/)).toBeVisible();
  await page.goto("/bench/tools");
  await second.click();
  await page.getByRole("button", { name: "Entered by mistake" }).click();
  await expect(second).toBeHidden();
});

test("a calliper read on its gauge: what it is off by stands beside it at the bench @desk", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await page.goto("/bench/tools");
  await page
    .getByRole("button", { name: /^Digital calliper/ })
    .first()
    .click();
  await page.getByRole("textbox", { name: "Gauge, mm" }).fill("40");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Enter what it reads, for example 40.02")).toBeVisible();
  await page.getByRole("textbox", { name: "Reading, mm" }).fill("40.04");
  await expect(page.getByText("+0.04 mm: within what it may be")).toBeVisible();
  // The server does not answer: the reading stands, and goes when it is tried again.
  await page.route("**/api/v1/tool-checks", (route) =>
    route.request().method() === "POST" ? route.abort() : route.continue(),
  );
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "does not answer" })).toBeVisible();
  await page.unroute("**/api/v1/tool-checks");
  await page.getByRole("button", { name: "Try again" }).press("Enter");
  await expect(page.getByRole("button", { name: /^Digital calliper/ }).first()).toContainText("good");
  await page.goto(`/bench/${end}`);
  const calliper = page.getByRole("option", { name: /Digital calliper/ });
  await expect(async () => {
    if (!(await calliper.isVisible())) await page.getByRole("combobox", { name: "Instrument" }).click();
    await expect(calliper).toContainText("is +0.04 mm off", { timeout: 2_000 });
  }).toPass();
  // The calliper of the tests after this one is off by nothing.
  await page.goto("/bench/tools");
  await page
    .getByRole("button", { name: /^Digital calliper/ })
    .first()
    .click();
  await page.getByRole("button", { name: "Entered by mistake" }).click();
  await expect(page.getByRole("textbox", { name: "Gauge, mm" })).toBeVisible();
});
