import { PLAN } from "../harness/plans";
import { addEvents, endAtMeasure, expect, test, WEDGE } from "../harness/server";

test("which way for so many ends, asked by keyboard with the crew's own yield; and a failed end opened from its yield @desk", async ({
  page,
  request,
}) => {
  for (const outcome of ["kept", "kept", "cut-off"] as const) {
    const end = await endAtMeasure(request);
    await addEvents(request, end, [{ kind: "sign", name: "Teo Marsh", outcome }], 99);
  }
  await page.goto("/insight");
  const way = page.getByRole("region", { name: /Which way for these \d+ ends/ });
  await way.getByText("Wage and prices").focus();
  await page.keyboard.press("Enter");
  const ends = way.getByRole("textbox", { name: "Ends to make" });
  await ends.fill("12");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Which way for these 12 ends?" })).toBeVisible();
  const own = page.getByRole("group", { name: "Stub, wedge release" });
  await own.getByRole("textbox", { name: "Yield, %" }).fill("50");
  await page.keyboard.press("Enter");
  await own.getByRole("textbox", { name: "Minutes a try" }).fill("abc");
  await page.keyboard.press("Enter");
  await expect(own.getByText("Enter an amount, 0 or more")).toBeVisible();
  await expect(page.getByText(/^Bring \d+ parts of /)).toBeVisible();
  await page.reload();
  await expect(page.getByRole("region", { name: "Which way for these 12 ends?" })).toBeVisible();

  await page.goto(`/?cable=${WEDGE.cable}&style=${WEDGE.procedure}`);
  await expect(page.getByText(/^The crew's yield here: \d+ %$/)).toBeVisible();
  await page
    .getByText(/Last not good at once/)
    .getByRole("link")
    .click();
  await expect(page.getByRole("heading", { name: "What happened" })).toBeVisible();
});

test("a job's pick list: parts by the record, hours with a range, what was used so far @desk", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await addEvents(request, end, [{ kind: "sign", name: "Hild Roan", outcome: "kept" }], 99);
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name: "Picked" } })).json();
  const side = { ...PLAN.sides.A, procedure: "stub-cam-crimp-900", ends: 6 };
  const plan = { ...PLAN, cable: "distribution-900", sides: { A: side, B: PLAN.sides.B } };
  await request.post(`/api/v1/jobs/${job}`, { data: { pieces: [{ plan }] } });
  await page.goto(`/jobs/${job}`);
  await page.getByRole("link", { name: "Pick list" }).click();
  const row = page.getByRole("row", { name: /Stub, cam and crimp/ });
  await expect(row).toContainText("6 of 6");
  expect(
    Number((await row.getByRole("cell").first().textContent())?.replace(/\D/g, "")),
  ).toBeGreaterThanOrEqual(6);
  await expect(page.getByRole("heading", { name: "Consumables to bring" })).toBeVisible();
  await expect(page.getByText(/m of cable still to cut/)).toBeVisible();
});

test("a week's ends opened from what changed in it; a filter asked by keyboard; the findings as CSV @desk", async ({
  page,
  request,
}) => {
  const end = await endAtMeasure(request);
  await addEvents(request, end, [{ kind: "sign", name: "Runa Fell", outcome: "cut-off" }], 99);
  await page.goto("/insight");
  const week = page.getByRole("region", { name: /What changed in week \d{4}-W\d\d/ });
  await expect(week.getByText(/% of \d+ good at once/).first()).toBeVisible();
  await page.getByRole("button", { name: "all results · all connectors" }).focus();
  await page.keyboard.press("Enter");
  await page.getByRole("searchbox", { name: "Find" }).fill("Runa");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/insight\?.*find=Runa/);
  await expect(page.getByText("1 end", { exact: false }).first()).toBeVisible();
  const link = page.getByRole("link", { name: "CSV" });
  const csv = await (await request.get((await link.getAttribute("href")) ?? "")).text();
  expect(csv.split("\r\n").some((line) => line.startsWith("person,Runa Fell"))).toBe(true);
  await week.getByRole("link", { name: /in the ledger/ }).focus();
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/ledger\?from=\d{4}-\d\d-\d\d&to=/);
  await expect(page.getByRole("link", { name: /^Not named/ }).first()).toBeVisible();
});

test("a lot opened before the shift is a group of its own in the yield @desk", async ({ page, request }) => {
  await page.goto("/bench/tools");
  const lots = page.getByRole("region", { name: "Lots of parts in use" });
  await lots.getByRole("button", { name: "Open this lot" }).click();
  await expect(lots.getByText(/Choose a connector, and enter/)).toBeVisible();
  await lots.getByRole("combobox", { name: "Connector" }).click();
  await page.getByRole("option", { name: "Stub, wedge release", exact: true }).click();
  await lots.getByRole("textbox", { name: "Lot number" }).fill("24-117");
  await page.keyboard.press("Enter");
  await expect(lots.getByText("24-117")).toBeVisible();
  const end = await endAtMeasure(request);
  await addEvents(request, end, [{ kind: "sign", name: "Runa Fell", outcome: "kept" }], 99);
  await page.goto("/ledger/yield?by=lot");
  await expect(page.getByRole("rowheader", { name: "24-117" })).toBeVisible();
});
