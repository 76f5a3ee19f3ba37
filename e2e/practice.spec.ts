import type { Locator, Page } from "@playwright/test";
import { beginWork, judgementOf, mustHoldAt, takeStep, usualPlacements } from "@/core";
import { expect, test } from "../harness/server";
import { shippedLibrary } from "../harness/shipped";

const progressOf = (page: Page) => page.getByRole("region", { name: "Where you stand" });
const lineOf = (page: Page, name: string) => progressOf(page).getByRole("listitem").filter({ hasText: name });

/** Begins the drill of a line by keyboard. */
async function practise(page: Page, name: string): Promise<void> {
  await progressOf(page).getByRole("button", { name }).focus();
  await page.keyboard.press("Enter");
}

test("a drill failed, then passed, by keyboard; it stands in the progress and nothing of it goes on record @desk", async ({
  page,
  request,
}) => {
  const ends = async () => (await (await request.get("/api/v1/seal")).json()).root;
  const before = await ends();
  await page.goto("/practice");
  const progress = progressOf(page);
  await expect(progress.getByRole("listitem").first()).toContainText("not tried");
  const reading = page.getByRole("textbox", { name: "Your reading, mm" });
  await reading.fill("far");
  await page.keyboard.press("Enter");
  await expect(page.getByText("Enter millimetres, for example 37.5")).toBeVisible();
  await reading.fill("999");
  await page.keyboard.press("Enter");
  const result = page.getByRole("status").filter({ hasText: /^No: / });
  await expect(result).toBeVisible();
  await expect(progress.getByRole("listitem").first()).toContainText("0 of 1");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("heading", { name: /sixteenth of an inch/ })).toBeVisible();
  await practise(page, "Colours, fibres 1 to 12");
  await expect(page.getByRole("heading", { name: "Which colour is fibre 1?" })).toBeVisible();
  await page.getByRole("button", { name: "blue" }).focus();
  await page.keyboard.press("Enter");
  await expect(page.getByText("Right.", { exact: true })).toBeVisible();
  await page.reload();
  await expect(lineOf(page, "Colours, fibres 1 to 12")).toContainText("1 of 1");
  expect(await ends()).toBe(before);
});

test("what happened here: looks by their numbers rule faults out until one is left, which is named @desk", async ({
  page,
}) => {
  await page.goto("/practice");
  await practise(page, "dirty end face");
  const drill = page.getByRole("region", { name: "This end is not good. One thing is wrong." });
  await expect(drill).toBeVisible();
  await page.keyboard.press("2");
  await expect(drill.getByText("Mark: at the rear edge")).toBeVisible();
  await page.keyboard.press("4");
  await expect(drill.getByText("End face: a smear over the core")).toBeVisible();
  await expect(drill.getByText("2 looks · 30 s")).toBeVisible();
  await drill.getByRole("button", { name: "dirty end face" }).click();
  await expect(drill.getByText("Right.", { exact: true })).toBeVisible();
  await expect(drill.getByText(/the best looks take/)).toBeVisible();
});

test("a mark by eye, a grip, a pair and a series of cleaves by keyboard @desk", async ({ page }) => {
  await page.goto("/practice");
  const right = page.getByText("Right.", { exact: true });
  await practise(page, "A mark by eye");
  const asks = page.getByRole("heading", { name: /^Put the mark [\d.]+ mm/ });
  const wanted = Number(/([\d.]+) mm/.exec((await asks.textContent()) ?? "")?.[1]);
  await asks.click();
  for (let at = 5; at + 5 <= wanted; at += 5) await page.keyboard.press("Shift+ArrowRight");
  for (let at = 0; at < (wanted % 5) * 2; at++) await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(right).toBeVisible();

  await practise(page, "Tight or semi-tight");
  await page.getByRole("button", { name: "Score it and pull by hand" }).press("Enter");
  await expect(page.getByText(/^The buffer (slides|holds)/)).toBeVisible();
  await page.keyboard.press((await page.getByText(/^The buffer slides/).isVisible()) ? "2" : "1");
  await expect(right).toBeVisible();

  await practise(page, "Both ends of a pair");
  const pair = page.getByRole("region", { name: /^Which fibre lies in place/ });
  const here = (await pair.getByText(/^Here .* lies in place/).textContent()) ?? "";
  const first = (await pair.getByRole("listitem").first().textContent())?.slice(1) ?? "";
  await page.keyboard.press(here.includes(` ${first} `) ? "2" : "1");
  await expect(right).toBeVisible();

  await practise(page, "A series of cleaves");
  for (let i = 1; i <= 6; i++) {
    await expect(page.getByRole("heading", { name: `Cleave ${i} of 6: what now?` })).toBeVisible();
    await page.keyboard.press("1");
  }
  // One of them is not to be kept, whatever was drawn.
  await expect(page.getByText("Not yet.")).toBeVisible();
  await expect(lineOf(page, "A series of cleaves")).toContainText("0 of 1");
});

const shipped = shippedLibrary();
const named = <T extends { readonly id: string }>(all: readonly T[], id: string): T =>
  mustHoldAt(
    all.filter((each) => each.id === id),
    0,
  );
const wedge = mustHoldAt(
  usualPlacements(
    named(shipped.procedures, "stub-wedge-release-cord"),
    [named(shipped.cables, "simplex-3.0")],
    shipped.tools,
  ),
  0,
);

/** Picks the answer of a drill by its number. */
async function pick(page: Page, drill: Locator, title: string): Promise<void> {
  const titles = await drill.getByRole("listitem").allTextContents();
  await page.keyboard.press(String(titles.findIndex((text) => text.slice(1) === title) + 1));
}

/** Works an end to its last step as its sheet has it, back to where it says after a bad look. */
async function workToTheEnd(page: Page, drill: Locator): Promise<void> {
  const back = page.getByRole("heading", { name: "Where do you go from here?" });
  let done: string[] = [];
  for (let turn = 0; done.length < wedge.steps.length; turn++) {
    expect(turn).toBeLessThan(200);
    const next = mustHoldAt(
      wedge.steps.filter(({ id }) => !done.includes(id)),
      0,
    );
    await pick(page, drill, next.title);
    done = [...done, next.id];
    const counted = page.getByText(`${done.length} of ${wedge.steps.length} steps`);
    await expect(counted).toBeVisible();
    if (!(await back.isVisible())) continue;
    const bad = (await drill.getByText(`${next.title}: `).textContent()) ?? "";
    const answer = judgementOf(next)?.answers.find(({ good, sees }) => !good && bad.includes(sees));
    const goTo = answer?.retries.map((retry) => retry.goTo).find((id) => done.includes(id));
    await pick(page, drill, `Back to: ${wedge.steps.find(({ id }) => id === goTo)?.title}`);
    await expect(page.getByRole("heading", { name: "Which step is next?" })).toBeVisible();
    done = wedge.steps
      .slice(
        0,
        wedge.steps.findIndex(({ id }) => id === goTo),
      )
      .map(({ id }) => id);
  }
}

test("a whole end against the clock: a step out of its turn is refused with the reason, a bad look sends back, the end is done; it stands under the name, for the trainer @desk", async ({
  page,
  request,
  server,
}) => {
  test.slow();
  const added = await request.post("/api/v1/people", { data: { name: "Signe Hollow" } });
  const { people } = await added.json();
  const trainee = people.find(({ name }: { name: string }) => name === "Signe Hollow").id;
  const value = encodeURIComponent(JSON.stringify({ person: trainee }));
  await page.context().addCookies([{ name: "arlent-prefs", value, url: server.url }]);
  await page.goto("/practice");
  await practise(page, "whole end: stub, wedge release");
  const drill = page.getByRole("region", { name: /Which step is next|Where do you go/ });
  await expect(drill.getByText(`0 of ${wedge.steps.length} steps, no mistake`)).toBeVisible();
  const titles = (await drill.getByRole("listitem").allTextContents()).map((text) => text.slice(1));
  const wrong = titles.find((title) => {
    const step = wedge.steps.find((each) => each.title === title);
    return step && "violation" in takeStep(beginWork(wedge), step.id);
  });
  if (wrong !== undefined) {
    await pick(page, drill, wrong);
    await expect(drill.getByRole("alert")).not.toBeEmpty();
    await expect(drill.getByText("1 mistake")).toBeVisible();
  }
  await workToTheEnd(page, drill);
  await expect(page.getByRole("heading", { name: "The end is done." })).toBeVisible();
  await expect(page.getByText("Right.", { exact: true })).toBeVisible();
  await expect(lineOf(page, "whole end: stub")).toContainText("1 of 1");
  await page.getByRole("link", { name: "For the trainer" }).click();
  const sheet = page.getByRole("region", { name: "Signe Hollow" });
  await expect(sheet.getByText(/^1 drill,/)).toBeVisible();
  await expect(sheet.getByRole("listitem").filter({ hasText: "whole end: stub" })).toContainText("1 of 1");
});
