import type { APIRequestContext } from "@playwright/test";
import { PLAN } from "../harness/plans";
import { expect, test } from "../harness/server";
import { finish, prepare, stage } from "./closure-steps";
import { pick } from "./work";

const STATION = "c1b7d8e4-0d5e-4d55-8f0e-5b9f1e7a3c09";

/** A job with a feeder cable opened at a closure, one of its fibres cut there. */
async function hillJob(request: APIRequestContext) {
  const post = async (path: string, data: unknown) => {
    const answer = await request.post(`/api/v1${path}`, { data });
    expect(answer.status(), await answer.text()).toBe(201);
    return answer.json();
  };
  const { id: job } = await post("/jobs", { name: "Hill cottages" });
  const parted = [{ fibre: 7, at: "middle" }];
  const station = { id: STATION, place: "Pole", along: 60_000, procedure: "entry-dome-gel-through", parted };
  const side = { ...PLAN.sides.A, procedure: null, ends: 0 };
  const route = [{ kind: "duct", name: "", length: 200_000, allowancePct: 0 }];
  const { pieces } = await post(`/jobs/${job}`, {
    pieces: [
      {
        plan: {
          ...{ ...PLAN, name: "Hill feeder", cable: "loose-tube-36", stations: [station], route, loops: [] },
          sides: { A: side, B: side },
        },
      },
    ],
  });
  const joins = { piece: pieces[0].id, side: STATION };
  const { id } = await post(`/jobs/${job}/closures`, {
    plan: {
      ...{ name: "Cottages' pole", entry: "entry-dome-gel" },
      cables: [{ id: STATION, cable: "loose-tube-36", role: "through", through: true, joins }],
    },
  });
  return { job, closure: id };
}

test("an open joint by keyboard: planned in a feeder, spliced at its closure, its four outputs labelled and read, the feeder shows them", {
  tag: "@desk",
}, async ({ page, request }) => {
  test.setTimeout(120_000);
  const { job, closure } = await hillJob(request);
  await page.goto(`/jobs/${job}`);
  await page.getByLabel("New feeder").fill("Hill feeder");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: "Hill feeder" })).toBeVisible();
  const field = async (name: string, text: string) => {
    await page.getByLabel(name, { exact: true }).fill(text);
    await page.keyboard.press("Enter");
  };
  await field("Drops behind it", "4");
  await field("Metres to a receiver", "80");
  await field("Outputs feed", "Cottage 1, Cottage 2, Cottage 3, Cottage 4");
  await field("Taps in the box, %", "1 × 5, 10, 0 × 50");
  await pick(page, page.getByRole("combobox", { name: "Made in closure" }), "Cottages' pole");
  await page.getByRole("button", { name: "Best taps" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Taps to bring: 1 × 10 %")).toBeVisible();
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();
  const feeder = page.url();

  const url = `/jobs/${job}/closures/${closure}`;
  await page.goto(`${url}/splices`);
  await expect(page.getByText("Hill feeder plans a tap of 10 % and 4 outputs here.")).toBeVisible();
  await page.getByLabel("Tap, %").fill("120");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Enter the share of the tap's drop between 0 and 100 %")).toBeVisible();
  await page.getByLabel("Tap, %").fill("10");
  await page.keyboard.press("Enter");
  await expect(page.getByText("All 3 splices agree with their cables")).toBeVisible();
  await expect(page.getByLabel("output 3")).toHaveValue("Cottage 3");
  await expect(page.getByText("neither spliced nor stored")).toHaveCount(0);
  await expect(page.getByText("Kept", { exact: true })).toBeVisible();

  await page.goto(`${url}/work`);
  await prepare(request, closure, { id: STATION, cable: "loose-tube-36", through: true });
  await page.reload();
  for (const name of ["Before", "In place", "Fibres"]) await finish(page, name);
  await stage(page, "Splices").click();
  for (const number of [1, 2, 3]) {
    await expect(page.getByRole("heading", { name: new RegExp(`Splice ${number}$`) })).toBeVisible();
    const colours = page.getByLabel(/^Colour you see/);
    if (number < 3) await colours.first().fill("BL");
    else await expect(colours).toHaveCount(0);
    await page.getByLabel("Estimate, dB").fill("0.03");
    await page.keyboard.press("Enter");
  }
  await expect(stage(page, "Splices")).toContainText("done");

  await stage(page, "Before closing").click();
  const here = page.getByRole("region", { name: "Before closing" });
  const output = (number: number) =>
    here.getByRole("listitem").filter({ hasText: `output ${number} (Cottage ${number}): power read` });
  await expect(output(1)).toContainText("Never look into");
  // Too dim for its receiver, it stays open.
  await output(1).getByLabel("Power, dBm").fill("light 1490 nm -30.00 dBm");
  await page.keyboard.press("Enter");
  await expect(output(1).getByLabel("Power, dBm")).toHaveValue("-30");
  await expect(output(1).getByRole("button", { name: "Take back" })).toHaveCount(0);
  for (const number of [1, 2, 3, 4]) {
    await output(number).getByLabel("Power, dBm").fill(`-1${number}.2`);
    await page.keyboard.press("Enter");
    await expect(output(number).getByRole("button", { name: "Take back" })).toBeVisible();
  }
  await page.goto(feeder);
  for (const number of [1, 2, 3, 4])
    await expect(page.getByText(`Cottage ${number}: -1${number}.20 dBm at 1490 nm`)).toBeVisible();
});
