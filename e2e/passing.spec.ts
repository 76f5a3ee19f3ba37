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
import { barriersOn } from "./barriers";
import { heading, pass, serverClock } from "./work";

const DROP = { cable: "flat-drop", procedure: "drop-clamp", core: "9/125" };

test("a step passed by without what it asks for says so first, shows as skipped, and is named at the sign-off", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await page.goto(`/bench/${end}`);
  const reported = page.getByRole("alert").filter({ hasText: "Press again to skip it" });
  await page.keyboard.press("PageDown");
  await expect(reported).toContainText("Not read: cleave length, buffer beyond the jacket");
  await expect(heading(page)).toHaveText("Measure the prepared end");
  await expect(page.getByRole("button", { name: /Skip it/ })).toBeVisible();
  expect(await barriersOn(page)).toEqual([]);
  await page.locator("#reading").fill("9.5");
  await page.keyboard.press("Enter");
  await expect(reported).toHaveCount(0);
  await page.keyboard.press("PageDown");
  await expect(reported).toContainText("Not read: buffer beyond the jacket, jacket edge to cleaved end.");
  await page.keyboard.press("PageDown");
  await expect(heading(page)).toHaveText("Insert with a bow");
  const steps = page.getByRole("navigation", { name: "Steps" });
  await expect(steps.getByRole("button", { name: /Measure the prepared end skipped/ })).toBeVisible();
  await page.keyboard.press("PageDown");
  await expect(heading(page)).toHaveText("Does the glow dim?");
  await page.keyboard.press("PageDown");
  await expect(reported).toContainText("Not answered: As the fibre met the stop, what did the glow do?");
  await addEvents(request, end, [{ kind: "step", to: lineOf("shards") }], 99);
  await page.reload();
  await page.getByRole("button", { name: /Finish/ }).click();
  const passed = page.getByRole("region", { name: "Skipped" });
  await expect(passed).toContainText("Measure the prepared end: buffer beyond the jacket");
  await expect(passed).toContainText("Does the glow dim?: not answered");
  expect(await barriersOn(page)).toEqual([]);
  await passed.getByRole("button", { name: "Go to it: Does the glow dim?" }).click();
  await expect(heading(page)).toHaveText("Does the glow dim?");
});

test("the message about a part not on goes as soon as it is on", async ({ page, request }) => {
  await page.goto(`/bench/${await startEnd(request)}`);
  const message = page.getByText(/Thread on first/);
  await page.keyboard.press("PageDown");
  await expect(message).toBeVisible();
  for (const box of await page.getByRole("checkbox").all()) await box.click();
  await expect(message).toHaveCount(0);
});

test("a clock runs from the cleave wherever one goes; too late, it asks for a fresh cleave", async ({
  page,
  request,
}) => {
  const end = await startEnd(request);
  await addEvents(request, end, [...THREADED, { kind: "step", to: lineOf("cleave") }]);
  await addEvents(request, end, [{ kind: "step", to: lineOf("measure") }], 99);
  await page.goto(`/bench/${end}`);
  await expect(page.getByText(/cleaved end, until “Insert with a bow”/)).toBeVisible();
  await page.goto("/shelf");
  const tray = page.getByRole("region", { name: "Holds and cures" });
  await expect(tray.getByRole("link").first()).toContainText(/[34]:\d\d/);
  (await serverClock(page))(300);
  await page.goto(`/bench/${end}`);
  await expect(tray.getByRole("link", { name: "1 too late" })).toBeVisible();
  await expect(page.getByText("Too late: cleaved end.")).toBeVisible();
  await page.getByRole("button", { name: "Cleave again: show what that takes" }).click();
  const advice = page.getByRole("region", { name: "What to do" });
  await expect(advice).toContainText("The cleaved end has stood too long");
  await expect(advice).toContainText("Cleave again at 9.5 from the buffer edge");
  await advice.getByRole("button", { name: /Take it/ }).click();
  await expect(heading(page)).toHaveText("Mark for the clamp");
});

test("where no reading can settle a length: redo it to the middle at its cost, or carry on and say so", async ({
  page,
  request,
}) => {
  await page.goto(`/bench/${await endAtMeasure(request)}`);
  const ways = page.getByRole("region", { name: "It cannot be settled so" });
  await page.locator("#reading").fill("9.9");
  await page.keyboard.press("Enter");
  await expect(page.getByLabel("Readings kept")).toContainText("9.9");
  await page
    .getByLabel("Lengths to read")
    .filter({ visible: true })
    .getByRole("button", { name: /cleave length/ })
    .click();
  await expect(ways).toContainText("risk that it is out; the record will say that it was not settled");
  await ways.getByRole("button", { name: /Rework it to the middle/ }).click();
  const advice = page.getByRole("region", { name: "What to do" });
  await expect(advice).toContainText("Cleave again at 9.5 from the buffer edge");
  await expect(advice).toContainText("of cable");
  expect(await barriersOn(page)).toEqual([]);
  await advice.getByRole("button", { name: /Take it/ }).click();
  await expect(heading(page)).toHaveText("Mark for the clamp");
});

test("a style that begins from the start says so, offers nothing less, and Enter begins it", async ({
  page,
  request,
}) => {
  const end = await startEnd(request, DROP);
  await addEvents(request, end, [{ kind: "step", to: lineOf("measure", DROP) }, cleaveRead(11_400)]);
  await page.goto(`/bench/${end}`);
  const advice = page.getByRole("region", { name: "What to do" });
  await expect(advice.getByRole("heading", { name: /From the start/ })).toBeVisible();
  await expect(advice).toContainText("53");
  await expect(page.getByText("This end cannot be reworked")).toHaveCount(0);
  await expect(advice.getByRole("button", { name: /Take it/ })).toHaveCount(0);
  await advice.getByRole("button", { name: /Start again from “Mark the sheath”/ }).click();
  await expect(heading(page)).toHaveText("Mark the sheath");
  await pass(page);
  await expect(heading(page)).toHaveText("Score the sheath and pull it off");
});
