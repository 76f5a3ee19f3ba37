import type { Page } from "@playwright/test";
import { addEvents, expect, lineOf, startEnd, test } from "../harness/server";
import { pick, pickByLetters } from "./work";

const DOME = "/entry/entry-dome-gel";
const row = (page: Page, name: string) => page.getByRole("listitem").filter({ hasText: name });

test("a closure is planned by keyboard alone: cables in, one through, what cannot be refused, undone", async ({
  page,
}) => {
  const press = (key: string) => page.keyboard.press(key);
  const bring = async (name: string) => {
    await page.getByLabel("Cable", { exact: true }).focus();
    await pickByLetters(page, name);
    await page.getByRole("button", { name: "Bring it in" }).focus();
    await press("Enter");
  };
  await page.goto("/entry");
  await page.getByRole("link", { name: /Sealed dome, gel wedge ports/ }).focus();
  await press("Enter");
  await expect(page.getByText("No cable yet")).toBeVisible();
  await bring("Armoured ribbon");
  await expect(row(page, "Armoured ribbon, 8 × 12")).toContainText("port 3");
  await row(page, "Armoured ribbon, 8 × 12").getByLabel("For").focus();
  await pickByLetters(page, "through");
  await expect(row(page, "Armoured ribbon, 8 × 12")).toContainText("ports 1 + 2");
  const opening = page.getByRole("region", { name: "Opening" }).locator("p").first();
  await expect(opening).toContainText("1680.0");
  await page.getByLabel("Turns stored").fill("3");
  await press("Enter");
  await expect(opening).toContainText("2160.0");
  await page.getByLabel("Reversal to reversal, mm").fill("2400");
  await press("Enter");
  await expect(opening).toContainText("2400.0");
  await expect(page.getByText("The opening must contain a reversal of the lay")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(opening).toContainText("2160.0");
  await page.reload();
  await expect(opening).toContainText("2160.0");
  await page.getByLabel("Turns stored").fill("9");
  await press("Enter");
  await expect(
    page.getByText("Enter a whole number, at most 4: no more turns fit in this storage."),
  ).toBeVisible();

  await bring("Armoured ribbon");
  await row(page, "Armoured ribbon, 8 × 12 (2)").getByLabel("For").focus();
  await pickByLetters(page, "through");
  await expect(page.getByText("Change not allowed. Nothing was changed.")).toBeVisible();
  await expect(page.getByText(/These do not all fit: Armoured ribbon, 8 × 12 \(1\)/)).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).focus();
  await press("Enter");
  await expect(row(page, "Armoured ribbon")).toHaveCount(1);
  await page.reload();
  await expect(row(page, "Armoured ribbon, 8 × 12")).toContainText("ports 1 + 2");
});

test("a cable that goes through is ended only once what that does has been read, and never has a length from its end before", {
  tag: "@desk",
}, async ({ page }) => {
  await page.goto(`${DOME}?c=loose-tube-36~through~t~`);
  const cable = row(page, "Stranded loose tube, 6 × 6");
  const prepare = page.getByRole("region", { name: /what to prepare/ });
  await expect(prepare).toContainText("centre mark");
  await expect(prepare).not.toContainText("cable end");
  await pick(page, cable.getByLabel("For"), "branch");
  await expect(page.getByText(/all 36 fibres end here, and every circuit that runs past/)).toBeVisible();
  await page.getByRole("button", { name: "Keep it through" }).click();
  await expect(prepare).not.toContainText("cable end");
  await pick(page, cable.getByLabel("For"), "branch");
  await page.getByRole("button", { name: "End it here" }).click();
  await expect(prepare).toContainText("cable end");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(prepare).not.toContainText("cable end");
});

test("it says how a closure is closed, in its order with its torques, and what to mind", async ({ page }) => {
  await page.goto(`${DOME}?c=armoured-ribbon-96~branch~~`);
  const closing = page.getByRole("region", { name: "Closing, in this order" }).getByRole("listitem");
  await expect(closing.first()).toContainText("Lay the cable into its port");
  await expect(closing.filter({ hasText: "Press the gel, last pass" })).toContainText("4.6 N·m");
  const all = await closing.allTextContents();
  const at = (text: string) => all.findIndex((name) => name.includes(text));
  expect(at("first pass")).toBeLessThan(at("last pass"));
  expect(at("Photograph the inside")).toBeLessThan(at("Close the cover"));
  const minded = page.getByRole("region", { name: "Mind" });
  await expect(minded).toContainText("A closure may hold pressure");
  await expect(minded).toContainText("bonded and grounded as the local electrical code says");
});

test("nothing is cut before tube and fibre are said: a wrong or doubtful one is refused", async ({
  page,
}) => {
  await page.goto("/entry/entry-dome-round?c=loose-tube-36~through~t~&c=central-tube-ribbon-96~branch~~");
  await page.getByLabel("Fibre to part, 1 to 36").fill("14");
  await page.keyboard.press("Enter");
  const check = page.getByRole("region", { name: "Before the cut" });
  await expect(check).toContainText("Wanted: tube 3, fibre 2.");
  await expect(check).toContainText("What do you see on the tube in your hand?");
  await check.getByRole("button", { name: "BR, brown" }).click();
  await expect(check).toContainText("Do not cut. That is tube BR. The one to part is GR.");
  await expect(check.getByText("This is it")).toHaveCount(0);
  await check.getByRole("button", { name: "Choose again" }).click();
  await check.getByRole("button", { name: "I cannot tell" }).click();
  await expect(check).toContainText("Do not cut.");
  await check.getByRole("button", { name: "Choose again" }).click();
  await check.getByRole("button", { name: "GR, green" }).click();
  await expect(check).toContainText("What do you see on the fibre in your hand?");
  await check.getByRole("button", { name: "OR, orange" }).click();
  await expect(check).toContainText("This is it: tube GR, fibre OR.");
  // Of another cable nothing has been said yet.
  await page
    .getByRole("button", { name: /Central-tube ribbon/ })
    .first()
    .click();
  await expect(check).toHaveCount(0);
  await page
    .getByRole("button", { name: /Stranded loose tube/ })
    .first()
    .click();
  await expect(check.getByText("This is it")).toHaveCount(0);
});

test("a cable is dragged onto a port: it stays there, and where it does not go nothing is changed", async ({
  page,
}) => {
  await page.goto(`${DOME}?c=loose-tube-36~branch~~&c=flat-drop~drop~~`);
  const cable = row(page, "Stranded loose tube, 6 × 6");
  await expect(cable).toContainText("port 3");
  const drag = async (port: string) => {
    const from = await cable.getByTitle(/^Drag/).boundingBox();
    const to = await page.locator(`[data-port="${port}"] circle`).first().boundingBox();
    if (!from || !to) throw new Error("grip and port are in sight");
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 6 });
    await page.mouse.up();
  };
  await drag("4");
  await expect(cable).toContainText("port 4");
  await expect(cable).toContainText("put there");
  await drag("7");
  await expect(page.getByText("Port 7 closes round 2.6 to 8.2 mm; this cable is 10.4 mm.")).toBeVisible();
  await expect(cable).toContainText("port 4");
});

test("a cable's sheet goes from the closure to the bench like any other", async ({ page }) => {
  await page.goto(`${DOME}?c=flat-drop~drop~~`);
  await row(page, "Flat drop").getByRole("link", { name: "Sheet" }).click();
  await expect(page).toHaveURL(/cable=flat-drop&style=entry-dome-gel/);
  await expect(page.getByText("Let the pressure out")).toBeVisible();
  await page.getByRole("button", { name: "To the bench" }).click();
  await page.getByRole("button", { name: "Start without checking" }).click();
  await expect(page.locator("#step")).toContainText("Let the pressure out");
});

test("a cable that goes through is cut by no advice: an opening too long is stored", async ({
  page,
  request,
}) => {
  const pole = { cable: "loose-tube-36-mid-span", procedure: "entry-pedestal-through", core: "9/125" };
  const end = await startEnd(request, pole);
  await addEvents(request, end, [
    { kind: "thread", part: "halves", on: true },
    { kind: "step", to: lineOf("measure", pole) },
  ]);
  await page.goto(`/bench/${end}`);
  await page.getByRole("textbox", { name: /Reading/ }).fill("690");
  await page.keyboard.press("Enter");
  const advice = page
    .getByRole("region", { name: /Advice|What to do/ })
    .or(page.getByText("Store what is spare"));
  await expect(advice.first()).toBeVisible();
  await expect(page.getByText("Leave the cable whole")).toBeVisible();
  await expect(page.getByRole("main").getByRole("button", { name: /cut it/i })).toHaveCount(0);
});
