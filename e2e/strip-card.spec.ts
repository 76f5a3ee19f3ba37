import { PLAN } from "../harness/plans";
import { expect, test } from "../harness/server";
import { pick } from "./work";

const CARD = "/card?cable=simplex-3.0&style=stub-wedge-release-cord";

test("a strip card from its sheet: printed, its bars measured, corrected and printed again; as drawings too @desk", async ({
  page,
  request,
}) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await page.getByRole("link", { name: "Strip card" }).click();
  await expect(page.getByRole("heading", { name: "Strip card" })).toBeVisible();
  const preview = page.getByRole("img", { name: "The card as it will be printed" });
  await expect(preview).toBeVisible();
  await expect
    .poll(() => preview.evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(500);
  await expect(page.getByText(/^Not proven: print a card at 100 %/)).toBeVisible();
  const print = page.getByRole("link", { name: "Print it" });
  const first = await request.get((await print.getAttribute("href")) ?? "");
  expect([first.status(), first.headers()["content-type"]]).toEqual([200, "application/pdf"]);

  await page.getByRole("textbox", { name: "Printer" }).fill("Hut laser");
  await page.getByLabel("Bar across (100), mm").fill("93");
  await page.getByLabel("Bar down (100), mm").fill("93");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/One further off was scaled: print at 100 %/)).toBeVisible();
  await page.getByLabel("Bar across (100), mm").fill("99,2");
  await page.getByLabel("Bar down (100), mm").fill("100.4");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Drawn at 100.81 % across and 99.60 % down")).toBeVisible();
  await expect(print).toHaveAttribute("href", /printer=Hut\+laser&x=1\.008/);
  await expect
    .poll(async () => decodeURIComponent((await preview.getAttribute("src")) ?? ""))
    .toContain("drawn at 100.81 % across");

  // The choice of printer is kept on the device.
  await page.reload();
  await expect(page.getByText("Drawn at 100.81 % across and 99.60 % down")).toBeVisible();
  await page.getByLabel("Bar across (100), mm").fill("100.1");
  await page.getByLabel("Bar down (100), mm").fill("99.9");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Drawn at 100.81 % across and 99.60 % down")).toBeVisible();

  const address = async (name: string) =>
    (await page.getByRole("link", { name, exact: true }).getAttribute("href")) ?? "";
  const svg = await (await request.get(await address("SVG"))).text();
  expect(svg).toContain("Hut laser: drawn at 100.81 % across, 99.60 % down");
  const dxf = await request.get(await address("DXF"));
  expect([dxf.status(), dxf.headers()["content-type"]]).toEqual([200, "image/vnd.dxf"]);
});

test("a long strip goes over several cards, and what cannot be drawn is refused with a reason @desk", async ({
  page,
  request,
}) => {
  // A slow picture: the buttons below it stand where they will stay, or a press misses them.
  await page.route("**/api/v1/cards?*", async (route) => {
    if (route.request().resourceType() === "image") await page.waitForTimeout(1_000);
    await route.continue();
  });
  await page.goto("/card?cable=loose-tube-144&style=breakout-kit-12");
  await expect(page.getByText(/^Page 1 of \d+$/)).toBeVisible();
  const next = page.getByRole("button", { name: "Next page" });
  const first = await next.boundingBox();
  const preview = page.getByRole("img", { name: "The card as it will be printed" });
  await expect
    .poll(() => preview.evaluate((image: HTMLImageElement) => image.naturalWidth))
    .toBeGreaterThan(500);
  expect(await next.boundingBox()).toEqual(first);
  await next.click();
  await expect(page.getByText(/^Page 2 of \d+$/)).toBeVisible();
  const refused = async (query: string) => {
    const answer = await request.get(`/api/v1/cards?${query}`);
    return [answer.status(), (await answer.json()).error.message];
  };
  const card = CARD.slice("/card?".length).replace("style=", "procedure=");
  expect(await refused(`${card}&x=1.3&y=1`)).toEqual([
    400,
    'x: found "1.3". A correction must be from 0.9 to 1.1: print at 100 % and measure the bar again.',
  ]);
  expect(await refused(`${card}&format=svg&page=9`)).toEqual([404, "This card has 1 page, not 9."]);
  expect(await refused("cable=nothing&procedure=x")).toEqual([400, "No cable called “nothing”."]);
});

test("a gauge for three styles is refused on one edge, then made on both faces @desk", async ({ page }) => {
  // The first with an option of its own, from its strip card.
  await page.goto(`${CARD}&interface=sc`);
  await page.getByRole("link", { name: "Put it on a gauge" }).click();
  for (const style of [/^Stub, one-stroke crimp · Tight-buffer/, /^Stub, cam and crimp · Tight-buffer/]) {
    await page.getByRole("combobox", { name: "Add a procedure" }).click();
    await page.getByRole("option", { name: style }).first().click();
  }
  const styles = page.getByRole("list", { name: "Procedures of the gauge" }).getByRole("listitem");
  await expect(styles).toHaveCount(3);
  await expect(styles.first()).toContainText("SC");
  await expect(page.getByRole("img", { name: "The card as it will be printed" })).toBeVisible();
  await pick(page, page.getByRole("combobox", { name: "Edges" }), "1 edge: a strip");
  await expect(page.getByRole("alert").filter({ hasText: "do not go on a gauge of 1 edge" })).toBeVisible();
  await expect(page.getByRole("link", { name: "Print it" })).toHaveCount(0);
  await pick(page, page.getByRole("combobox", { name: "Edges" }), "4 edges: both faces");
  await expect(page.getByRole("link", { name: "Print it" })).toBeVisible();
  await expect(page.getByRole("alert").filter({ hasText: "do not go" })).toHaveCount(0);
});

test("a job's print centre: parts ticked, seen as they will be, in one file @desk", async ({
  page,
  request,
}) => {
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name: "Printed" } })).json();
  const side = { ...PLAN.sides.A, procedure: "stub-cam-crimp-900", ends: 12 };
  const plan = { ...PLAN, cable: "distribution-900", sides: { A: side, B: side } };
  await request.post(`/api/v1/jobs/${job}`, { data: { pieces: [{ plan }] } });
  await page.goto(`/jobs/${job}`);
  await page.getByRole("link", { name: "Print", exact: true }).click();
  // A cut list, a pocket card, a strip card, a traveller, and labels; no closure, so no card or tray of one.
  await expect(page.getByRole("checkbox")).toHaveCount(5);
  const shown = page.getByText(/^Page 1 of \d+$/);
  await expect(shown).not.toHaveText("Page 1 of 1");
  const pages = Number(/\d+$/.exec((await shown.textContent()) ?? "")?.[0]);
  expect(pages).toBeGreaterThanOrEqual(5);
  await page.getByRole("checkbox", { name: "Labels, 24 ends" }).focus();
  await page.keyboard.press("Space");
  await expect(shown).toHaveText(`Page 1 of ${pages - 1}`);
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: `${pages - 1} pages in one file` }).focus();
  await page.keyboard.press("Enter");
  expect((await download).suggestedFilename()).toBe("arlent-print.pdf");
});
