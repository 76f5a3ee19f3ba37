import { PLAN } from "@/service/fixtures/plan";
import { expect, test } from "./server";

test("a job is planned by keyboard alone, from its name to a cut length that says what it is made of", async ({
  page,
}) => {
  const type = (text: string) => page.keyboard.type(text);
  const press = (key: string) => page.keyboard.press(key);
  await page.goto("/jobs");
  await page.getByLabel(/New job|No job yet/).focus();
  await type("Quillmere, north ring");
  await press("Enter");
  await expect(page.getByRole("heading", { name: "Quillmere, north ring" })).toBeVisible();
  await page.getByLabel("New piece").focus();
  await press("Enter");
  await expect(page.getByText("A piece has a name")).toBeVisible();
  await type("Pad 7 feeder");
  await press("Tab");
  await press("Enter");
  await type("Tight-buffer 900 dist");
  await press("Enter");
  await press("Tab");
  await press("Enter");
  await expect(page.getByRole("heading", { name: "Pad 7 feeder" })).toBeVisible();

  await page.getByLabel("Ended by").focus();
  await press("Enter");
  await type("Stub, cam and crimp");
  await press("Enter");
  await page.getByLabel("Ends here").fill("12");
  await press("Enter");
  await expect(page.getByRole("button", { name: /2 tries|1 try/ }).first()).toBeVisible();
  await page.getByRole("button", { name: "Add a stretch" }).focus();
  await press("Enter");
  await page.getByLabel("Length, m").fill("212");
  await press("Enter");
  await expect(page.getByRole("button", { name: /duct/ })).toContainText("216.24");
  const cut = page.getByRole("region", { name: "Cut" }).locator("p").first();
  await expect(cut).toContainText(/218\.\d\d/);

  await page.getByRole("button", { name: "Add a loop" }).focus();
  await press("Enter");
  const before = await cut.textContent();
  await page.getByRole("button", { name: "One turn more" }).focus();
  for (let turn = 0; turn < 4; turn++) await press("Enter");
  await expect(page.getByLabel("Turns")).toHaveText("5 turns");
  await expect(cut).not.toHaveText(before ?? "");

  await page.getByLabel("Once round, m").fill("0.1");
  await press("Enter");
  await expect(page.getByText("That cannot be; nothing was changed.")).toBeVisible();
  await expect(page.getByText(/this cable rests at no less than/)).toBeVisible();
  await page.getByLabel("Once round, m").fill("-2");
  await press("Enter");
  await expect(page.getByText("Metres, as 212.04, and none below nothing.")).toBeVisible();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();

  await page.locator("main").click({ position: { x: 4, y: 4 } });
  await press("z");
  await expect(page.getByLabel("Turns")).toHaveText("4 turns");
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  const kept = await cut.textContent();
  await page.reload();
  await expect(cut).toHaveText(kept ?? "");

  await page.getByRole("link", { name: "Quillmere, north ring" }).click();
  await page.getByRole("button", { name: "Take Pad 7 feeder off the job" }).click();
  await expect(page.getByText("No piece yet.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: /Pad 7 feeder/ })).toBeVisible();
  await page.getByRole("button", { name: "Duplicate Pad 7 feeder" }).click();
  await expect(page.getByRole("link", { name: /Pad 7 feeder, copy/ })).toBeVisible();
});

test("what somebody else changed meanwhile is not overwritten, and said", async ({ page, request }) => {
  const { id } = await (await request.post("/api/v1/jobs", { data: { name: "Moor" } })).json();
  const plan = { ...PLAN, name: "Pad 5 feeder" };
  const added = await request.post(`/api/v1/jobs/${id}`, { data: { pieces: [{ plan }] } });
  const [piece] = (await added.json()).pieces;
  await page.goto(`/jobs/${id}/${piece.id}`);
  const other = { ...plan, name: "Pad 5 feeder, new route" };
  const saved = await request.post(`/api/v1/pieces/${piece.id}`, { data: { basis: 1, plan: other } });
  expect(saved.status()).toBe(200);
  await page.getByRole("button", { name: "Add a stretch" }).click();
  await expect(page.getByText("The last change is not kept.")).toBeVisible();
  await expect(page.getByText(/Somebody else changed this piece since/)).toBeVisible();
  const { pieces } = await (await request.get(`/api/v1/jobs/${id}`)).json();
  expect(pieces.map((one: { plan: { name: string } }) => one.plan.name)).toEqual(["Pad 5 feeder, new route"]);
  await page.getByRole("button", { name: "Load it as it is now" }).click();
  await expect(page.getByRole("heading", { name: "Pad 5 feeder, new route" })).toBeVisible();
  await page.getByRole("button", { name: "Add a stretch" }).click();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  await page.goto(`/jobs/${id}/nowhere`);
  await expect(page.getByRole("heading", { level: 1 })).not.toHaveText("Pad 5 feeder");
});
