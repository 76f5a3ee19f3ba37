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
    held.reference.cord = "Launch cord 9";
    localStorage.setItem(key, JSON.stringify([held]));
  });
  await page.reload();
  await light.getByRole("button", { name: "Read light through it" }).click();
  await expect(light.getByText("This reference is more than 8 hours old. Take a new one.")).toBeVisible();
  await expect(field("Reading, dBm")).toHaveCount(0);
});

test("a reference taken on one device serves another, with its matings; an end face is graded, cleaned and graded again", {
  tag: "@desk",
}, async ({ page, request }) => {
  const cord = `Launch cord ${Math.random().toString(36).slice(2, 8)}`;
  const reference = {
    ...{ taken: new Date().toISOString(), wavelength: 1310, source: "Source 7", cord },
    ...{ dBm: [-20], celsius: null },
  };
  expect((await request.post("/api/v1/light/references", { data: { reference } })).status()).toBe(201);
  const end = await endAtMeasure(request);
  await addEvents(request, end, [cleaveRead(9_500), { kind: "step", to: lineOf("shards") }], 99);
  await page.goto(`/bench/${end}`);
  await page.getByRole("button", { name: /Finish/ }).click();
  const light = page.getByRole("region", { name: "Light" });
  await light.getByRole("button", { name: "Read light through it" }).click();
  const shared = light.getByRole("listitem").filter({ hasText: cord });
  await shared.getByRole("button", { name: "Use it" }).focus();
  await page.keyboard.press("Enter");
  await expect(light.getByText(`-20.00 dBm, Source 7, ${cord}; not yet read with`)).toBeVisible();
  await light.getByLabel("Reading, dBm").fill("-20.3 -20.4");
  await page.keyboard.press("Enter");
  await expect(light.getByText(`${cord}; read with 2 times`)).toBeVisible();
  await light.getByRole("button", { name: "The launch cord was moved" }).click();
  await expect(light.getByText("No reference at 1310 nm yet on this device.")).toBeVisible();
  await expect(light.getByText(cord)).toHaveCount(0);
  const { references } = await (await request.get("/api/v1/light/references")).json();
  type Shared = { reference: { cord: string }; matings: number };
  expect(references.find((each: Shared) => each.reference.cord === cord).matings).toBe(2);

  const face = page.getByRole("region", { name: "End face" });
  await face.getByRole("button", { name: "Grade the end face" }).focus();
  await page.keyboard.press("Enter");
  await face.locator("svg").filter({ hasText: "The end face from the front" }).click();
  await expect(face.getByRole("status")).toHaveText("End face: out");
  await expect(face.getByText("A: no scratches, 1 defect")).toBeVisible();
  await expect(face.getByText("defect, 1 times: none is allowed here")).toBeVisible();
  await face.getByRole("button", { name: "Save the end face" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.locator("#sign-off")).toContainText("Out");
  await face.getByRole("button", { name: "Grade the end face" }).click();
  await pick(page, face.getByRole("combobox", { name: "Zone" }), "zone D");
  await face.getByLabel("Size, µm").fill("8");
  await page.keyboard.press("Enter");
  await expect(face.getByText("D: no scratches, 1 defect")).toBeVisible();
  await expect(face.getByRole("status")).toHaveText("End face: in");
  await face.getByRole("button", { name: "Save the end face" }).click();
  const record = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  expect(record.faces.map(({ passes }: { passes: boolean }) => passes)).toEqual([false, true]);
});

test("readings from a file: columns found, rows held against the ends at the bench, stored; a bad row says why", {
  tag: "@desk",
}, async ({ page, request }) => {
  const label = `C ${Math.random().toString(36).slice(2, 8)}`;
  const end = await endAtMeasure(request);
  await addEvents(request, end, [{ kind: "label", job: "File job", label }], 99);
  const reference = {
    ...{ taken: new Date().toISOString(), wavelength: 1550, source: "Source 3", cord: "Cord of the file" },
    ...{ dBm: [-20], celsius: null },
  };
  await page.addInitScript((held) => {
    localStorage.setItem("arlent:light-references", JSON.stringify([{ reference: held, matings: 0 }]));
  }, reference);
  await page.goto("/bench");
  await page.getByRole("link", { name: "Light readings from a file" }).click();
  await page
    .getByLabel("Or paste it")
    .fill(`Fibre;Wavelength;Power dBm\n${label};1550;-20.4\nno such end;1550;-20.1\n${label};1550;bright`);
  const rows = page.getByRole("region", { name: "Rows of the file" }).getByRole("row");
  await expect(rows).toHaveCount(4);
  await expect(rows.nth(1)).toContainText("0.40 ± 0.06in");
  await expect(rows.nth(2)).toContainText("No end at the bench is called no such end.");
  await expect(rows.nth(3)).toContainText("Write powers in dBm");
  await page.getByRole("button", { name: "Save 1 reading" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("1 of 1 reading saved")).toBeVisible();
  const record = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  expect(record.light).toMatchObject([{ wavelength: 1550, verdict: "in", cord: "Cord of the file" }]);
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
