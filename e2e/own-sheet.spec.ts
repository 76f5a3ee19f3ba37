import type { Locator, Page } from "@playwright/test";
import { expect, test } from "../harness/server";
import { pick, sign, work } from "./work";

const LENGTHS = [
  "name,datum,value,unit,plus,minus",
  "jacket,end,61,mm,1,1",
  "buffer,end,39,mm,1,1",
  "second mark,buffer,1/2,in,1/32,1/32",
  "cleave,buffer,8.8,mm,0.4,0.4",
].join("\n");

test("a list of lengths becomes a sheet of one's own, and an end is made by it", async ({ page }) => {
  const name = "Moor stub";
  await page.goto("/shelf/new");
  await page.getByLabel("What is it called?").fill(name);
  await pick(page, page.getByRole("combobox", { name: /Which cable is it for\?/ }), "Simplex cord 3.0");
  await page.getByLabel(/^Its lengths/).fill(LENGTHS);
  await page.getByRole("button", { name: "Draft it" }).click();
  await expect(page.getByRole("figure", { name: "The cable end, drawn to scale" })).toBeVisible();
  await page.getByLabel("jacket: figure", { exact: true }).fill("62");
  await page.getByRole("button", { name: "Keep as revision 1" }).click();
  await expect(page.getByRole("heading", { name, level: 1 })).toBeVisible();
  await page.getByRole("link", { name: "Simplex cord 3.0" }).click();
  await expect(page.getByRole("row", { name: /Mark: jacket/ })).toContainText("62.0");
  await expect(page.getByText("Representative figures.")).toHaveCount(0);
  await page.keyboard.press("b");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/bench\/[0-9a-f-]{36}/);
  const titles = await work(page);
  expect(titles).toContain("Cleave");
  await sign(page, "Osla Brandt");
  await page.getByRole("link", { name: "Open the record" }).click();
  await expect(page.getByText("The user's own")).toBeVisible();
});

test("a list that is wrong is refused by its row, and nothing is drafted", async ({ page }) => {
  await page.goto("/shelf/new");
  await page.getByLabel("What is it called?").fill("Bad card");
  await page.getByLabel(/^Its lengths/).fill("jacket,end,61,mm\nbuffer,moon,39,mm");
  await page.getByRole("button", { name: "Draft it" }).click();
  await expect(page.getByRole("main").getByRole("alert")).toContainText(
    "Row 2, “buffer”: “moon” is no datum here",
  );
});

/** Opens an editor. @returns the field of its cleave length. */
async function cleaveFigure(page: Page): Promise<Locator> {
  await page.goto("/shelf/procedures/guided-insertion-900/edit");
  return page.getByLabel(/cleave.*: figure$/).first();
}

test.describe("the editor", () => {
  test("names a contradiction as it is typed, keeps nothing while it stands, and undoes it", async ({
    page,
  }) => {
    await page.goto("/shelf/procedures/stub-wedge-release-cord/edit");
    const figure = page.getByLabel("buffer beyond the jacket: figure", { exact: true });
    await figure.focus();
    const stood = await figure.boundingBox();
    const saved: string[] = [];
    page.on("request", (request) => {
      if (request.method() === "POST") saved.push(request.url());
    });
    await figure.fill("40");
    // The key to keep it comes before the button has followed.
    await page.keyboard.press("Control+s");
    const match = page.getByRole("region", { name: "What is found" });
    await expect(match).toContainText("cannot all hold: 8.0 mm short");
    expect(await figure.boundingBox(), "no field moves under the hand").toEqual(stood);
    await expect(page.getByRole("button", { name: /Keep as/ })).toBeDisabled();
    expect(saved).toEqual([]);
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(match.getByText("Contradiction.")).toHaveCount(0);
    await expect(figure).toHaveValue("28");
  });

  for (const [kind, path] of [
    ["procedure", "procedures/stub-wedge-release-cord"],
    ["cable", "cables/central-tube-ribbon-96"],
    ["entry", "entries/entry-dome-gel"],
  ] as const)
    test(`of a ${kind} keeps the field come to in sight, whichever way: never behind the head that stays`, async ({
      page,
    }) => {
      await page.goto(`/shelf/${path}/edit`);
      const fields = page.getByRole("main").getByRole("textbox");
      const behind = () =>
        page.evaluate(() => {
          const focused = document.activeElement;
          if (!(focused instanceof HTMLInputElement)) return [];
          const { left, top, width, height } = focused.getBoundingClientRect();
          const at = document.elementFromPoint(left + width / 2, top + height / 2);
          return at === focused ? [] : [focused.getAttribute("aria-label") ?? focused.value];
        });
      // Forward a little way into the fields, then back by Shift+Tab: what is above comes out from behind the head.
      await fields.nth(Math.min(20, (await fields.count()) - 1)).focus();
      expect(await behind()).toEqual([]);
      for (let i = 0; i < 25; i++) {
        await page.keyboard.press("Shift+Tab");
        expect(await behind()).toEqual([]);
      }
    });

  test("another datum leaves the end the same and says the figure from there", async ({ page }) => {
    await page.goto("/shelf/procedures/stub-cam-crimp-900/edit");
    const row = page
      .getByRole("listitem")
      .filter({ has: page.getByLabel(/second mark.*: figure|reference mark.*: figure/) })
      .first();
    const flags = page.getByRole("list", { name: "Lengths on the cable" });
    const before = await flags.textContent();
    await pick(page, row.getByRole("combobox"), "fibre end");
    await expect(row.getByRole("textbox").nth(1)).toHaveValue("48");
    expect(await flags.textContent()).toBe(before);
  });

  test("what was being written is there again after a reload, until it is given up", async ({ page }) => {
    await page.goto("/shelf/procedures/drop-clamp/edit");
    await page
      .getByLabel(/sheath.*: figure$/)
      .first()
      .fill("49.5");
    await page.reload();
    await expect(page.getByText("Your unsaved changes were kept on this device")).toBeVisible();
    await expect(page.getByLabel(/sheath.*: figure$/).first()).toHaveValue("49.5");
    await page.getByRole("button", { name: "Start from the saved revision" }).click();
    await expect(page.getByLabel(/sheath.*: figure$/).first()).not.toHaveValue("49.5");
  });

  test("a revision is kept, compared with the one before, and put away with an undo", async ({ page }) => {
    await page.goto("/shelf/procedures/guided-insertion-250/edit");
    await page
      .getByLabel(/cleave.*: figure$/)
      .first()
      .fill("9.4");
    await page.getByRole("button", { name: /Keep as the next/ }).click();
    await expect(page.getByText(/your own/).first()).toBeVisible();
    await page.getByRole("button", { name: "Compare" }).first().click();
    await expect(page.getByText(/figure:/)).toContainText("9.4");
    await page.getByRole("button", { name: "Put away" }).click();
    await expect(page.getByText("representative figures").first()).toBeVisible();
    await page.getByRole("button", { name: "Undo" }).click();
    await expect(page.getByText("your own", { exact: true })).toBeVisible();
  });

  test("figures typed without a pause are all kept; none is told as wrong on the way to it", async ({
    page,
    request,
  }) => {
    const id = "guided-insertion-900";
    await page.goto(`/shelf/procedures/${id}/edit`);
    const figure = page.getByLabel(/cleave.*: figure$/).first();
    await figure.focus();
    const name = (await figure.getAttribute("aria-label"))?.replace(": figure", "");
    const row = page.getByRole("listitem").filter({ has: figure });
    await row.evaluate((list) => {
      new MutationObserver(() => {
        if (list.textContent?.includes("is not a length")) document.body.dataset.complained = "yes";
      }).observe(list, { subtree: true, childList: true, characterData: true });
    });
    for (const key of ["9.4", "Tab", "0.35", "Tab", "0.3"])
      await (key === "Tab" ? page.keyboard.press(key) : page.keyboard.type(key));
    await page.keyboard.press("Control+S");
    await page.waitForURL(`/shelf/procedures/${id}`);
    await expect(page.locator("body")).not.toHaveAttribute("data-complained");
    const { dimensions } = await (await request.get(`/api/v1/shelf/procedures/${id}`)).json();
    const saved = dimensions.find((dimension: { name: string }) => dimension.name === name);
    expect(saved).toMatchObject({ nominal: 9.4, plus: 0.35, minus: 0.3 });
  });

  test("at whatever pace a figure is typed, its field says what was typed, and what was taken back", async ({
    page,
  }) => {
    const figure = await cleaveFigure(page);
    const stood = await figure.inputValue();
    await figure.focus();
    for (const delay of [0, 45, 90, 110, 180]) {
      await page.keyboard.press("Control+A");
      await page.keyboard.type("9.45", { delay });
      await expect(figure).toHaveValue("9.45");
      await page.keyboard.press("Control+A");
      await page.keyboard.type("9.1", { delay });
      await expect(figure).toHaveValue("9.1");
    }
    await page.keyboard.type("7");
    await page.keyboard.press("Control+Z");
    await expect(figure).toHaveValue(stood);
    await page.keyboard.press("Control+Y");
    await expect(figure).toHaveValue("9.17");
  });

  test("what is typed before the page can answer is taken, and the next key goes behind it", async ({
    page,
  }) => {
    let answers = () => {};
    const ready = new Promise<void>((resolve) => {
      answers = resolve;
    });
    await page.route("**/_next/static/chunks/**", async (route) => {
      await ready;
      await route.continue();
    });
    const opened = page.goto("/shelf/procedures/guided-insertion-900/edit", { waitUntil: "commit" });
    const figure = page.getByLabel(/cleave.*: figure$/).first();
    await figure.focus();
    await page.keyboard.press("Control+A");
    await page.keyboard.type("9");
    answers();
    await opened;
    await expect(page.getByRole("button", { name: "Undo" })).toBeEnabled();
    await page.keyboard.type(".45");
    await expect(figure).toHaveValue("9.45");
    await page.keyboard.press("Control+Z");
    await expect(figure).not.toHaveValue(/^9(\.45)?$/);
  });

  test("the field that asks why takes its own typing back, and the document stands; keys go on from there", async ({
    page,
  }) => {
    const figure = await cleaveFigure(page);
    const stood = await figure.inputValue();
    await figure.fill("9.45");
    const why = page.getByRole("textbox", { name: "Why it was changed" });
    await why.pressSequentially("held");
    await why.press("Control+Z");
    await expect(why).not.toHaveValue("held");
    await expect(figure).toHaveValue("9.45");
    await figure.press("Control+Z");
    await expect(figure).toHaveValue(stood);
    await figure.press("Control+Shift+Z");
    await expect(figure).toHaveValue("9.45");
    await why.press("Control+S");
    await expect(page.getByText(/Kept as revision/)).toBeVisible();
  });

  test("what cannot be a figure is told once the field is left, or the hand stops", async ({ page }) => {
    const figure = await cleaveFigure(page);
    const row = page.getByRole("listitem").filter({ has: figure });
    await figure.fill("9.");
    await expect(row.getByText("“9.” is not a length.")).toBeVisible();
    await figure.fill("9.3");
    await expect(row.getByText("is not a length")).toHaveCount(0);
    await figure.fill("9..");
    await figure.press("Tab");
    await expect(row.getByText("“9..” is not a length.")).toBeVisible();
    await page.getByRole("button", { name: /Keep as/ }).click();
    await expect(page.getByText(/“9..” could not be read/)).toBeVisible();
  });

  test("two people at once: the second is told, and nothing is written over", async ({ page, request }) => {
    await page.goto("/shelf/procedures/cord-preparation/edit");
    const document = await (await request.get("/api/v1/shelf/procedures/cord-preparation")).json();
    const saved = await request.post("/api/v1/shelf/procedures", {
      data: { document: { ...document, about: "Theirs." }, basis: document.revision },
    });
    expect(saved.status()).toBe(201);
    await page.getByRole("tab", { name: "About" }).click();
    await page.getByLabel("In a few words").fill("Mine.");
    await page.getByRole("button", { name: /Keep as/ }).click();
    await expect(page.getByText(/Somebody saved revision/)).toBeVisible();
    const now = await (await request.get("/api/v1/shelf/procedures/cord-preparation")).json();
    expect(now.about).toBe("Theirs.");
  });
});

test("figures are checked against the part's sheet with Enter alone; two prints that disagree are caught", async ({
  page,
  request,
}) => {
  const [style, cable] = ["stub-one-stroke", "distribution-900-semi"];
  await page.goto(`/?cable=${cable}&style=${style}&as.interface=lc`);
  await page.keyboard.press("b");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog")).toBeVisible();
  const beside = page.getByLabel(/the same in the other unit/).first();
  await beside.fill("9 in");
  await page.getByRole("button", { name: "Confirm and start" }).click();
  await expect(page.getByText(/are printed for one length and differ by/)).toBeVisible();
  await beside.fill("");
  await page.getByRole("button", { name: "Confirm and start" }).click();
  await expect(page.getByText("Enter the name of whoever confirms the figures.")).toBeVisible();
  await page.getByLabel("Confirmed by").fill("Osla Brandt");
  await page.getByRole("button", { name: "Confirm and start" }).click();
  await expect(page.getByText(/Type the number of the part's sheet/)).toBeVisible();
  await page.getByLabel("Sheet number").fill("Q-114");
  await page
    .getByLabel(/: figure in/)
    .first()
    .focus();
  const figures = await page.getByLabel(/: figure in/).count();
  for (let i = 0; i < figures; i++) await page.keyboard.press("Enter");
  await page.keyboard.press("Enter");
  await page.waitForURL(/\/bench\/[0-9a-f-]{36}/);
  const saved = await (await request.get(`/api/v1/shelf/procedures/${style}`)).json();
  expect(saved.source.kind).toBe("own");
  expect(saved.confirmed).toHaveLength(figures);
});

test("a length and a look are added without text; what cannot be read is never dropped; a document come again can replace", async ({
  page,
  request,
}) => {
  await page.goto("/shelf/procedures/cord-preparation/edit");
  const length = page.getByRole("form", { name: "Add a length" });
  await length.getByLabel("Add a length: its name").fill("Tape mark");
  await length.getByLabel("mm").fill("ninety");
  await length.getByRole("button", { name: "Add length" }).click();
  await expect(length.getByRole("alert")).toContainText("Figure:");
  await length.getByLabel("mm").fill("90");
  await length.getByRole("button", { name: "Add length" }).click();
  const figure = page.getByLabel("Tape mark: figure", { exact: true });
  await expect(figure).toHaveValue("90");
  await figure.fill("9o");
  await page.getByRole("tab", { name: "Steps" }).click();
  await expect(figure, "the tab stays").toBeFocused();
  await page.getByRole("button", { name: /Keep as/ }).click();
  await expect(page.getByText("Tape mark: figure: “9o” could not be read.")).toBeVisible();
  await figure.fill("90");
  await page.getByRole("tab", { name: "Steps" }).click();
  const look = page.getByRole("form", { name: "Add a look" });
  await look.getByLabel("Another look: its title").fill("Is the tape straight?");
  await look.getByRole("button", { name: "Add it" }).click();
  await expect(look.getByRole("alert")).toContainText("Still empty: what is asked.");
  await look.getByLabel("What is asked").fill("Does the tape lie straight?");
  await look.getByLabel("Seen when all is well").fill("Straight");
  await look.getByLabel("Seen when it is not").fill("Skew");
  await look.getByRole("button", { name: "Add it" }).click();
  await page.getByRole("button", { name: /Keep as/ }).click();
  await page.waitForURL(/\/shelf\/procedures\/cord-preparation$/);
  const saved = await (await request.get("/api/v1/shelf/procedures/cord-preparation")).json();
  expect(saved.dimensions.map(({ name }: { name: string }) => name)).toContain("Tape mark");
  expect(saved.steps.map(({ title }: { title: string }) => title)).toContain("Is the tape straight?");
  await page.goto("/shelf/new");
  const file = {
    name: "cord.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify({ ...saved, about: "Come again." })),
  };
  await page.locator("input[type=file]").setInputFiles(file);
  await expect(page.getByRole("heading", { name: /is on the shelf already, at revision/ })).toBeVisible();
  await page.getByRole("button", { name: /^Replace it/ }).click();
  await page.getByRole("button", { name: "Keep as the next revision" }).click();
  await page.waitForURL(/\/shelf\/procedures\/cord-preparation$/);
  const next = await (await request.get("/api/v1/shelf/procedures/cord-preparation")).json();
  expect([next.revision, next.about]).toEqual([saved.revision + 1, "Come again."]);
});

test("taking back in the document's text takes back what was typed there, and nothing of the fields", async ({
  page,
}) => {
  await page.goto("/shelf/cables/central-tube-ribbon-96/edit");
  const name = page.getByLabel("Name", { exact: true });
  await name.fill("Ribbon of Row D");
  await page.getByText("As text", { exact: true }).click();
  const text = page.getByLabel("The document as JSON");
  const written = await text.inputValue();
  await text.press("End");
  await text.press("x");
  await expect(text).not.toHaveValue(written);
  await text.press("Control+z");
  await expect(text).toHaveValue(written);
  await expect(name).toHaveValue("Ribbon of Row D");
  await name.press("Control+z");
  await expect(name).toHaveValue("Central-tube ribbon, 8 × 12");
});

test("a sheet that spoils an end is told why, at its step and its place; a remedy that makes it worse, too", async ({
  page,
}) => {
  await page.goto("/shelf/procedures/stub-wedge-release-cord/edit");
  const match = page.getByRole("region", { name: "What is found" });
  await expect(match).toContainText("No contradictions.");
  const tab = (name: string) => page.getByRole("tab", { name, exact: true }).click();

  await tab("Parts");
  const bore = page.getByLabel("3 mm boot: bore", { exact: true });
  await bore.fill("2.2");
  await expect(match).toContainText(/Step \d+ cannot be done\./);
  await expect(match).toContainText("the 3 mm boot does not go over this cable: its bore is smaller");
  await bore.fill("");
  await expect(match).toContainText("No contradictions.");
  await match.getByText(/from the review/).click();
  await expect(match).toContainText("Enter the bore of the 3 mm boot, or say that it opens");
  await bore.fill("3.3");
  await expect(match).not.toContainText("Enter the bore of the 3 mm boot");

  await tab("Remedies");
  const cleave = page
    .getByRole("listitem")
    .filter({ has: page.getByRole("heading", { name: "cleave length" }) });
  const act = cleave
    .getByRole("group", { name: "Too short" })
    .getByRole("combobox", { name: /What to do/ })
    .first();
  const stood = ((await act.textContent()) ?? "").trim();
  await pick(page, act, "push it forward");
  await pick(
    page,
    cleave
      .getByRole("group", { name: "Too short" })
      .getByRole("combobox", { name: /What that moves/ })
      .first(),
    "buffer edge",
  );
  await expect(match).toContainText("This remedy is wrong.");
  await expect(match).toContainText("It moves the wrong way.");
  await pick(page, act, stood);
  await expect(match).toContainText("No contradictions.");

  await tab("Steps");
  // Before the wipe: nothing else of the document is against it.
  const earlier = page.getByRole("button", { name: "Cleave: earlier" });
  for (let times = 0; times < 8; times += 1) await earlier.click();
  await expect(match).toContainText(/Step \d+ cannot be done\./);
  await expect(page.getByRole("button", { name: /Keep as/ })).toBeDisabled();
  await match.getByRole("button", { name: "Show where" }).first().click();
});
