import { randomUUID } from "node:crypto";
import type { Page } from "@playwright/test";
import type { EventInput } from "@/core";
import { CLOSURE, PLAN } from "../harness/plans";
import { addEvents, expect, lineOf, loadedBy, test } from "../harness/server";
import { notNow, pick, pickByLetters } from "./work";

const HILL = {
  ...PLAN,
  name: "Hill feeder",
  cable: "loose-tube-36",
  route: [{ kind: "span", name: "along the lane", length: 900_000, allowancePct: 1 }],
};

test("a cable is opened at a station planned by keyboard, joined in a closure, its fibre known by its colours, a stub out of range cut back", async ({
  page,
  request,
}) => {
  test.setTimeout(240_000);
  const press = (key: string) => page.keyboard.press(key);
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name: "Hill cottages" } })).json();
  const { pieces } = await (
    await request.post(`/api/v1/jobs/${job}`, { data: { pieces: [{ plan: HILL }] } })
  ).json();
  await page.goto(`/jobs/${job}/${pieces[0].id}`);
  const set = async (label: string | RegExp, text: string) => {
    await page.getByLabel(label).focus();
    await press("Control+A");
    await page.keyboard.type(text);
    await press("Enter");
  };
  await page.getByRole("button", { name: "Add a station" }).focus();
  await press("Enter");
  await set("What is there", "Cottages' pole");
  await set("From side A's end, m", "0.1");
  await expect(page.getByText(/Cottages' pole lies beyond the piece/)).toBeVisible();
  await set("From side A's end, m", "400");
  await page.getByLabel("Opened by").focus();
  await pickByLetters(page, "Pedestal");
  await set(/^Fibres parted/, "7, 99");
  await expect(page.getByText(/Numbers from 1 to 36/)).toBeVisible();
  await set(/^Fibres parted/, "7");
  await expect(page.getByRole("button", { name: /^Cottages' pole/ })).toContainText("parts 7");
  await page.getByLabel("Then on each that is parted").focus();
  await pickByLetters(page, "Fusion splice-on");
  await expect(page.getByRole("slider", { name: "Where Cottages' pole lies" })).toHaveAttribute(
    "aria-valuetext",
    "400.00 m",
  );
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();

  await page.goto(`/jobs/${job}`);
  await page.getByLabel("New closure").focus();
  await page.keyboard.type("Cottages' pole");
  await press("Tab");
  await pickByLetters(page, "Pedestal");
  await page.getByRole("button", { name: "Add", exact: true }).focus();
  await press("Enter");
  await expect(page.getByRole("heading", { name: "Cottages' pole" })).toBeVisible();
  await page.getByLabel("A piece of the job").focus();
  await pickByLetters(page, "Hill feeder, Cottages");
  await page.getByRole("button", { name: "Bring the piece in" }).focus();
  await press("Enter");
  const cable = page.getByRole("listitem").filter({ hasText: "Stranded loose tube" });
  await expect(cable).toContainText("ports P1 + P2");
  await expect(cable.getByRole("link", { name: "Hill feeder, Cottages' pole" })).toBeVisible();
  await expect(page.getByRole("combobox", { name: "Fibre to part" })).toContainText(
    "7: tube 2 OR, fibre 1 BL, in the middle",
  );
  await cable.getByRole("button", { name: /^To the bench/ }).focus();
  await press("Enter");
  await notNow(page);
  await page.waitForURL(/\/bench\/[0-9a-f-]{36}$/);

  const end = page.url().split("/").at(-1) ?? "";
  await goTo(page, end, "before-cut", "Before the cut");
  await expect(page.getByText("tube 2 OR, fibre 1 BL, cut in the middle of the opening")).toBeVisible();
  await page.getByRole("button", { name: "BL, Blue" }).click();
  await expect(page.getByText("Do not cut.")).toBeVisible();
  await expect(page.getByText("A wrong cut takes others off the air.")).toBeVisible();
  await page.getByRole("button", { name: "Choose again" }).click();
  await page.getByRole("button", { name: "OR, Orange" }).click();
  await page.getByRole("button", { name: "BL, Blue" }).click();
  await expect(page.getByText("This is it: tube OR, fibre BL.")).toBeVisible();
  await expect(page.getByText("It may be cut.")).toBeVisible();
  await expect
    .poll(async () => (await (await request.get(`/api/v1/ends/${end}/record`)).json()).looks)
    .toContainEqual(expect.objectContaining({ colours: ["fibre 7: tube OR, fibre BL"] }));

  await goTo(page, end, "measure-members", "Measure the member stubs");
  await page.locator("#reading").fill("75");
  await press("Enter");
  const reported = page.getByRole("region", { name: "What to do" });
  await expect(reported).toContainText(/Rework this much, side [AB]/);
  await expect(reported).toContainText(/member/i);
  await reported.getByRole("button", { name: /^Take it: back to “Cut the members/ }).click();
  await expect(page.locator("#step")).toContainText("Cut the members");
  await press("PageDown");
  await expect(page.locator("#step")).toContainText("Measure the member stubs");
  await page.locator("#reading").fill("64");
  await press("Enter");
  await expect(
    page.getByLabel("Lengths to read").filter({ visible: true }).getByRole("button", { name: /, in/ }),
  ).toHaveCount(1);

  // Short by more than side A may be alone, and side B has next to nothing over: either can be opened further.
  await goTo(page, end, "measure", "Measure both edges");
  const { lengths } = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  const halves: { id: string; leg: string; min: number; nominal: number; otherSide: number | null }[] =
    lengths.filter(({ name }: { name: string }) => name === "centre mark to the sheath edge");
  const read = halves.map(({ id: of, leg, min, nominal }): EventInput => {
    const value = Math.round((leg === "A" ? 2 * min - nominal - 2 : nominal) * 1_000);
    return {
      kind: "reading",
      check: of,
      value,
      typed: String(value / 1_000),
      unit: "mm",
      instrument: { id: "steel-rule", name: "Steel rule", resolution: 500, repeatability: 200 },
    };
  });
  await addEvents(request, end, read, 99);
  await page.reload();
  await expect(reported.first()).toContainText(/Rework this much, side [AB]; or side [AB] instead, below/);
  await expect(reported.nth(1)).toContainText(/Or rework this much instead, side [AB]/);
  await reported
    .nth(1)
    .getByRole("button", { name: /^Take it: back to “Mark both sheath edges/ })
    .click();
  await expect(page.locator("#step")).toContainText("Mark both sheath edges");

  await page.goto(`/jobs/${job}`);
  await page.getByRole("link", { name: /Cottages' pole/ }).click();
  await expect(cable).toContainText("at the bench");
  await expect(cable.getByRole("link", { name: "Go on" })).toHaveAttribute("href", `/bench/${end}`);
});

const POLE = { cable: "loose-tube-36-mid-span", procedure: "entry-pedestal-through", core: "9/125" };

/** Stands the opening at a step, with all parts on, and looks at it. */
async function goTo(page: Page, end: string, step: string, title: string): Promise<void> {
  const record = await (await page.request.get(`/api/v1/ends/${end}/record`)).json();
  const on = record.parts.map(
    ({ id: part }: { id: string }): EventInput => ({ kind: "thread", part, on: true }),
  );
  await addEvents(page.request, end, [...on, { kind: "step", to: lineOf(step, POLE) }], 99);
  await page.reload();
  await expect(page.locator("#step")).toContainText(title);
}

test("a closure's six like cables go to the bench as one batch, and it can be taken off the job and put back", async ({
  page,
  request,
}) => {
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name: "Weather hut" } })).json();
  const plan = { ...CLOSURE, name: "Hut wall", entry: "entry-wall-box", cables: [] };
  await request.post(`/api/v1/jobs/${job}/closures`, { data: { plan } });
  await page.goto(`/jobs/${job}`);
  await page.getByRole("link", { name: /Hut wall/ }).click();
  await pick(page, page.getByLabel("Cable", { exact: true }), "Flat drop");
  await page.getByLabel("How many").fill("6");
  await page.getByRole("button", { name: "Bring it in" }).click();
  await expect(page.getByRole("listitem").filter({ hasText: "Flat drop (6)" })).toContainText("port G10");
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  await page.getByRole("button", { name: "6 × Flat drop as a batch" }).click();
  await notNow(page);
  await page.waitForURL(/\/bench\/batch\//);
  await expect(page.getByText("Hut wall, cable 6", { exact: true }).first()).toBeVisible();

  await page.goto(`/jobs/${job}`);
  await page.getByRole("button", { name: "Take Hut wall off the job" }).click();
  await expect(page.getByText("No closure yet. A closure is where pieces are joined.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: /Hut wall/ })).toContainText("6 cables");
  await page.getByRole("link", { name: /Hut wall/ }).click();
  const first = page.getByRole("listitem").filter({ hasText: "Flat drop (1)" });
  await expect(first).toContainText("at the bench");
  await expect(first.getByRole("link", { name: "Go on" })).toHaveAttribute("href", /\/bench\/batch\//);
});

test("what is planned of an entry is kept in a job, and two at once never overwrite one another", async ({
  page,
  request,
}) => {
  const name = "Moor, two planners";
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name } })).json();
  await page.goto("/entry/entry-dome-gel?c=loose-tube-36~branch~~");
  await pick(page, page.getByLabel("Keep it in"), name);
  await page.getByRole("button", { name: "Keep in the job" }).click();
  await expect(
    page.getByText("Enter the closure's name, for example where it hangs or stands."),
  ).toBeVisible();
  await page.getByLabel("As", { exact: true }).fill("Pad 9");
  await page.getByRole("button", { name: "Keep in the job" }).click();
  await page.waitForURL(new RegExp(`/jobs/${job}/closures/`));
  const id = page.url().split("/").at(-1);
  // Nothing is heard of it here before something is changed.
  await page.route("**/api/v1/pulse", (route) => route.abort());
  await request.post(`/api/v1/closures/${id}`, { data: { basis: 1, plan: { ...CLOSURE, name: "Pad 9" } } });
  await pick(page, page.getByLabel("For").first(), "through");
  await expect(page.getByText("The last change is not saved.")).toBeVisible();
  await loadedBy(page, () => page.getByRole("button", { name: "Load it as it is now" }).click());
  await expect(page.getByText("The last change is not saved.")).toBeHidden();
  await page.getByRole("button", { name: "Rename" }).click();
  await page.getByLabel("What it is called").fill("Pad 9, east");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Pad 9, east" })).toBeVisible();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  const saved = await (await request.get(`/api/v1/closures/${id}`)).json();
  expect([saved.plan.name, saved.revision]).toEqual(["Pad 9, east", 3]);
  await page.unroute("**/api/v1/pulse");
  await request.post(`/api/v1/closures/${id}`, {
    data: { basis: 3, plan: { ...CLOSURE, name: "Pad 9, west" } },
  });
  await expect(page.getByRole("heading", { name: "Pad 9, west" })).toBeVisible();
});

test("a job's page shows what is done elsewhere without being loaded again", async ({ page, request }) => {
  const { id: job } = await (
    await request.post("/api/v1/jobs", { data: { name: "Moor, seen live" } })
  ).json();
  const opened = {
    id: randomUUID(),
    place: "lane pole",
    along: 400_000,
    procedure: "entry-pedestal-through",
  };
  const added = await request.post(`/api/v1/jobs/${job}`, {
    data: { pieces: [{ plan: { ...HILL, stations: [opened] } }] },
  });
  const [piece] = (await added.json()).pieces;
  await page.goto(`/jobs/${job}`);
  await expect(page.getByText("1 to do")).toBeVisible();
  const place = { side: opened.id, addresses: [[]] };
  expect((await request.post(`/api/v1/pieces/${piece.id}/ends`, { data: place })).status()).toBe(201);
  await expect(page.getByText("1 at the bench")).toBeVisible();
  await request.post(`/api/v1/jobs/${job}/closures`, { data: { plan: { ...CLOSURE, name: "Lane pole" } } });
  await expect(page.getByRole("link", { name: /Lane pole/ })).toBeVisible();
});

test("an entry is duplicated on the shelf, changed with its drawing and from a list of lengths, and used like any other", async ({
  page,
}) => {
  const id = `moor-post-${randomUUID().slice(0, 8)}`;
  await page.goto("/shelf");
  await page
    .getByRole("region", { name: "Entries" })
    .getByRole("link", { name: /Pedestal/ })
    .click();
  await expect(page.getByRole("row", { name: /members beyond the sheath/ })).toContainText("64.0");
  await page.getByRole("link", { name: "Duplicate" }).click();
  await page.getByLabel("Name", { exact: true }).fill("Moor post");
  await page.getByLabel("Face: width, mm").fill("210");
  const members = page.getByRole("listitem").filter({ hasText: "members beyond the sheath" });
  await members.getByText("Another figure for some cables").click();
  await pick(page, members.getByRole("combobox"), "with armour");
  await page.getByLabel("members beyond the sheath, with armour: figure, mm").fill("81");
  await page.getByLabel(/^Id, as it is filed under/).fill(id);
  const said = page.getByText("Not complete yet.").locator("..");
  await page.getByLabel("Port P5: right of the middle, mm").fill("900");
  await expect(said).toContainText("Port P5 lies beyond the face it is in");
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(said).toHaveCount(0);
  await page.getByRole("button", { name: "Add a port" }).click();
  await page.getByLabel("Port 6: above the middle, mm").fill("-5");
  await page.getByText("From a list of lengths").click();
  await page.getByRole("textbox", { name: /^One row a length/ }).fill("ferrule, , 3, mm, 1, 1");
  await page.getByRole("button", { name: "Take them" }).click();
  await expect(page.getByText(/^Row 1: an entry has no length called “ferrule”/)).toBeVisible();
  await page
    .getByRole("textbox", { name: /^One row a length/ })
    .fill("sheath opening, cable end, 1300, mm, 15, 15");
  await page.getByRole("button", { name: "Take them" }).click();
  await expect(page.getByLabel("sheath opening: figure, mm")).toHaveValue("1300");
  await expect(page.getByRole("figure", { name: "Opened, along the cables" })).toContainText("1300.0 opened");
  await page.getByLabel("armour beyond the sheath: figure, mm").fill("40");
  await expect(said).toContainText("inside “armour” that stands out 40.0: change one of the two");
  await expect(page.getByRole("button", { name: "Keep as revision 1" })).toBeDisabled();
  await page.getByRole("button", { name: "Undo" }).click();
  const bushing = page.getByLabel("bushing: only where the port needs one").first();
  await bushing.check();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(bushing).not.toBeChecked();
  await page.getByRole("button", { name: "Keep as revision 1" }).click();
  await page.waitForURL(`**/shelf/entries/${id}`);
  await page.getByRole("link", { name: "Use it" }).click();
  await expect(page.getByRole("heading", { name: "Moor post" })).toBeVisible();
  await expect(page.getByText("6 ports")).toBeVisible();
  await pick(page, page.getByLabel("Cable", { exact: true }), "Stranded loose tube, 6 × 6");
  await page.getByRole("button", { name: "Bring it in" }).click();
  await expect(page.getByRole("row", { name: /sheath opening/ })).toContainText("1300.0");
});
