import { PLAN } from "../harness/plans";
import { addEvents, cleaveRead, endAtMeasure, expect, lineOf, test } from "../harness/server";
import { pick } from "./work";

test("light by keyboard: a reference taken, a reading out, cleaned and read again, in; a stale reference asked for again", {
  tag: "@desk",
}, async ({ page, request }) => {
  const end = await endAtMeasure(request);
  await addEvents(request, end, [cleaveRead(9_500), { kind: "step", to: lineOf("shards") }], 99);
  const press = (key: string) => page.keyboard.press(key);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: /Finish/ }).focus();
  await press("Enter");
  const light = page.getByRole("region", { name: "Light" });
  await light.getByRole("button", { name: "Read light through it" }).focus();
  await press("Enter");
  await expect(light.getByText("Never look into a fibre or port that may be live")).toBeVisible();
  await expect(light.getByText("No reference at 1310 nm yet on this device.")).toBeVisible();

  const field = (name: string) => light.getByLabel(name, { exact: true });
  await field("Reference, dBm").fill("-20 -20.02");
  await press("Enter");
  await expect(light.getByText("Enter which source and which launch cord.")).toBeVisible();
  await field("Source").fill("Source 2");
  await field("Launch cord").fill("Launch cord 4");
  await field("Reference, dBm").focus();
  await press("Enter");
  await expect(
    light.getByText("-20.00, -20.02 dBm, Source 2, Launch cord 4; not yet read with"),
  ).toBeVisible();

  // A meter's line of another wavelength is refused with its reason.
  await field("Reading, dBm").fill("light 1550 nm -22.10 dBm");
  await expect(light.getByText("The meter's line is of 1550 nm, not of 1310 nm.")).toBeVisible();
  await field("Reading, dBm").fill("-22.1");
  await expect(light.getByText("2.09 dB ± 0.06 of at most 1.05: out")).toBeVisible();
  await press("Enter");
  await expect(light.getByRole("listitem").filter({ hasText: "1310 nm, at this end" }).first()).toContainText(
    "out",
  );
  await expect(page.locator("#sign-off")).toContainText("Out");
  await expect(light.getByText("What it most often is, the cheapest first.")).toBeVisible();
  await light.getByRole("button", { name: "Tried" }).first().focus();
  await press("Enter");
  await field("Reading, dBm").fill("light 1310 nm -20.41 dBm");
  await field("Reading, dBm").focus();
  await press("Enter");
  await expect(light.getByText("(before it: cleaned)")).toBeVisible();
  await expect(light.getByRole("listitem").first()).toContainText("0.40 dB ± 0.06 of at most 1.05");
  await expect(light.getByText("What it most often is")).toHaveCount(0);
  const record = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  expect(
    record.light.map(({ verdict, tried }: { verdict: string; tried: string }) => [verdict, tried]),
  ).toEqual([
    ["out", "first"],
    ["in", "cleaned"],
  ]);

  // A day later the reference is never used silently.
  await page.evaluate(() => {
    const key = "arlent:light-references";
    const [held] = JSON.parse(localStorage.getItem(key) ?? "[]");
    held.reference.taken = new Date(Date.now() - 9 * 3_600_000).toISOString();
    localStorage.setItem(key, JSON.stringify([held]));
  });
  await page.reload();
  await light.getByRole("button", { name: "Read light through it" }).click();
  await expect(light.getByText("This reference is more than 8 hours old. Take a new one.")).toBeVisible();
  await expect(field("Reading, dBm")).toHaveCount(0);
});

test("the link of a piece's fibre: what it should take, part by part, at each wavelength; a fibre there is none of is told", {
  tag: "@desk",
}, async ({ page, request }) => {
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name: "Hill" } })).json();
  const side = { ...PLAN.sides.A, procedure: "stub-cam-crimp-900", ends: 12 };
  const answer = await request.post(`/api/v1/jobs/${job}`, {
    data: { pieces: [{ plan: { ...PLAN, name: "Hill cord", sides: { A: side, B: side } } }] },
  });
  const [{ id: piece }] = (await answer.json()).pieces;
  await page.goto(`/jobs/${job}/${piece}`);
  await page.getByRole("link", { name: "Light along it" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("0.63 dB ± 0.18 expected")).toBeVisible();
  await expect(page.getByRole("row")).toHaveCount(4);
  await expect(page.getByRole("row").nth(1)).toContainText("Hill cord, side A");
  await pick(page, page.getByRole("combobox", { name: "Wavelength" }), "1550 nm");
  await expect(page.getByText(/0\.62 dB ± 0\.18 expected/)).toBeVisible();
  await page.getByLabel("Fibre, 1 to 12").fill("13");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("alert").filter({ hasText: "has fibres 1 to 12, not 13" })).toBeVisible();
});
