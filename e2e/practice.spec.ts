import { expect, test } from "../harness/server";

test("a drill failed, then passed, by keyboard; it stands in the progress and nothing of it goes on record @desk", async ({
  page,
  request,
}) => {
  const ends = async () => (await (await request.get("/api/v1/seal")).json()).root;
  const before = await ends();
  await page.goto("/practice");
  const progress = page.getByRole("region", { name: "Where you stand" });
  await expect(progress.getByRole("listitem").first()).toContainText("not tried");
  const reading = page.getByRole("textbox", { name: "Your reading, mm" });
  await reading.fill("far");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Enter millimetres, for example 37.5")).toBeVisible();
  await reading.fill("999");
  await page.keyboard.press("Enter");
  const result = page.getByRole("status").filter({ hasText: /^No: / });
  await expect(result).toBeVisible();
  await expect(progress.getByRole("listitem").first()).toContainText("0 of 1");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /sixteenth of an inch/ })).toBeVisible();
  await page.getByRole("textbox", { name: "Your reading, inches" }).fill("1/16");
  await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Which colour is fibre 1?" })).toBeVisible();
  await page.getByRole("button", { name: "blue" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Right.", { exact: true })).toBeVisible();
  await page.reload();
  await expect(progress.getByText("1 of 1")).toBeVisible();
  expect(await ends()).toBe(before);
});

test("what happened here: looks by their numbers rule faults out until one is left, which is named @desk", async ({
  page,
}) => {
  await page.goto("/practice");
  // All that comes before the faults is known already, and not due for long.
  await page.evaluate(() => {
    const due = new Date(Date.now() + 9e9).toISOString();
    const card = {
      ...{ due, stability: 100, difficulty: 5, elapsed_days: 0, scheduled_days: 100 },
      ...{ learning_steps: 0, reps: 5, lapses: 0, state: 2, last_review: new Date().toISOString() },
    };
    const tasks = ["rule/mm", "rule/in", ...Array.from({ length: 12 }, (_, i) => `colour/${i + 1}`)];
    const practised = Object.fromEntries(tasks.map((task) => [task, { card, results: [true] }]));
    localStorage.setItem("arlent:practice:anyone", JSON.stringify(practised));
  });
  await page.reload();
  await expect(
    page.getByRole("heading", { name: "This end is not good. One thing is wrong." }),
  ).toBeVisible();
  await page.keyboard.press("2");
  await expect(page.getByText("Mark: at the rear edge")).toBeVisible();
  await page.keyboard.press("4");
  await expect(page.getByText("End face: a smear over the core")).toBeVisible();
  await expect(page.getByText("2 looks · 30 s")).toBeVisible();
  await page.getByRole("button", { name: "dirty end face" }).click();
  await expect(page.getByText("Right.", { exact: true })).toBeVisible();
  await expect(page.getByText(/the best looks take/)).toBeVisible();
});
