import { randomUUID } from "node:crypto";
import type { APIRequestContext, Locator } from "@playwright/test";
import { type EventInput, parseAddress } from "@/core";
import { PLAN } from "../harness/plans";
import { addEvents, expect, loadedBy, THREADED, test } from "../harness/server";
import { begin, notNow, pickByLetters, underMessage } from "./work";

const { A: SIDE } = PLAN.sides;

/** A job with one piece, as it is planned. @returns both ids. */
async function planned(request: APIRequestContext, plan: object): Promise<{ job: string; piece: string }> {
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name: "South ring" } })).json();
  const added = await request.post(`/api/v1/jobs/${job}`, {
    data: { pieces: [{ plan: { ...PLAN, ...plan } }] },
  });
  expect(added.status(), await added.text()).toBe(201);
  const { pieces } = await added.json();
  return { job, piece: pieces[0].id };
}

/** Begins the end at an address by the interface for programs. @returns its id. */
async function beginAt(request: APIRequestContext, piece: string, side: string, at: string, style?: object) {
  const answer = await request.post(`/api/v1/pieces/${piece}/ends`, {
    data: { side, addresses: [parseAddress(at)], ...(style ? { style } : {}) },
  });
  expect(answer.status(), await answer.text()).toBe(201);
  return (await answer.json()).id as string;
}

/** Threads everything an end asks for on, and signs it off. */
async function signOff(request: APIRequestContext, end: string, outcome: "kept" | "cut-off" = "kept") {
  const record = await (await request.get(`/api/v1/ends/${end}/record`)).json();
  const on = record.parts.map(({ id: part }: { id: string }) => ({ kind: "thread", part, on: true }));
  const sign: EventInput = { kind: "sign", name: "Wyn Harrow", outcome };
  await addEvents(request, end, [...on, sign], 99);
}

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
  await expect(page.getByText("Enter the piece's name")).toBeVisible();
  await type("Pad 7 feeder");
  await press("Tab");
  await pickByLetters(page, "Tight-buffer 900 dist");
  await press("Tab");
  await press("Enter");
  await expect(page.getByRole("heading", { name: "Pad 7 feeder" })).toBeVisible();

  await page.getByLabel("Ended by").focus();
  await pickByLetters(page, "Stub, cam and crimp");
  await page.getByLabel("Ends here").fill("12");
  await press("Enter");
  await page.getByLabel("Come out well, %").fill("90");
  await press("Enter");
  await expect(page.getByRole("button", { name: /2 tries|1 try/ }).first()).toBeVisible();
  await page.getByRole("button", { name: "Add a stretch" }).focus();
  await press("Enter");
  // Nothing of a stretch is invented: what nobody has said is asked for.
  await expect(page.getByLabel("Length, m")).toHaveValue("");
  await expect(page.getByText("Missing, and not in the cut:")).toBeVisible();
  await page.getByLabel("Length, m").fill("212");
  await press("Enter");
  await page.getByLabel("Allowance, %").fill("2");
  await press("Enter");
  await expect(page.getByRole("button", { name: /duct/ })).toContainText("216.24");
  const cut = page.getByRole("region", { name: "Cut" }).locator("p").first();
  await expect(cut).toContainText(/216\.\d\d/);

  await page.getByRole("button", { name: "Add a loop" }).focus();
  await press("Enter");
  const before = await cut.textContent();
  await expect(page.getByLabel("Turns")).toHaveText("? turns");
  await page.getByLabel("Once round, m").fill("4 ft 8 in");
  await press("Enter");
  await expect(page.getByLabel("Once round, m")).toHaveValue("1.422");
  await page.getByRole("button", { name: "One turn more" }).focus();
  for (let turn = 0; turn < 5; turn++) await press("Enter");
  await expect(page.getByLabel("Turns")).toHaveText("5 turns");
  await expect(cut).not.toHaveText(before ?? "");

  await page.getByLabel("Once round, m").fill("0.1");
  await press("Enter");
  await expect(page.getByText("Change not allowed. Nothing was changed.")).toBeVisible();
  await expect(page.getByText(/this cable rests at no less than/)).toBeVisible();
  await page.getByLabel("Once round, m").fill("-2");
  await press("Enter");
  await expect(page.getByText(/Enter metres, 0 or more, for example 212.04/)).toBeVisible();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();

  await page.locator("main").click({ position: { x: 4, y: 4 } });
  await press("z");
  await expect(page.getByLabel("Turns")).toHaveText("4 turns");
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  const saved = await cut.textContent();
  await page.reload();
  await expect(cut).toHaveText(saved ?? "");

  await page.getByRole("link", { name: "Quillmere, north ring" }).click();
  await page.getByRole("button", { name: "Take Pad 7 feeder off the job" }).click();
  await expect(page.getByText("No piece yet.")).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: /Pad 7 feeder/ })).toBeVisible();
  await page.getByRole("button", { name: "Duplicate Pad 7 feeder" }).click();
  await expect(page.getByRole("link", { name: /Pad 7 feeder, copy/ })).toBeVisible();
});

test("a key struck right after a pick goes on from where it was picked, and nothing takes it back", async ({
  page,
}) => {
  const press = (key: string) => page.keyboard.press(key);
  await page.goto("/jobs");
  await page.getByLabel(/New job|No job yet/).fill("East ring");
  await press("Enter");
  await page.getByLabel("New piece").fill("Pad 2 feeder");
  await press("Tab");
  await press("Enter");
  await page.keyboard.type("Tight");
  await expect(page.locator("[role=option]:focus")).toContainText("Tight");
  // A device so busy that what waits for its turn comes after the next keys.
  await page.evaluate(() => {
    const late = new Map<number, () => void>();
    const setTimeout = (act: () => void) => {
      late.set(-late.size - 1, act);
      return -late.size;
    };
    const clearTimeout = (id: number) => late.delete(id);
    Object.assign(window, { setTimeout, clearTimeout, comeLate: () => late.forEach((act) => void act()) });
  });
  await press("Enter");
  await expect(page.getByRole("option")).toHaveCount(0);
  await press("Tab");
  const next = page.getByLabel("How many");
  await expect(next).toBeFocused();
  await page.evaluate("comeLate()");
  await expect(next).toBeFocused();
});

test("what somebody else changed meanwhile is not overwritten, and said", async ({ page, request }) => {
  const { id } = await (await request.post("/api/v1/jobs", { data: { name: "Moor" } })).json();
  const plan = { ...PLAN, name: "Pad 5 feeder" };
  const added = await request.post(`/api/v1/jobs/${id}`, { data: { pieces: [{ plan }] } });
  const [piece] = (await added.json()).pieces;
  // Nothing is heard of it here before something is changed.
  await page.route("**/api/v1/pulse", (route) => route.abort());
  await page.goto(`/jobs/${id}/${piece.id}`);
  const other = { ...plan, name: "Pad 5 feeder, new route" };
  const saved = await request.post(`/api/v1/pieces/${piece.id}`, { data: { basis: 1, plan: other } });
  expect(saved.status()).toBe(200);
  await page.getByRole("button", { name: "Add a stretch" }).click();
  await expect(page.getByText("The last change is not saved.")).toBeVisible();
  await expect(page.getByText(/Somebody else has changed this piece\./)).toBeVisible();
  const { pieces } = await (await request.get(`/api/v1/jobs/${id}`)).json();
  expect(pieces.map((piece: { plan: { name: string } }) => piece.plan.name)).toEqual([
    "Pad 5 feeder, new route",
  ]);
  await loadedBy(page, () => page.getByRole("button", { name: "Load it as it is now" }).click());
  await expect(page.getByRole("heading", { name: "Pad 5 feeder, new route" })).toBeVisible();
  await page.getByRole("button", { name: "Add a stretch" }).click();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  await page.goto(`/jobs/${id}/nowhere`);
  await expect(page.getByRole("heading", { level: 1 })).not.toHaveText("Pad 5 feeder");
});

test("what somebody else changed is shown where the piece is looked at, and gone on from", async ({
  page,
  request,
}) => {
  const { id } = await (await request.post("/api/v1/jobs", { data: { name: "Moor, looked at" } })).json();
  const plan = { ...PLAN, name: "Pad 6 feeder" };
  const added = await request.post(`/api/v1/jobs/${id}`, { data: { pieces: [{ plan }] } });
  const [piece] = (await added.json()).pieces;
  await page.goto(`/jobs/${id}/${piece.id}`);
  await page.getByRole("button", { name: "Add a stretch" }).click();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  const saved = await request.post(`/api/v1/pieces/${piece.id}`, {
    data: { basis: 2, plan: { ...plan, name: "Pad 6 feeder, new route" } },
  });
  expect(saved.status()).toBe(200);
  await expect(page.getByRole("heading", { name: "Pad 6 feeder, new route" })).toBeVisible();
  await expect(page.getByText("Changed elsewhere: this is the current version.")).toBeVisible();
  await page.getByRole("button", { name: "Add a stretch" }).click();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  const { pieces } = await (await request.get(`/api/v1/jobs/${id}`)).json();
  expect([pieces[0].plan.name, pieces[0].plan.route.length]).toEqual([
    "Pad 6 feeder, new route",
    plan.route.length + 1,
  ]);
});

test("a piece goes from its plan to both ends on record, and each knows the other", async ({
  page,
  request,
}) => {
  const side = {
    ...SIDE,
    procedure: "stub-wedge-release-cord",
    choices: { interface: "lc" },
    ends: 1,
    retries: 1,
  };
  const { job } = await planned(request, {
    name: "Hall cord 12",
    cable: "simplex-3.0",
    sides: { A: { ...side, place: "Rack C" }, B: { ...side, place: "Rack F" } },
  });
  await page.goto(`/jobs/${job}`);
  await expect(page.getByText("2 to do")).toBeVisible();
  for (const [here, there] of [
    ["A", "not begun"],
    ["B", "not all measured, by Wyn Harrow"],
  ] as const) {
    await expect(page.getByText(`Hall cord 12, side ${here}`)).toBeVisible();
    await page.getByRole("link", { name: "Its sheet" }).click();
    await expect(page.getByRole("link", { name: `Hall cord 12, side ${here}` })).toBeVisible();
    await expect(page.getByRole("button", { name: "To the bench" })).toBeVisible();
    await begin(page);
    await expect(page.getByText(`side ${here}`).first()).toBeVisible();
    await expect(page.getByText(there)).toBeVisible();
    await expect(page.getByText(/mm slack: the last try/)).toBeVisible();
    const end = page.url().split("/").at(-1) ?? "";
    await addEvents(request, end, [...THREADED, { kind: "sign", name: "Wyn Harrow", outcome: "kept" }], 99);
    await page.reload();
    await page.getByRole("link", { name: "On with South ring" }).click();
  }
  await expect(page.getByText("2 not all measured")).toBeVisible();
  await page.getByRole("link", { name: /Hall cord 12/ }).click();
  await page.getByRole("link", { name: "Record" }).first().click();
  await expect(page.getByText("Hall cord 12, side A, plan 1")).toBeVisible();
  const far = page.getByRole("region", { name: /The other end/ });
  await expect(far).toContainText("side B: Stub, wedge release");
  await expect(far).toContainText("by Wyn Harrow");
});

test("a tube is broken out, its fibres ended as a batch, one lost and begun again; the slack drops", async ({
  page,
  request,
}) => {
  const onto = { procedure: "stub-wedge-release-900", choices: { interface: "lc" } };
  const side = { ...SIDE, procedure: "breakout-kit-12", ends: 1, onto, slack: 300 };
  const { job, piece } = await planned(request, {
    name: "Pad 9 feeder",
    cable: "loose-tube-144",
    sides: { A: side, B: SIDE },
  });
  await signOff(request, await beginAt(request, piece, "A", "tube 1"));
  await page.goto(`/jobs/${job}/${piece}`);
  const ends = page.getByRole("region", { name: "Side A" });
  await expect(ends.getByRole("listitem")).toHaveCount(13);
  await ends.getByRole("button", { name: "12 as a batch" }).click();
  await page.getByRole("button", { name: "Back" }).click();
  await expect(page.getByText("Check these against the part's data sheet")).toBeHidden();
  await ends.getByRole("button", { name: "12 as a batch" }).click();
  await notNow(page);
  await page.waitForURL(/\/bench\/batch\//);
  await expect(page.getByText("Pad 9 feeder, side A, tube 1 / fibre 12, aqua").first()).toBeVisible();
  const batch = page.url().split("/").at(-1);
  const members = (await (await request.get(`/api/v1/batches/${batch}`)).json()).ends;
  for (const [i, { id }] of members.entries()) await signOff(request, id, i === 6 ? "cut-off" : "kept");

  await page.goto(`/jobs/${job}/${piece}`);
  const lost = ends.getByRole("listitem").filter({ hasText: /fibre 7(?!\d)/ });
  await expect(lost).toContainText("cut off");
  await lost.getByRole("button", { name: /Make it again/ }).click();
  await notNow(page);
  await page.waitForURL(/\/bench\/[0-9a-f-]{36}$/);
  const slack = page.getByRole("status").filter({ hasText: "mm slack" });
  await expect(slack).toHaveText(/^300 mm slack/);
  const end = page.url().split("/").at(-1) ?? "";
  await addEvents(request, end, [{ kind: "spare", length: 40_000 }], 99);
  await expect(slack).toHaveText(/^40 mm slack: no further try/);
  await page.goto(`/jobs/${job}`);
  await expect(page.getByText("1 at the bench")).toBeVisible();
  await expect(page.getByRole("link", { name: "Go on at the bench" })).toBeVisible();
});

test("what does not go with the other end is told before the first cut", async ({ page, request }) => {
  const side = { ...SIDE, procedure: "stub-two-fibre", ends: 1 };
  const { piece } = await planned(request, {
    name: "Sensor pair",
    cable: "pair-900",
    sides: { A: side, B: side },
  });
  const style = (runEnd: string) => ({ procedure: "stub-two-fibre", choices: { "run-end": runEnd } });
  const far = await beginAt(request, piece, "B", "", style("a"));
  const here = await beginAt(request, piece, "A", "", style("a"));
  await page.goto(`/bench/${here}`);
  const reported = page.getByRole("alert").filter({ hasText: "Does not go with the other end." });
  await expect(reported).toContainText(
    "End of the run: here end A, made there end A. One must be the other.",
  );
  await addEvents(request, far, [{ kind: "sign", name: "Wyn Harrow", outcome: "discarded" }], 99);
  const again = await beginAt(request, piece, "B", "", style("b"));
  await page.reload();
  await expect(page.getByRole("link", { name: "Sensor pair, side A" })).toBeVisible();
  await expect(reported).toHaveCount(0);
  await page.goto(`/bench/${again}`);
  await expect(page.getByText(/at side B|Other end at side A/)).toBeVisible();
  const taken = await request.post(`/api/v1/pieces/${piece}/ends`, { data: { side: "A", addresses: [[]] } });
  expect([taken.status(), (await taken.json()).error.code]).toEqual([409, "moved-on"]);
  await page.goto(`/?piece=${piece}&side=A&at=fibre+9`);
  await expect(page.getByRole("alert").filter({ hasText: /holds legs, not fibres/ })).toBeVisible();
});

test("many pieces are added at once by a pattern, found by their names, and renamed with the names told before", async ({
  page,
  request,
}) => {
  const { job } = await planned(request, { name: "Pad 1 feeder" });
  await page.goto(`/jobs/${job}`);
  await page.getByLabel("New piece").fill("Cottage # drop");
  await page.getByLabel("How many").fill("70");
  await expect(
    page.getByText("Cottage 1 drop, Cottage 2 drop, Cottage 3 drop, … Cottage 70 drop"),
  ).toBeVisible();
  await page.getByLabel("Its cable, or a piece it is like").click();
  await page.getByRole("option", { name: "like Pad 1 feeder" }).click();
  await page.getByRole("button", { name: "Add 70" }).click();
  await expect(page.getByText("71 pieces")).toBeVisible();
  expect(await underMessage(page)).toEqual([]);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByText("1 piece ·")).toBeVisible();
  await page.getByLabel("New piece").fill("Cottage # drop");
  await page.getByLabel("How many").fill("70");
  await page.getByLabel("Its cable, or a piece it is like").click();
  await page.getByRole("option", { name: "like Pad 1 feeder" }).click();
  await page.getByRole("button", { name: "Add 70" }).click();
  await expect(page.getByText("71 pieces")).toBeVisible();
  await page.getByRole("link", { name: "Further" }).click();
  await expect(page.getByRole("link", { name: /^Cottage 30 drop/ })).toBeVisible();
  await page.getByRole("link", { name: "Further" }).click();
  await expect(page.getByRole("link", { name: /^Cottage 70 drop/ })).toBeVisible();
  await page.getByLabel("Find a piece").fill("cottage 7");
  await page.keyboard.press("Enter");
  await expect(page.getByText("8 of 71 pieces.")).toBeVisible();
  await page.getByText("Rename these pieces").click();
  await page.getByLabel("Instead of").fill("Cottage");
  await page.getByLabel("Say", { exact: true }).fill("Hill cottage");
  await expect(page.getByText("Cottage 7 drop → Hill cottage 7 drop")).toBeVisible();
  await page.getByRole("button", { name: "Rename 8" }).click();
  await expect(page.getByRole("link", { name: /^Hill cottage 70 drop/ })).toBeVisible();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("link", { name: /^Cottage 70 drop/ })).toBeVisible();
});

test("what is dragged on the whole piece takes the cut along, and is one change", async ({
  page,
  request,
}) => {
  const { job, piece } = await planned(request, {
    name: "Pad 2 feeder",
    route: [{ kind: "duct", name: "", length: 100_000, allowancePct: 0 }],
    loops: [{ name: "coil", after: 1, turns: 2, perimeter: 2_000 }],
  });
  await page.goto(`/jobs/${job}/${piece}`);
  const cut = page.getByRole("region", { name: "Cut" }).locator("p").first();
  const before = Number.parseFloat((await cut.textContent()) ?? "");
  const metres = async () => Number.parseFloat((await cut.textContent()) ?? "");
  const loop = page.getByRole("slider", { name: "Stored in coil" });
  const take = async (handle: Locator) => {
    const box = await handle.boundingBox();
    if (!box) throw new Error("the handle is not in sight");
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    return (px: number) => page.mouse.move(box.x + box.width / 2 + px, box.y + box.height / 2);
  };
  const to = await take(loop);
  await to(72);
  // Shown while it is held, and kept only once it is let go.
  await expect.poll(metres).toBeCloseTo(before + 3 * 2, 3);
  await expect(page.getByRole("button", { name: "Undo" })).toBeDisabled();
  await page.keyboard.press("Escape");
  await page.mouse.up();
  await expect.poll(metres).toBeCloseTo(before, 3);
  const again = await take(loop);
  await again(24);
  await again(48);
  await page.mouse.up();
  await expect(loop).toHaveAttribute("aria-valuetext", "4 turns");
  await expect.poll(metres).toBeCloseTo(before + 4, 3);
  const route = page.getByRole("slider", { name: "How far along duct" });
  const along = await take(route);
  await along(-140);
  await page.mouse.up();
  await expect.poll(metres).toBeLessThan(before - 40);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect.poll(metres).toBeCloseTo(before + 4, 3);
  await loop.focus();
  await page.keyboard.press("ArrowUp");
  await expect.poll(metres).toBeCloseTo(before + 6, 3);
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  await page.reload();
  expect(await metres()).toBeCloseTo(before + 6, 3);
});

test("each leg of a cord has its own progress, at the bench, on the record and at its piece", async ({
  page,
  request,
}) => {
  const { job, piece } = await planned(request, {
    name: "Hall cord 3",
    cable: "duplex-3.0",
    core: "62.5/125",
    sides: { A: { ...SIDE, procedure: "adhesive-polish-duplex", ends: 1 }, B: SIDE },
  });
  const end = await beginAt(request, piece, "A", "");
  const record = async () => (await request.get(`/api/v1/ends/${end}/record`)).json();
  const own = (await record()).lengths.filter(({ leg }: { leg: string }) => leg === "A");
  await addEvents(
    request,
    end,
    own.map(({ id: check, nominal }: { id: string; nominal: number }) => ({
      kind: "reading",
      check,
      value: nominal * 1000,
      typed: String(nominal),
      unit: "mm",
      instrument: { id: "digital-calliper", name: "Digital calliper", resolution: 10, repeatability: 20 },
    })),
  );
  const [a, b] = [
    `Leg A in, ${own.length} of ${own.length} read`,
    `Leg B not all measured, 0 of ${own.length} read`,
  ];
  await page.goto(`/bench/${end}`);
  const legs = page.getByRole("list", { name: "Legs" }).getByRole("listitem");
  await expect(legs.nth(0)).toContainText(a);
  await expect(legs.nth(1)).toContainText(b);
  await page.goto(`/jobs/${job}/${piece}`);
  await expect(page.getByRole("region", { name: "Side A" })).toContainText(`${a}; ${b}`);
  expect((await record()).legs).toEqual([
    { leg: "A", kind: "leg", address: "leg 1", lengths: own.length, read: own.length, result: "in" },
    { leg: "B", kind: "leg", address: "leg 2", lengths: own.length, read: 0, result: "unmeasured" },
  ]);
});

test("a job begins like a usual site, with all its pieces", async ({ page, request }) => {
  await planned(request, { name: "Usual feeder" });
  const list = await (await request.get("/api/v1/jobs")).json();
  await page.goto("/jobs");
  await page.getByLabel("New job").fill("South ring");
  await page.getByLabel("Its pieces").click();
  await page
    .getByRole("option", { name: `like ${list.rows[0].name}` })
    .first()
    .click();
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(page.getByRole("heading", { name: "South ring" })).toBeVisible();
  await expect(page.getByRole("link", { name: /^Usual feeder/ })).toBeVisible();
});

test("thousands of ends at a side are a list that can be gone through to its end", async ({
  page,
  request,
}) => {
  const { job, piece } = await planned(request, {
    name: "Trunk",
    cable: "loose-tube-144",
    sides: {
      A: {
        ...SIDE,
        procedure: "breakout-kit-12",
        ends: 12,
        onto: { procedure: "fusion-splice-on-250", choices: {} },
      },
      B: SIDE,
    },
  });
  await page.goto(`/jobs/${job}/${piece}`);
  const ends = page.getByRole("region", { name: "Side A" });
  await expect(ends.getByText("156 ends, in the order of their addresses")).toBeVisible();
  expect(await ends.getByRole("listitem").count()).toBeLessThan(40);
  await ends.getByRole("list").evaluate((list) => list.scrollTo(0, list.scrollHeight));
  await expect(ends.getByRole("listitem").last()).toHaveAttribute("aria-posinset", "156");
  await expect(ends.getByRole("link", { name: "tube 12 / fibre 12" })).toBeVisible();
});

test("a job's plan is saved as a file and opened as another job; its grid goes out as CSV and comes back @desk", async ({
  page,
  request,
}) => {
  const name = `Moor ${randomUUID().slice(0, 8)}`;
  const { id: job } = await (await request.post("/api/v1/jobs", { data: { name } })).json();
  await request.post(`/api/v1/jobs/${job}`, { data: { pieces: [{ plan: PLAN }] } });
  await page.goto(`/jobs/${job}`);
  const [saved] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("link", { name: "Save the plan" }).click(),
  ]);
  await page.goto("/jobs");
  await page.getByLabel("Open a plan").setInputFiles({
    name: "notes.json",
    mimeType: "application/json",
    buffer: Buffer.from('{"plan": 2}'),
  });
  await expect(page.getByText("Enter the plan of a job, as it was saved as a file")).toBeVisible();
  await page.getByLabel("Open a plan").setInputFiles(await saved.path());
  await expect(page.getByRole("heading", { name })).toBeVisible();
  expect(page.url()).not.toContain(job);
  await expect(page.getByText("trunk").first()).toBeVisible();

  await page.getByRole("link", { name: "As a grid" }).click();
  const [csv] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Save as CSV" }).click(),
  ]);
  await page.getByLabel("Open a CSV").setInputFiles(await csv.path());
  await expect(page.getByRole("button", { name: "Put in 1 row" })).toBeEnabled();
});
