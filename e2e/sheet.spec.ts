import { expect, test } from "../harness/server";
import { pdfPages } from "../src/paper/fixtures/pdf-pages";

test("a sheet is found by keyboard alone, lives in the address bar, and comes back from it", async ({
  page,
}) => {
  await page.goto("/");
  await expect(page.getByRole("combobox", { name: "Cable and connector" })).toBeFocused();
  await page.keyboard.press("Escape");
  await page.keyboard.press("c");
  await expect(page.getByPlaceholder("Type to find: cable")).toBeFocused();
  await page.keyboard.type("simplex 3");
  await page.keyboard.press("Enter");
  await expect(page.getByPlaceholder("Type to find: connector")).toBeFocused();
  await page.keyboard.type("wedge");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("figure", { name: "The cable end, drawn to scale" })).toBeVisible();
  await expect(page.getByRole("row", { name: /Second mark on the buffer/ })).toContainText("48.5");
  await expect(page).toHaveURL(/cable=simplex-3\.0&style=stub-wedge-release-cord/);
  await page.reload();
  await expect(page.getByRole("row", { name: /Cleave/ })).toContainText("9.5");
});

test("one line finds cable and connector, drawn to one scale; Enter opens the sheet with its interface picked", {
  tag: "@desk",
}, async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("heading", { name: /Where to mark and cut a fibre end/ })).toBeVisible();
  await page.keyboard.type("3 mm cord, SC wedge");
  await expect(page.getByText(/^1 fits · \d+ near$/)).toBeVisible();
  const rows = page.getByRole("option");
  await expect(rows.first()).toContainText("Stub, wedge release · SC");
  await expect(rows.first()).toContainText("65.0");
  await expect(rows.nth(1)).toContainText(/other connector|thinner/);
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/cable=simplex-3\.0&style=stub-wedge-release-cord&as\.interface=sc/);
  await expect(page.getByRole("row", { name: /Second mark on the buffer/ })).toContainText("48.5");

  // What is not on the shelf is said, and nothing claims to fit.
  await page.goto("/");
  await page.getByRole("combobox", { name: "Cable and connector" }).fill("3 mm cord MPO");
  await expect(page.getByText("Not on the shelf: mpo.")).toBeVisible();
  await expect(page.getByText(/^0 fit · /)).toBeVisible();
  // Pasted in one go, it is ranked before Enter counts.
  await page.getByRole("combobox", { name: "Cable and connector" }).fill("LC fusion 2.0");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/cable=simplex-2\.0&style=fusion-splice-on-cord&as\.interface=lc/);
});

test("the type of connector comes first, then the ways it goes on; kits and entries stand by themselves", {
  tag: "@desk",
}, async ({ page }) => {
  await page.goto("/?cable=simplex-3.0");
  await page.getByRole("button", { name: /^LC 4 ways/ }).click();
  await expect(
    page.getByRole("button", { name: /^Adhesive and primer, polished, 2\.5 ferrule/ }),
  ).toHaveCount(0);
  await expect(page.getByRole("heading", { name: "Kits and preparation" })).toBeVisible();
  await page.getByRole("button", { name: /^Stub, wedge release/ }).click();
  await expect(page).toHaveURL(/style=stub-wedge-release-cord&as\.interface=lc/);
});

test("picking by touch takes two taps", async ({ page }) => {
  await page.goto("/");
  await page.getByRole("button", { name: /^Duplex cord 3\.0/ }).click();
  await page.getByRole("button", { name: /^Adhesive and polish, duplex/ }).click();
  await expect(page.getByRole("row", { name: /Mark for the yarn/ })).toContainText("37.5");
});

test("a line pointed at lights its place on the band, and the band lights the line", async ({ page }) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  const row = page.getByRole("row", { name: /Mark the buffer/ });
  const flag = page.getByRole("button", { name: /^37\.0: buffer edge/ });
  const pole = flag.locator("circle");
  await expect(pole).toHaveAttribute("fill", "var(--ink)");
  // Where a mouse rests, lines scroll through below it.
  await page.mouse.move(150, 400);
  await row.focus();
  await expect(pole).toHaveAttribute("fill", "var(--now)");
  await flag.focus();
  await expect(row).toHaveClass(/bg-now-wash/);
  await row.hover();
  await expect(pole).toHaveAttribute("fill", "var(--now)");
});

test("every second mark says both from the end and further on", async ({ page }) => {
  await page.goto("/?cable=distribution-900&style=stub-cam-crimp-900");
  const row = page.getByRole("row", { name: /Second mark/ });
  await expect(row).toContainText("48.0");
  await expect(row).toContainText("12.0 further on than the buffer edge at 36.0");
});

test("U goes from both units to millimetres to inches, and the choice stays", async ({ page }) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  const row = page.getByRole("row", { name: /Second mark/ });
  await expect(row).toContainText("1 29/32 in");
  await page.keyboard.press("u");
  await expect(row).not.toContainText("29/32");
  await page.keyboard.press("u");
  await expect(row).toContainText("1 29/32");
  await expect(row).not.toContainText("48.5");
  await page.reload();
  await expect(page.getByRole("row", { name: /Second mark/ })).not.toContainText("48.5");
});

test("options change the sheet: without light, the mark's stand-off is read instead", async ({ page }) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await expect(page.getByRole("row", { name: /Does the glow dim/ })).toBeVisible();
  await page.keyboard.press("v");
  await page.getByText(/^Where practitioners differ/).click();
  await page.getByRole("radio", { name: "not used" }).click();
  await page.getByRole("button", { name: "Done" }).click();
  await expect(page.getByRole("row", { name: /Where does the mark stand/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /Does the glow dim/ })).toHaveCount(0);
  await expect(page).toHaveURL(/as\.light=without/);
});

test("a pair that does not go together says why, and what would", async ({ page }) => {
  await page.goto("/?cable=duplex-3.0&style=stub-wedge-release-cord");
  await expect(page.getByText("It is for simplex cord or breakout; this is duplex cord.")).toBeVisible();
  await page.getByRole("button", { name: /Stub, wedge release on Simplex cord 3\.0/ }).click();
  await expect(page.getByRole("row", { name: /Cleave/ })).toContainText("9.5");
});

test("mixed core sizes are refused with the glass that would do", async ({ page }) => {
  await page.goto("/?cable=duplex-3.0&style=adhesive-polish-duplex&core=9%2F125");
  await expect(page.getByText(/made for 50\/125 or 62\.5\/125 glass; this is 9\/125/)).toBeVisible();
  await page.getByRole("button", { name: /multimode 50\/125/ }).click();
  await expect(page.getByRole("row", { name: /Mark the jacket/ })).toBeVisible();
});

for (const [address, said] of [
  ["/?cable=rope", "There is no cable called “rope”"],
  ["/?cable=simplex-3.0&style=glue", "There is no connector called “glue”"],
  ["/?cable=simplex-3.0&style=stub-wedge-release-cord&as.interface=zz", "“zz” is not one of sc, lc"],
] as const)
  test(`an unknown name in the address is told: ${address}`, async ({ page }) => {
    await page.goto(address);
    await expect(page.getByRole("alert").filter({ hasText: said })).toBeVisible();
  });

test("on paper there is the sheet and nothing of the program", async ({ page }) => {
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord");
  await page.emulateMedia({ media: "print" });
  await expect(page.getByRole("navigation", { name: "Places" })).toBeHidden();
  await expect(page.getByRole("button", { name: "To the bench" })).toBeHidden();
  await expect(page.getByText("Representative figures.")).toBeVisible();
  await expect(page.getByText(/The interface is not chosen/)).toBeVisible();
  await page.goto("/?cable=simplex-3.0&style=stub-wedge-release-cord&as.interface=lc");
  await expect(page.getByText(/The interface is not chosen/)).toHaveCount(0);
  const head = page.getByText(
    /^Stub, wedge release · LC · nut and ring on Simplex cord 3\.0, single-mode 9\/125; revision 6/,
  );
  await expect(head, "at the head of every page").toBeVisible();
  expect(await head.evaluate((cell) => cell.closest("thead") !== null)).toBe(true);
  const code = page.getByRole("img", { name: "This sheet's address" });
  await expect(code).toBeVisible();
  await page.emulateMedia({ media: null });
  const built = page.getByRole("img", { name: "This sheet's address", includeHidden: true });
  await expect(built, "is not made for a screen").toHaveCount(0);
  const [first] = await pdfPages(await page.pdf());
  expect(first, "as a browser prints it").toContain("back to this sheet");
  await page.emulateMedia({ media: "print" });
  for (const field of ["Job", "End", "Made by", "Signed off by"])
    await expect(page.getByRole("term").filter({ hasText: field }).first()).toBeVisible();
  const row = (title: string) =>
    page.getByRole("row").filter({ has: page.getByRole("rowheader", { name: title }) });
  await expect(row("Does the glow dim?")).toContainText("It stayed bright");
  await expect(row("Thread on").locator("span.border-2"), "a box to tick for each part").toHaveCount(3);
});
